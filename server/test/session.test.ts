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

  test('the eleventh attempt has to wait', async () => {
    const attempts = [];
    for (let k = 0; k < 12; k++)
      attempts.push(
        (await request(guarded.url).post('/api/session').send({ passphrase: 'wrong' })).status,
      );
    expect(attempts.at(-1)).toBe(429);
  });
});
