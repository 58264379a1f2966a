import { createServer, Socket, type AddressInfo, type Server } from 'node:net';
import { cableOfClass, entered, guitarOfClass, newRig } from '@gullwind/core';
import { jest } from '@jest/globals';
import request from 'supertest';
import { Instruments } from '../../src/instruments/instruments';
import { serveLines, portOf } from '../../src/instruments/simulated/lineServer';
import { simulatedMeter } from '../../src/instruments/simulated/simulatedMeter';
import { simulatedSweep } from '../../src/instruments/simulated/simulatedSweep';
import { runApp, type RunningApp } from '../support/runningApp';
import { expectProblem } from '../support/expectProblem';

/// Instruments over real sockets: what a good one says, and what a broken one does to the server.

const LIMITS = { connectMs: 500, answerMs: 400, wholeMs: 1500, lineBytes: 64 * 1024 };
const cable = cableOfClass('ordinary', 'l1', entered(5));
const AT_CABLE = { kind: 'cable', id: 'tideline', piece: '5 m', cable, mayBeFaulty: false };
const QUESTION = {
  quantity: 'Cp',
  frequencyHz: 1000,
  isOpenCorrected: true,
  readings: 3,
  connected: AT_CABLE,
};

type Broken = (socket: Socket, line: string) => void;
const servers: Server[] = [];
let app: RunningApp;

/** An instrument that does something else than it should. */
async function broken(answer: Broken): Promise<number> {
  const server = createServer((socket) => {
    socket.on('error', () => undefined);
    socket.on('data', (data) => answer(socket, data.toString()));
  });
  servers.push(server);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return (server.address() as AddressInfo).port;
}

const named = (line: string, socket: Socket) => {
  if (line.startsWith('*IDN?')) socket.write('Maker,Meter,1,1\n');
};

const FLOOD = Buffer.alloc(1 << 20, 0x41);

/** Sends until it has sent 10⁹ bytes, or nobody listens any more. */
function flood(socket: Socket, piece: Buffer, sent = 0): void {
  let more = sent;
  while (!socket.destroyed && more < 1e9) {
    more += piece.length;
    if (!socket.write(piece)) return void socket.once('drain', () => flood(socket, piece, more));
  }
}

const BROKEN: Readonly<Record<string, Broken>> = {
  stalled: () => undefined,
  'half a line': (socket) => socket.write('Maker,Me'),
  'closed at once': (socket) => socket.destroy(),
  garbage: (socket) => socket.write(Buffer.from([0xff, 0x00, 0x9f, 0x0a])),
  'no number': (socket, line) => {
    named(line, socket);
    if (line.includes('FETC?')) socket.write('OVERLOAD\n');
  },
  'an error queue': (socket, line) => {
    named(line, socket);
    if (line.includes('FETC?')) socket.write('1e-9,0,+0\n');
    if (line.includes(':SYST:ERR?')) socket.write('-222,"Data out of range"\n');
  },
  'slow in everything': (socket, line) => {
    const asked = line.split('\n').filter((one) => one.includes('?'));
    for (const _ of asked) setTimeout(() => socket.write('1e-9,0,+1\n'), 300);
  },
  'a billion bytes': (socket) => flood(socket, FLOOD),
  'a billion bytes in lines': (socket, line) => {
    named(line, socket);
    flood(socket, Buffer.from('1e-9,0,+0\n'.repeat(100_000)));
  },
};
const names = Object.keys(BROKEN);

beforeAll(async () => {
  const ports = await Promise.all(names.map((name) => broken(BROKEN[name]!)));
  const gone = await broken(() => undefined);
  await new Promise((resolve) => servers.at(-1)!.close(resolve));
  const [meter, sweep] = [
    await serveLines(0, () => simulatedMeter(1)),
    await serveLines(0, () => simulatedSweep(1)),
  ];
  servers.push(meter, sweep);
  const at = (port: number) => ({ host: '127.0.0.1', port });
  app = await runApp({
    instruments: new Instruments(
      [portOf(meter), ...ports, gone].map(at),
      [at(portOf(sweep))],
      LIMITS,
    ),
  });
});
afterAll(async () => {
  await app.close();
  for (const server of servers) server.close();
});

const measure = (id: string, body: object = QUESTION) =>
  request(app.url).post(`/api/instruments/${id}/measure`).send(body);

