import { ERROR_CATALOGUE, type ErrorCode, type Problem } from '@gullwind/contract';
import type { ErrorRequestHandler, Request, Response } from 'express';
import { brokenRule } from './db/brokenRule';
import { idOfAnswer } from './requestId';

/** An error the catalogue knows; anything else is logged and answered as "internal". */
export class KnownError extends Error {
  constructor(
    readonly code: ErrorCode,
    detail: string,
    readonly extra: Partial<Pick<Problem, 'problems' | 'theirs' | 'yours'>> = {},
  ) {
    super(detail);
    this.name = 'KnownError';
  }
}

export function sendProblem(response: Response, error: KnownError): void {
  const { status, title } = ERROR_CATALOGUE[error.code];
  const problem: Problem = {
    type: `/docs/errors#${error.code}`,
    title,
    status,
    code: error.code,
    detail: error.message,
    requestId: idOfAnswer(response),
    ...error.extra,
  };
  response.status(status).type('application/problem+json').send(JSON.stringify(problem));
}

/** Errors of the body parser, by its own names, in the words of the catalogue. */
function fromBodyParser(error: { type?: unknown; limit?: unknown }): KnownError | null {
  switch (error.type) {
    case 'entity.parse.failed':
      return new KnownError(
        'malformed-json',
        'The body is not JSON: it could not be read to its end.',
      );
    case 'entity.too.large':
      return new KnownError(
        'body-too-large',
        `The body is larger than the most, ${Number(error.limit) / 1024} KiB.`,
      );
    case 'encoding.unsupported':
    case 'charset.unsupported':
      return new KnownError('not-json', 'The body must be JSON in UTF-8.');
    case 'request.aborted':
    case 'request.size.invalid':
      return new KnownError('invalid-request', 'The body ended early.');
    default:
      return null;
  }
}

/** Codes of a database that is not there, or is going: class 08 and 57P of SQL, and those of the network. */
const AWAY = /^(08[0-9A-Z]{3}|57P0[1-5]|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/u;
const AWAY_WORDS = /connection terminated|client has encountered a connection error/iu;

/** The disk of the database is full. */
const FULL = '53100';

/** A database that is full or not there, or that holds what was asked to a rule of its own. */
function fromDatabase(error: { code?: unknown; message?: unknown }): KnownError | null {
  if (error.code === FULL)
    return new KnownError('no-room', 'The disk of the database is full. Nothing was changed.');
  const broken = brokenRule(error);
  if (broken) return new KnownError(broken.code, broken.detail);
  const isAway =
    (typeof error.code === 'string' && AWAY.test(error.code)) ||
    (typeof error.message === 'string' && AWAY_WORDS.test(error.message));
  return isAway
    ? new KnownError(
        'database-away',
        'The database does not answer. Nothing was changed; ask again.',
      )
    : null;
}

/** What a request made go wrong on its way: a broken address, gzip that is none, a range that is not there. */
function fromRequest(error: { status?: unknown; code?: unknown }): KnownError | null {
  if (typeof error.status === 'number' && error.status >= 400 && error.status < 500)
    return new KnownError('invalid-request', 'The request could not be read.');
  // Class 22 of SQL: a value that a column cannot hold.
  if (typeof error.code === 'string' && /^22[0-9A-Z]{3}$/u.test(error.code))
    return new KnownError('invalid-request', 'A value in it cannot be kept.');
  return null;
}

const LONGEST_LOGGED = 2000;

/** What failed, for the log: without the values that it failed on. */
export function failureOf(error: unknown) {
  const { name, message, stack, code } = (error ?? {}) as Record<string, unknown>;
  const cut = (text: unknown) =>
    text === undefined ? text : String(text).slice(0, LONGEST_LOGGED);
  return { type: name, message: cut(message), stack: cut(stack), code };
}

const ID = /[0-9a-f]{8}-[0-9a-f-]{27}/gu;

/** The address without what it was asked of whom: no query, no ids. */
const routeOf = ({ method, originalUrl }: Request): string =>
  `${method} ${originalUrl.split('?')[0]!.replaceAll(ID, ':id')}`;

export function answerErrors(): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) return next(error);
    const known =
      error instanceof KnownError
        ? error
        : (fromBodyParser(error as object) ??
          fromRequest(error as object) ??
          fromDatabase(error as object));
    // What people wrote is not in the log: where it failed, how, and which request that was.
    if (!known)
      request.log.error({ err: failureOf(error), route: routeOf(request) }, 'unknown error');
    sendProblem(
      response,
      known ?? new KnownError('internal', 'It has been logged. Nothing was changed.'),
    );
  };
}
