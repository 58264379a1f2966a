import { createServer, request, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { failureOf } from '../src/errors';
import { followRestores } from '../src/workspace/followRestores';

/// What ends while the server stops, and what is said of a failure.

test('a restore that has come in whole is waited for until it is answered; one that hangs is not', async () => {
  const answers: ServerResponse[] = [];
  const server = createServer();
  const restores = followRestores(server);
  server.on('request', (incoming, response) => {
    answers.push(response);
    incoming.resume();
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const send = (path: string, more: object = {}) => {
    const sent = request({ port, path, method: 'POST', ...more });
    sent.on('error', () => undefined);
    return sent;
  };
  send('/api/workspace', { headers: { 'Content-Length': '100' } }).write('half');
  send('/api/rigs').end();
  const whole = send('/api/workspace?overwrite=true');
  const told = new Promise((resolve) =>
    whole.on('response', ({ statusCode }) => resolve(statusCode)),
  );
  whole.end('all of it');
  while (answers.length < 3) await new Promise((resolve) => setTimeout(resolve, 5));
  let isOver = false;
  const over = restores.answered().then(() => (isOver = true));
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(isOver).toBe(false);
  for (const answer of answers) if (answer.req.url!.includes('overwrite')) answer.end('done');
  await over;
  expect(await told).toBe(200);
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await restores.answered();
});

test('of a failure the log has what, where and its code, and nothing of what was written', () => {
  const params = ['a secret note'];
  const error = Object.assign(new Error('x'.repeat(9000)), { code: 'XX000', params, query: 'q' });
  const said = failureOf(error);
  expect(Object.keys(said)).toEqual(['type', 'message', 'stack', 'code']);
  expect(said).toMatchObject({ type: 'Error', code: 'XX000' });
  expect(JSON.stringify(said).length).toBeLessThan(4200);
  expect(failureOf(null)).toEqual({});
});
