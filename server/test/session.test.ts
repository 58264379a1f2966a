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
    const cookie = signedIn.headers['set-cookie']![0]!;
    expect(cookie).toMatch(/HttpOnly/u);
    expect(cookie).toMatch(/SameSite=Strict/u);
    await request(guarded.url).get('/api/rigs').set('Cookie', cookie).expect(200);
    const forged = cookie.replace(/=\d+\./u, `=${Date.now() + 1e12}.`);
    await expectProblem(
      request(guarded.url).get('/api/rigs').set('Cookie', forged),
      401,
      'sign-in-required',
    );
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
