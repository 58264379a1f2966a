import { ERROR_CATALOGUE } from '@gullwind/contract';
import type { RequestHandler } from 'express';

/** What the addresses in `type` of a problem lead to: each code with its meaning. */
export const errorsPage: RequestHandler = (_request, response) => {
  const rows = Object.entries(ERROR_CATALOGUE)
    .map(([code, { status, title }]) => `<dt id="${code}">${code}, ${status}</dt><dd>${title}</dd>`)
    .join('\n');
  response
    .type('html')
    .send(
      `<!doctype html><html lang="en"><title>Errors · Gullwind</title><h1>Errors</h1><dl>${rows}</dl></html>`,
    );
};
