import type { Request, RequestHandler, Response } from 'express';

/** How often it is looked whether bodies still come in while others wait for them. */
const LOOK_EVERY_MS = 500;
/** A body of which nothing has come for so long holds nobody up any more. */
const STALLED_MS = 3000;

/** Somebody whose body is read or worked on. */
interface Busy {
  readonly request: Request;
  bytes: number;
  /** When more of it came. */
  at: number;
}

/**
 * So many bodies are read and worked on at once, and others wait: all at once would need the memory of all of them. Whoever
 * sends nothing more is cut off as soon as somebody waits.
 */
export function bodiesAtOnce(most: number): RequestHandler {
  const busy = new Set<Busy>();
  const waiting: (() => void)[] = [];
  let look: NodeJS.Timeout | null = null;

  const cutOffStalled = () => {
    for (const one of busy) {
      const { request } = one;
      const bytes = request.socket.bytesRead;
      if (request.complete || bytes > one.bytes) Object.assign(one, { bytes, at: Date.now() });
      else if (Date.now() - one.at >= STALLED_MS) request.socket.destroy();
    }
  };
  const keepLooking = () => {
    if (waiting.length > 0) look ??= setInterval(cutOffStalled, LOOK_EVERY_MS);
    else if (look) {
      clearInterval(look);
      look = null;
    }
  };
  const enter = (request: Request, response: Response, next: () => void) => {
    const one = { request, bytes: request.socket.bytesRead, at: Date.now() };
    busy.add(one);
    response.once('close', () => {
      busy.delete(one);
      letIn();
    });
    next();
  };
  const letIn = () => {
    if (busy.size < most) waiting.shift()?.();
    keepLooking();
  };

  return (request, response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') return next();
    if (busy.size < most) return enter(request, response, next);
    // Who has gone while waiting is passed over.
    waiting.push(() => (response.closed ? letIn() : enter(request, response, next)));
    keepLooking();
  };
}
