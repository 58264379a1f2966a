import request from 'supertest';
import { expectProblem } from './support/expectProblem';
import { runApp, type RunningApp } from './support/runningApp';

describe('sign-in, where the server can be reached from elsewhere', () => {
  const passphrase = 'a long enough phrase';
  let guarded: RunningApp;
  beforeAll(async () => {
    guarded = await runApp({ passphrase });
  });
  afterAll(() => guarded.close());

  test('nothing without it, everything with it', async () => {
    await expectProblem(request(guarded.url).get('/api/rigs'), 401, 'sign-in-required');
    expect((await request(guarded.url).get('/api/session').expect(200)).body).toEqual({
      signInNeeded: true,
      canSignOut: false,
    });
    await expectProblem(
      request(guarded.url).post('/api/session').send({ passphrase: 'wrong' }),
      401,
      'sign-in-failed',
    );
    const signedIn = await request(guarded.url)
      .post('/api/session')
      .send({ passphrase })
      .expect(200);
    expect(signedIn.body).toEqual({ signInNeeded: false, canSignOut: true });
    const cookies = signedIn.headers['set-cookie'] as unknown as string[];
    for (const cookie of cookies) {
      expect(cookie).toMatch(/httponly/iu);
      expect(cookie).toMatch(/samesite=strict/iu);
    }
    const [session, signature] = cookies.map((cookie) => cookie.split(';')[0]!);
    const ask = (...sent: readonly string[]) =>
      request(guarded.url).get('/api/rigs').set('Cookie', sent.join('; '));
    await ask(session!, signature!).expect(200);
    const forever = Buffer.from(JSON.stringify({ until: Date.now() + 1e12 })).toString('base64');
    for (const forged of [
      [session!],
      [`gullwind_session=${forever}`],
      [`gullwind_session=${forever}`, signature!],
      [session!, `${signature!.slice(0, -1)}${signature!.endsWith('A') ? 'B' : 'A'}`],
      ['gullwind_session=%%%', signature!],
    ])
      await expectProblem(ask(...forged), 401, 'sign-in-required');
  });

  test('signed out, a copied cookie is worth nothing; every session ends at once where that is asked', async () => {
    const signIn = async () => {
      const { headers } = await request(guarded.url)
        .post('/api/session')
        .send({ passphrase })
        .expect(200);
      const cookies = headers['set-cookie'] as unknown as string[];
      return cookies.map((cookie) => cookie.split(';')[0]!).join('; ');
    };
    const ask = (method: 'get' | 'delete', path: string, cookie: string) =>
      request(guarded.url)[method](path).set('Cookie', cookie);
    const [lost, here, there] = [await signIn(), await signIn(), await signIn()];
    await ask('delete', '/api/session', lost).expect(204);
    await expectProblem(ask('get', '/api/rigs', lost), 401, 'sign-in-required');
    expect((await ask('get', '/api/session', lost)).body).toMatchObject({ signInNeeded: true });
    await ask('get', '/api/rigs', here).expect(200);
    await expectProblem(ask('delete', '/api/sessions', lost), 401, 'sign-in-required');
    await ask('delete', '/api/sessions', here).expect(204);
    for (const cookie of [here, there])
      await expectProblem(ask('get', '/api/rigs', cookie), 401, 'sign-in-required');
    const again = await signIn();
    await guarded.db.query('update sessions set ends_at = now()');
    await expectProblem(ask('get', '/api/rigs', again), 401, 'sign-in-required');
  });

  test('the eleventh attempt has to wait', async () => {
    const attempts = [];
    for (let k = 0; k < 12; k++)
      attempts.push(
        (await request(guarded.url).post('/api/session').send({ passphrase: 'wrong' })).status,
      );
    expect(attempts.at(-1)).toBe(429);
  });
});
