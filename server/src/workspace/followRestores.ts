import type { IncomingMessage, Server } from 'node:http';

/** Restores that have come in whole: whoever sent one is told what came of it, also while the server stops. */
export function followRestores(http: Server): { answered(): Promise<unknown> } {
  const open = new Map<IncomingMessage, Promise<void>>();
  http.on('request', (request, response) => {
    if (request.method !== 'POST' || !request.url?.startsWith('/api/workspace')) return;
    const closed = new Promise<void>((resolve) => response.once('close', resolve));
    open.set(request, closed);
    void closed.then(() => open.delete(request));
  });
  return {
    answered: () =>
      Promise.all([...open].filter(([{ complete }]) => complete).map(([, closed]) => closed)),
  };
}
