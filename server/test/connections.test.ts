import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { Agent, request } from 'node:http';
import { connect, type Socket } from 'node:net';
import { newRig } from '@gullwind/core';
import { Target } from './attack/target';

/// Strangers open more connections than a process may have files, and say nothing.

const DESCRIPTORS = 1024;
const STRANGERS = 1100;

/** Open until the other side ends it. */
async function stranger(port: number, says: string): Promise<Socket | null> {
  const socket = connect(port, '127.0.0.1');
  socket.on('error', () => undefined);
  const isOpen = await Promise.race([
    once(socket, 'connect').then(() => true),
    once(socket, 'close').then(() => false),
  ]).catch(() => false);
  if (isOpen) socket.write(says);
  return isOpen ? socket : null;
}

/** Asks over one connection that stays open, as a browser does. */
function asking({ url }: Target) {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const ask = (method: string, path: string, body?: object): Promise<number> =>
    new Promise((resolve) => {
      const headers = { 'Content-Type': 'application/json' };
      const asked = request(new URL(path, url), { method, agent, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => resolve(answer.statusCode!));
      });
      // There was no room for one more.
      asked.on('error', () => resolve(0));
      asked.end(body && JSON.stringify(body));
    });
  return { ask, leave: () => agent.destroy() };
}

test('with 1,024 descriptors nothing fails for them; who is in goes on, and who comes gets in again soon', async () => {
  const target = new Target({ databaseUrl: null, descriptors: DESCRIPTORS });
  await target.start();
  const inside = asking(target);
  expect(await inside.ask('GET', 'api/health')).toBe(200);
  const port = Number(target.url.port);
  const said = ['', 'GET /api/rigs HT', 'POST /api/rigs HTTP/1.1\r\nHost: 127.0.0.1\r\n'];
  const strangers = await Promise.all(
    Array.from({ length: STRANGERS }, (_, i) => stranger(port, said[i % said.length]!)),
  );
  const answers = new Set<number>();
  const comer = asking(target);
  do {
    const rig = { id: randomUUID(), rig: newRig('meanwhile') };
    // The page is a file that is opened for each who asks.
    for (const path of ['', 'api/rigs', 'api/gear', 'docs/errors'])
      answers.add(await inside.ask('GET', path));
    answers.add(await inside.ask('POST', 'api/rigs', rig));
    await new Promise((resolve) => setTimeout(resolve, 200));
  } while ((await comer.ask('GET', 'api/health')) !== 200);
  expect(answers).toEqual(new Set([200, 201]));
  expect([target.complaints, target.deaths]).toEqual([[], 0]);
  for (const socket of strangers) socket?.destroy();
  for (const one of [inside, comer]) one.leave();
  await target.end('SIGTERM');
});
