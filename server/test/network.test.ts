import { Agent, request as askTls } from 'node:https';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { readOptions } from '../src/options';
import { startServer } from '../src/startServer';
import { MIGRATIONS, TEMPLATE, temporaryFolder } from './support/databases';
import { expectProblem } from './support/expectProblem';
import { startProxy, TLS_FILES, type Proxy, type ProxyStart } from './support/proxy';
import { runApp, type RunningApp } from './support/runningApp';

/// Reached from other machines: by a name, by a proxy, by TLS.

const passphrase = 'a long enough phrase';
const PUBLIC = new URL('https://rigs.test/');

let open: { close(): Promise<void> }[] = [];
afterEach(async () => {
  for (const one of open.toReversed()) await one.close();
  open = [];
});

async function behind(start: ProxyStart, proxies: readonly string[] = ['127.0.0.1', '::1']) {
  const app: RunningApp = await runApp({ passphrase, publicUrl: PUBLIC, proxies });
  const proxy: Proxy = await startProxy(start);
  proxy.target = app.url;
  open.push(app, proxy);
  const ask = (method: 'get' | 'post' | 'delete', path: string, host = 'rigs.test') =>
    request(`https://127.0.0.1:${proxy.port}`)
      [method](path)
      .set('Host', host)
      .trustLocalhost()
      .disableTLSCerts();
  const signIn = () =>
    ask('post', '/api/session').set('Origin', 'https://rigs.test').send({ passphrase });
  return { app, ask, signIn };
}

const cookiesOf = (headers: Record<string, unknown>) => headers['set-cookie'] as string[];
const sent = (cookies: readonly string[]) =>
  cookies.map((cookie) => cookie.split(';')[0]!).join('; ');

test('a proxy with TLS is asked by the public name, and its cookie goes by TLS alone', async () => {
  const { ask, signIn } = await behind({ isTls: true });
  await expectProblem(ask('get', '/api/rigs'), 401, 'sign-in-required');
  const cookies = cookiesOf((await signIn().expect(200)).headers);
  for (const cookie of cookies) expect(cookie).toMatch(/; secure/iu);
  await ask('get', '/api/rigs').set('Cookie', sent(cookies)).expect(200);
  await ask('get', '/api/rigs')
    .set('Cookie', sent(cookies))
    .set('Origin', 'https://rigs.test')
    .expect(200);
  for (const origin of [
    'http://rigs.test',
    'https://rigs.test:444',
    'https://evil.example',
    'null',
  ])
    await expectProblem(ask('get', '/api/rigs').set('Origin', origin), 403, 'origin-not-allowed');
  for (const host of ['evil.example', 'rigs.test.evil.example', '10.0.0.9'])
    await expectProblem(ask('get', '/api/rigs', host), 403, 'host-not-allowed');
});

test('signed out, the cookie is taken back', async () => {
  const { ask, signIn } = await behind({ isTls: true });
  const cookies = cookiesOf((await signIn().expect(200)).headers);
  const session = () => ask('get', '/api/session').set('Cookie', sent(cookies));
  expect((await session()).body).toEqual({ signInNeeded: false, canSignOut: true });
  const out = await ask('delete', '/api/session').set('Cookie', sent(cookies)).expect(204);
  for (const cookie of cookiesOf(out.headers)) expect(cookie).toMatch(/expires=Thu, 01 Jan 1970/iu);
  await ask('delete', '/api/session').expect(204);
});

test('a proxy that asks in the name of its target is heard too', async () => {
  const { ask, signIn } = await behind({ isTls: true, changesHost: true });
  const cookies = cookiesOf((await signIn().expect(200)).headers);
  await ask('get', '/api/rigs').set('Cookie', sent(cookies)).expect(200);
  await expectProblem(
    ask('post', '/api/session').set('Origin', 'https://evil.example').send({ passphrase }),
    403,
    'origin-not-allowed',
  );
});

test.each<[string, ProxyStart, readonly string[]]>([
  ['is not named', { isTls: true }, []],
  ['is another than the named', { isTls: true }, ['10.1.2.3']],
  ['does not say that it speaks TLS', { isTls: true, tells: false }, ['127.0.0.1', '::1']],
])('where the proxy %s no passphrase is heard, and it is said why', async (_, start, proxies) => {
  const { signIn } = await behind(start, proxies);
  const problem = await expectProblem(signIn(), 403, 'tls-required');
  expect(problem.detail).toMatch(/--proxy .*127\.0\.0\.1.*X-Forwarded-Proto/u);
});

