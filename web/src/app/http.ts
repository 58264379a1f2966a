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
  readonly body?: unknown;
  readonly signal?: AbortSignal;
}

const NO_CONTENT = 204;
const SIGN_IN_NEEDED = 401;
const SERVER_FAILS_FROM = 500;

export async function ask<T>({ path, method = 'GET', body, signal }: Question): Promise<Answer<T>> {
  try {
    const response = await fetch(`/api${path}`, {
      method,
      signal: signal ?? null,
      ...(body === undefined
        ? {}
        : { headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) }),
    });
    if (response.status === NO_CONTENT) return { kind: 'ok', data: null as T };
    if (response.ok) return { kind: 'ok', data: (await response.json()) as T };
    if (response.status >= SERVER_FAILS_FROM) return { kind: 'away' };
    const problem = (await response.json()) as Problem;
    if (response.status === SIGN_IN_NEEDED && problem.code === 'sign-in-required')
      return { kind: 'signInNeeded' };
    return { kind: 'refused', problem };
  } catch {
    return { kind: 'away' };
  }
}

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
