import type { Problem } from '@gullwind/contract';
import { KEPT_HEADER, MAY_BE_KEPT_HEADER } from './keptAnswers';

/// The one way in which the page asks the server.

export type Answer<T> =
  | {
      readonly kind: 'ok';
      readonly data: T;
      /** From before: the server is away, and this is what it answered last. */
      readonly isKept?: boolean;
    }
  /** The server has read it and says no. */
  | { readonly kind: 'refused'; readonly problem: Problem }
  | { readonly kind: 'signInNeeded' }
  /** No answer, a cut one, a failing server, or something that is not the server. */
  | { readonly kind: 'away'; /** What a failing server said. */ readonly status?: number };

export type Failure = Exclude<Answer<never>, { kind: 'ok' }>;

export interface Question {
  /** Under "/api". */
  readonly path: string;
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Sent as JSON; a workspace or a picture as the file that it is. */
  readonly body?: unknown;
  readonly signal?: AbortSignal;
  /** What was answered last will do where the server is away. */
  readonly mayBeKept?: boolean;
  readonly headers?: Readonly<Record<string, string>>;
}

const LINES = 'application/x-ndjson';
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
  question: Question,
  read: (response: Response) => Promise<T>,
): Promise<Answer<T>> {
  try {
    const response = await fetch(`/api${question.path}`, sent(question));
    if (response.status === NO_CONTENT) return { kind: 'ok', data: null as T };
    if (response.ok) {
      const isKept = response.headers.has(KEPT_HEADER);
      return { kind: 'ok', data: await read(response), ...(isKept && { isKept }) };
    }
    if (response.status >= SERVER_FAILS_FROM && response.status !== NO_ROOM)
      return { kind: 'away', status: response.status };
    const problem = (await response.json()) as Problem;
    if (response.status === SIGN_IN_NEEDED && problem.code === 'sign-in-required')
      return { kind: 'signInNeeded' };
    return { kind: 'refused', problem };
  } catch {
    return { kind: 'away' };
  }
}

/** A file goes as it is, without being read first. */
function sent(question: Question): RequestInit {
  const { method = 'GET', body, signal, mayBeKept = false, headers = {} } = question;
  const shared = { method, signal: signal ?? null, headers };
  if (mayBeKept) return { ...shared, headers: { ...headers, [MAY_BE_KEPT_HEADER]: 'yes' } };
  if (body === undefined) return shared;
  return body instanceof Blob
    ? {
        ...shared,
        headers: {
          ...headers,
          'Content-Type': body.type.startsWith('image/') ? body.type : LINES,
        },
        body,
      }
    : {
        ...shared,
        headers: { ...headers, 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      };
}

/** What a failed question has to say to a person. */
export function sayFailed(failure: Failure): string {
  switch (failure.kind) {
    case 'away':
      return 'The server does not answer. Try again when it does.';
    case 'signInNeeded':
      return 'Sign in with the passphrase of this workshop.';
    case 'refused':
      return failure.problem.detail;
  }
}