describe('ten failures in a quarter of an hour', () => {
  const attempts = async (app: RunningApp, from: (k: number) => string) => {
    const codes: number[] = [];
    for (let k = 0; k < 12; k++)
      codes.push(
        (
          await request(app.url)
            .post('/api/session')
            .set('X-Forwarded-For', from(k))
            .send({ passphrase: 'wrong' })
        ).status,
      );
    return codes;
  };

  test('are counted for each who asks, as a named proxy tells', async () => {
    const app = await runApp({ passphrase, proxies: ['127.0.0.1'] });
    open.push(app);
    expect((await attempts(app, () => '10.0.0.7')).at(-1)).toBe(429);
    expect(await attempts(app, (k) => `10.0.1.${k}`)).toEqual(Array(12).fill(401));
  });

  test('are not escaped by telling stories', async () => {
    const app = await runApp({ passphrase });
    open.push(app);
    expect((await attempts(app, (k) => `10.0.1.${k}`)).at(-1)).toBe(429);
  });

  test('from many addresses are counted together, and hold up nobody who was here before', async () => {
    const app = await runApp({ passphrase, proxies: ['127.0.0.1'] });
    open.push(app);
    const signIn = (from: string, said: string, cookie = '') =>
      request(app.url)
        .post('/api/session')
        .set('X-Forwarded-For', from)
        .set('Cookie', cookie)
        .send({ passphrase: said });
    const { headers } = await signIn('10.0.0.1', passphrase).expect(200);
    const cookie = (headers['set-cookie'] as unknown as string[])
      .map((one) => one.split(';')[0]!)
      .join('; ');
    const codes: number[] = [];
    for (let k = 0; k < 105; k++) codes.push((await signIn(`10.1.0.${k}`, 'wrong')).status);
    expect(codes.filter((code) => code === 401)).toHaveLength(100);
    expect(codes.slice(100)).toEqual(Array(5).fill(429));
    await signIn('10.2.0.1', passphrase).expect(429);
    await signIn('10.0.0.1', passphrase).expect(200);
    await signIn('10.2.0.2', passphrase, cookie).expect(200);
  });

  test('do not count what succeeds', async () => {
    const app = await runApp({ passphrase });
    open.push(app);
    for (let k = 0; k < 15; k++)
      await request(app.url).post('/api/session').send({ passphrase }).expect(200);
  });
});

test('the server speaks TLS itself', async () => {
  const options = readOptions(
    ['--tls', TLS_FILES.cert, TLS_FILES.key, '--port', '0', '--data', temporaryFolder()],
    { GULLWIND_PASSPHRASE: passphrase },
  );
  const paths = { migrations: MIGRATIONS, template: TEMPLATE, web: null };
  const server = await startServer(options, paths, pino({ level: 'silent' }));
  try {
    expect(server.address).toMatch(/^https:\/\/127\.0\.0\.1:\d+\/$/u);
    const agent = new Agent({ ca: readFileSync(TLS_FILES.cert) });
    const status = await new Promise((resolve, reject) => {
      askTls(new URL('api/rigs', server.address), { agent }, (response) => {
        response.resume();
        resolve(response.statusCode);
      })
        .on('error', reject)
        .end();
    });
    // On loopback too the passphrase that is set is demanded.
    expect(status).toBe(401);
  } finally {
    await server.stop();
  }
});

test('files that are no certificate and its key are refused with a sentence, and nothing is left locked', async () => {
  const data = temporaryFolder();
  const paths = { migrations: MIGRATIONS, template: TEMPLATE, web: null };
  const start = (...tls: string[]) =>
    startServer(
      readOptions(['--tls', ...tls, '--port', '0', '--data', data], {}),
      paths,
      pino({ level: 'silent' }),
    );
  await expect(start(TLS_FILES.cert, join(data, 'none.pem'))).rejects.toThrow(
    /none\.pem could not/u,
  );
  await expect(start(TLS_FILES.key, TLS_FILES.cert)).rejects.toThrow(/no certificate and its key/u);
  await (await start(TLS_FILES.cert, TLS_FILES.key)).stop();
});

describe('options', () => {
  const read = (args: string, phrase?: string) =>
    readOptions(args.split(' ').filter(Boolean), phrase ? { GULLWIND_PASSPHRASE: phrase } : {});

  test('as they are meant', () => {
    expect(read('')).toMatchObject({ passphrase: null, publicUrl: null, tls: null, proxies: [] });
    // A passphrase is demanded wherever it is set.
    expect(read('', passphrase).passphrase).toBe(passphrase);
    const options = read(
      '--public-url https://rigs.test --proxy 10.0.0.2 --proxy fd00::/8 --tls a b backup f',
      passphrase,
    );
    expect(options.publicUrl!.href).toBe('https://rigs.test/');
    expect(options).toMatchObject({
      proxies: ['10.0.0.2', 'fd00::/8'],
      tls: { cert: 'a', key: 'b' },
      command: { kind: 'backup', file: 'f' },
    });
  });

  test.each<[string, string | undefined, RegExp]>([
    ['--host 0.0.0.0', undefined, /--host 0\.0\.0\.0 can be reached .*at least 12/u],
    ['--public-url https://rigs.test/', undefined, /--public-url .* can be reached/u],
    ['', 'short', /GULLWIND_PASSPHRASE is shorter than 12/u],
    ['--public-url rigs.test', passphrase, /“rigs\.test” is not an address like/u],
    ['--public-url ftp://rigs.test/', passphrase, /not an address like/u],
    ['--public-url https://rigs.test/path', passphrase, /not an address like/u],
    ['--public-url https://me@rigs.test/', passphrase, /not an address like/u],
    ['--proxy everybody', undefined, /“everybody” is not an address like 10/u],
    ['--proxy 10.0.0.0/99', undefined, /not an address like/u],
    ['--proxy 10.0.0.0/8/8', undefined, /not an address like/u],
    ['--tls a', undefined, /name the files of the certificate/u],
    ['--tls a --demo', undefined, /name the files/u],
    ['--port x', undefined, /“x” is not a port/u],
  ])('%s %s is refused with a sentence', (args, phrase, message) => {
    expect(() => read(args, phrase)).toThrow(message);
  });
});