test('the simulated meter reads a cable, marked as simulated', async () => {
  const { body } = (await measure('meter').expect(200)) as {
    body: { values: number[]; isSimulated: boolean; uncertainty: number; instrument: string };
  };
  expect(body.isSimulated).toBe(true);
  expect(body.uncertainty).toBe(0.003);
  expect(body.values).toHaveLength(3);
  for (const value of body.values) {
    expect(value).toBeGreaterThan(300e-12);
    expect(value).toBeLessThan(1000e-12);
  }
});

test('what it hides is the same when it is asked', async () => {
  const truth = () =>
    request(app.url).post('/api/instruments/meter/truth').send({ connected: AT_CABLE }).expect(200);
  const [one, other] = [(await truth()).body, (await truth()).body] as {
    values: { cPerMF: number; plugF: number; lengthM: number };
  }[];
  expect(one).toEqual(other);
  const { body } = (await measure('meter').expect(200)) as { body: { values: number[] } };
  const { cPerMF, lengthM, plugF } = one!.values;
  expect(body.values[1]! / (cPerMF * lengthM + 2 * plugF)).toBeCloseTo(1, 1.7);
});

test('the clips in the air read next to nothing; a coil reads its resistance', async () => {
  const air = await measure('meter', { ...QUESTION, connected: { kind: 'nothing' } }).expect(200);
  expect(Math.abs((air.body as { values: number[] }).values[0]!)).toBeLessThan(1e-13);
  const guitar = guitarOfClass('brightSingle', 'guitar');
  const connected = { kind: 'guitar', id: 'guitar', guitar, at: 'coil' };
  const coil = await measure('meter', { ...QUESTION, quantity: 'R', connected }).expect(200);
  expect((coil.body as { values: number[] }).values[0]! / 5800).toBeGreaterThan(0.5);
});

test('the simulated sweep takes a pickup and a rig, with something hidden in it or not', async () => {
  const sweep = (connected: object) =>
    request(app.url)
      .post('/api/instruments/sweep/sweep')
      .send({ fromHz: 50, toHz: 20_000, points: 61, connected })
      .expect(200);
  const guitar = guitarOfClass('brightSingle', 'guitar');
  const pickup = (
    await sweep({ kind: 'pickup', id: 'guitar', guitar, rLoadOhm: 1e6, addedF: 470e-12 })
  ).body as {
    frequencyHz: number[];
    levelDb: number[];
  };
  expect(pickup.frequencyHz).toHaveLength(61);
  expect(pickup.levelDb).toHaveLength(61);
  const rig = {
    kind: 'rig',
    rig: newRig('one'),
    sweep: { from: 'coil', sourceOhm: 1e4, isCalibrated: true },
  };
  const [asItIs, hidden] = [
    (await sweep({ ...rig, exercise: 0 })).body as typeof pickup,
    (await sweep({ ...rig, exercise: 5 })).body as typeof pickup,
  ];
  const most = Math.max(...asItIs.levelDb.map((db, i) => Math.abs(db - hidden.levelDb[i]!)));
  expect(most).toBeGreaterThan(1);
});

const WORDS: Readonly<Record<string, RegExp>> = {
  stalled: /No answer to \*IDN\? within 0\.4 s/u,
  'half a line': /No answer/u,
  'closed at once': /closed the connection|broke off/u,
  garbage: /answers what is no text/u,
  'no number': /“OVERLOAD” in the place of a number/u,
  'an error queue': /reports: -222,"Data out of range"/u,
  'slow in everything': /was not through within 1\.5 s/u,
  'a billion bytes': /more than 64 KiB/u,
  // What it sends unasked is taken for its error queue, or is too much: whichever comes first.
  'a billion bytes in lines': /more than 64 KiB|reports/u,
};

test.each(names)('%s: a clear word, and the server goes on', async (name) => {
  const id = `meter-${names.indexOf(name) + 2}`;
  const answer = await expectProblem(measure(id), 424, 'instrument-failed');
  expect(answer.detail).toMatch(WORDS[name]!);
  await measure('meter').expect(200);
});

test('one that is gone is said to be, and all are listed whatever they do', async () => {
  const id = `meter-${names.length + 2}`;
  const { detail } = await expectProblem(measure(id), 424, 'instrument-failed');
  expect(detail).toMatch(/is not there \(ECONNREFUSED\)/u);
  const { body } = (await request(app.url).get('/api/instruments').expect(200)) as {
    body: { instruments: { id: string; isReachable: boolean; problem: string }[] };
  };
  expect(body.instruments).toHaveLength(names.length + 3);
  const byId = new Map(body.instruments.map((one) => [one.id, one]));
  expect(byId.get('meter')).toMatchObject({ isReachable: true, isSimulated: true, problem: '' });
  expect(byId.get(id)).toMatchObject({ isReachable: false });
});

