import { createHash } from 'node:crypto';
import { OPERATION_HEADER, readRigId, WINDOW_HEADER } from '@gullwind/contract';
import type { Request, RequestHandler, Response } from 'express';
import type { RequestDatabase } from '../db/requestDatabase';
import { KnownError } from '../errors';
import { demand } from '../parse';
import { beginOperation, endOperation, nameWindow, type Answered } from './operationStore';

/// A write that is sent again because its answer was lost is done once and answered the same.

/** A refusal of what was asked counts as its answer; who asks, and how often, is asked again each time. */
const ASKED_AGAIN = new Set([401, 403, 408, 429]);
const REFUSED_FROM = 400;
const FAILED_FROM = 500;

/** Leaves a transaction whose request was answered with a refusal. */
class Refused extends Error {}

/**
 * Where a write names itself by an operation's id: runs the rest of its way in one transaction and sends its answer when
 * that is kept, together with the answer itself. The same operation again gets the same answer.
 */
export function answerOnce(db: RequestDatabase): RequestHandler {
  return async (request, response, next) => {
    const named = request.get(OPERATION_HEADER);
    if (named === undefined || request.method === 'GET') return next();
    const id = demand(readRigId(named));
    const asked = fingerprintOf(request);
    const held = holdAnswer(response);
    try {
      const before = await db.together(async (tx) => {
        const first = await beginOperation(tx, id, asked);
        if (first) return first;
        await nameWindow(tx, request.get(WINDOW_HEADER) ?? '');
        next();
        const answer = { asked, ...(await held.answer) };
        if (answer.status >= REFUSED_FROM) throw new Refused();
        await endOperation(tx, id, answer);
        return null;
      });
      if (before) return repeat(before, asked, id, held);
    } catch (error) {
      if (!(error instanceof Refused)) {
        held.letGo();
        throw error;
      }
      await keepRefusal(db, id, { asked, ...(await held.answer) });
    }
    held.send();
  };
}

async function keepRefusal(db: RequestDatabase, id: string, answer: Answered): Promise<void> {
  if (answer.status >= FAILED_FROM || ASKED_AGAIN.has(answer.status)) return;
  await endOperation(db, id, answer);
}

function repeat(before: Answered, asked: string, id: string, held: HeldAnswer): void {
  held.letGo();
  if (before.asked !== asked)
    throw new KnownError(
      'operation-reused',
      `Operation “${id}” was something else when it came first. Nothing was changed.`,
    );
  const { response } = held;
  response.status(before.status);
  if (before.answer === '') response.end();
  else
    response
      .type(before.status < REFUSED_FROM ? 'application/json' : 'application/problem+json')
      .send(before.answer);
}

function fingerprintOf({ method, originalUrl, body }: Request): string {
  const hash = createHash('sha256');
  hash.update(Buffer.isBuffer(body) ? body : (JSON.stringify(body) ?? ''));
  return `${method} ${originalUrl} ${hash.digest('base64url')}`;
}

interface HeldAnswer {
  readonly response: Response;
  /** Resolves when the answer is ready to be sent. */
  readonly answer: Promise<Pick<Answered, 'status' | 'answer'>>;
  /** Sends it. */
  send(): void;
  /** From now on what is answered goes out at once. */
  letGo(): void;
}

/** Holds back what is answered until it is said to be sent. */
function holdAnswer(response: Response): HeldAnswer {
  const end = response.end.bind(response) as (...args: unknown[]) => Response;
  const letGo = () => void (response.end = end as Response['end']);
  let args: readonly unknown[] = [];
  const answer = new Promise<Pick<Answered, 'status' | 'answer'>>((resolve) => {
    response.end = ((...given: unknown[]) => {
      letGo();
      args = given;
      resolve({ status: response.statusCode, answer: textOf(given[0]) });
      return response;
    }) as Response['end'];
  });
  return { response, answer, letGo, send: () => void end(...args) };
}

const textOf = (chunk: unknown): string =>
  typeof chunk === 'string' ? chunk : Buffer.isBuffer(chunk) ? chunk.toString('utf8') : '';
