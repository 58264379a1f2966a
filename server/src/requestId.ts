import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { RequestHandler } from 'express';

/// Every request has an id: in its answer, in every problem, and in every line of the log about it.

const HEADER = 'Request-Id';

export const nameRequest: RequestHandler = (_request, response, next) => {
  response.setHeader(HEADER, randomUUID());
  next();
};

/** The id of a request, by its answer. */
export const idOfAnswer = (response: ServerResponse): string =>
  String(response.getHeader(HEADER) ?? '');

export const idOf = (_request: IncomingMessage, response: ServerResponse): string =>
  idOfAnswer(response);