test('behind a few who wait for a slow one nobody else waits', async () => {
  const id = `meter-${names.indexOf('stalled') + 2}`;
  const answers = await Promise.all(Array.from({ length: 12 }, () => measure(id)));
  const said = answers.map(({ text }) => (JSON.parse(text) as { detail: string }).detail);
  expect(said.filter((one) => one.includes('4 others wait for it already'))).toHaveLength(8);
  expect(said.filter((one) => one.includes('No answer to *IDN?'))).toHaveLength(4);
  await expectProblem(measure(id), 424, 'instrument-failed');
});

/** One that is simulated by its name, and answers by a question's words. */
const telling = async (answers: Readonly<Record<string, string>>) => {
  const port = await broken((socket, line) => {
    for (const one of line.split('\n').filter((text) => text.includes('?')))
      socket.write(`${answers[one.trim()] ?? '+0,"No error"'}\n`);
  });
  return { host: '127.0.0.1', port };
};

test('a name that never ends, more points than were asked for, and a truth that is none', async () => {
  const points = Array.from({ length: 500 }, (_, i) => i + 1).join(',');
  const told = await telling({
    '*IDN?': `Simulated ${'x'.repeat(60_000)}`,
    ':CALC:DATA:FREQ?': points,
    ':CALC:DATA:MLOG?': points,
    ':SIM:TRUTH?': '{"values":{"a":"b"},"fault":null}',
  });
  const instruments = new Instruments([told], [told], LIMITS);
  const [meter] = await instruments.list();
  expect(meter!.name).toHaveLength(200);
  const pickup = { kind: 'pickup', id: 'g', guitar: guitarOfClass('brightSingle', 'g1') } as const;
  const connected = { ...pickup, rLoadOhm: 1e6, addedF: 0 };
  await expect(
    instruments.sweep('sweep', { fromHz: 20, toHz: 2e4, points: 400, connected }),
  ).rejects.toThrow('500 points; 400 were asked for');
  await expect(instruments.truth('meter', AT_CABLE as never)).rejects.toThrow(
    'what no simulated instrument hides',
  );
});

test('memory does not grow with what it sends', async () => {
  const id = `meter-${names.indexOf('a billion bytes') + 2}`;
  const before = process.memoryUsage().rss;
  for (let i = 0; i < 5; i++) await measure(id);
  expect(process.memoryUsage().rss - before).toBeLessThan(200 * 2 ** 20);
});

test('no address but those of the command line is ever opened', async () => {
  const opened = new Set<string>();
  const connect = jest.spyOn(Socket.prototype, 'connect').mockImplementation(function (
    this: Socket,
    ...args: unknown[]
  ) {
    const [options] = args.flat() as { host?: string; port?: number }[];
    opened.add(`${options!.host}:${options!.port}`);
    process.nextTick(() => this.destroy(new Error('not in this test')));
    return this;
  });
  const instruments = new Instruments([{ host: '127.0.0.1', port: 9 }], [], LIMITS);
  const evil = { host: '169.254.169.254', port: 80, address: 'http://10.0.0.1/' };
  try {
    for (const id of ['meter', 'http://10.0.0.1:80', '../10.0.0.1:80', 'meter-2', '__proto__'])
      await instruments.measure(id, { ...QUESTION, ...evil } as never).catch(() => undefined);
    await instruments.sweep('sweep', { ...evil } as never).catch(() => undefined);
    await instruments.list();
  } finally {
    connect.mockRestore();
  }
  expect([...opened]).toEqual(['127.0.0.1:9']);
  // And by the address of the API: nothing of it is let in.
  const answer = await expectProblem(
    measure('meter', { ...QUESTION, ...evil }),
    400,
    'invalid-request',
  );
  expect(answer.detail).toContain('host');
  await expectProblem(measure('10.0.0.1:80'), 404, 'instrument-not-found');
});

test.each([
  ['readings', { ...QUESTION, readings: 0 }],
  ['frequencyHz', { ...QUESTION, frequencyHz: 50 }],
  ['quantity', { ...QUESTION, quantity: 'Q' }],
  [
    'connected.cable.lengthM',
    { ...QUESTION, connected: { ...AT_CABLE, cable: { ...cable, lengthM: entered(-1) } } },
  ],
])('a question with a bad %s is refused by its name', async (path, body) => {
  const { problems } = await expectProblem(measure('meter', body), 400, 'invalid-request');
  expect(problems!.map((problem) => problem.path).join()).toContain(path);
});
