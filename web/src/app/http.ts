import type { Problem } from '@gullwind/contract';

/// The one way in which the page asks the server.

export type Answer<T> =
  | { readonly kind: 'ok'; readonly data: T }
  /** The server has read it and says no. */
  | { readonly kind: 'refused'; readonly problem: Problem }
  | { readonly kind: 'signInNeeded' }
  /** No answer, a cut one, a failing server, or something that is not the server. */
  | { readonly kind: 'away' };

export type Failure = Exclude<Answer<never>, { kind: 'ok' }>;

export interface Question {
  /** Under "/api". */
  readonly path: string;
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Sent as JSON; a workspace as the file that it is. */
  readonly body?: unknown;
  readonly signal?: AbortSignal;
}

const NO_CONTENT = 204;
const SIGN_IN_NEEDED = 401;
const SERVER_FAILS_FROM = 500;
/** The server works, and has no room for what is asked. */
const NO_ROOM = 507;

export const ask = <T>(question: Question): Promise<Answer<T>> =>
  askFor(question, async (response) => (await response.json()) as T);

/** A file that the server makes. */
export const askFile = (path: string): Promise<Answer<Blob>> =>
  askFor({ path }, (response) => response.blob());

async function askFor<T>(
  { path, method = 'GET', body, signal }: Question,
  read: (response: Response) => Promise<T>,
): Promise<Answer<T>> {
  try {
    const response = await fetch(`/api${path}`, {
      method,
      signal: signal ?? null,
      ...(body === undefined ? {} : sent(body)),
    });
    if (response.status === NO_CONTENT) return { kind: 'ok', data: null as T };
    if (response.ok) return { kind: 'ok', data: await read(response) };
    if (response.status >= SERVER_FAILS_FROM && response.status !== NO_ROOM)
      return { kind: 'away' };
    const problem = (await response.json()) as Problem;
    if (response.status === SIGN_IN_NEEDED && problem.code === 'sign-in-required')
      return { kind: 'signInNeeded' };
    return { kind: 'refused', problem };
  } catch {
    return { kind: 'away' };
  }
}

/** A file goes as it is, without being read first. */
const sent = (body: unknown): { headers: Record<string, string>; body: BodyInit } =>
  body instanceof Blob
    ? { headers: { 'Content-Type': 'application/x-ndjson' }, body }
    : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) };

/** What a failed question has to say to a person. */
export function sayFailed(failure: Failure): string {
  switch (failure.kind) {
    case 'away':
      return 'The server does not answer. It is asked again by itself.';
    case 'signInNeeded':
      return 'Sign in with the passphrase of this workshop.';
    case 'refused':
      return failure.problem.detail;
  }
}
