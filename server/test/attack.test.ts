import fc from 'fast-check';
import { attack, faultsOf } from './attack/attack';
import { ROUTES } from './attack/routes';
import { drawShapes } from './attack/shapes';
import { Target } from './attack/target';
import { engines } from './support/databases';

/// Hostile requests on every route and kills at work, drawn by a seed; `npm run attack` is the long run.

const all = engines();
afterAll(() => all.forEach((engine) => engine.stop()));

test.each(all.map((engine, at) => [engine.name, engine, at] as const))(
  'on %s nothing is answered by 500, nothing ends, and nothing acknowledged is lost',
  async (_, engine, at) => {
    const counts = await attack(() => engine.newUrl(), { requests: 800, kills: 6, seed: 7 + at });
    expect(faultsOf(counts)).toEqual([]);
    // It was hard enough: much was refused, some was taken, and somebody worked all the while.
    expect(counts.storm.answers['4xx']).toBeGreaterThan(300);
    expect(counts.storm.answers['2xx']).toBeGreaterThan(50);
    expect(counts.storm.saves).toBeGreaterThan(25);
    expect(counts.kills.saves).toBeGreaterThan(60);
    expect(counts.kills.restores).toBe(1);
    expect(counts.outside.answers['401']).toBeGreaterThan(50);
  },
);

test('what is meant well is not refused for what it says: what is hurt is hurt from there', async () => {
  const target = new Target({ databaseUrl: null });
  await target.start();
  const refused: string[] = [];
  // Pictures are none here, and a phrase is the wrong one.
  const meant = ROUTES.filter(({ type, method }) => method !== 'GET' && type !== 'image/jpeg');
  for (const { method, goodPath, type, body } of meant)
    for (const [path, text] of fc.sample(fc.tuple(goodPath, body), { numRuns: 6, seed: 1 })) {
      const answer = await fetch(new URL(path.slice(1), target.url), {
        method,
        headers: { 'Content-Type': type },
        body: text,
      });
      if (answer.status === 400) refused.push(`${method} ${path}: ${await answer.text()}`);
    }
  await target.end('SIGTERM');
  expect(refused).toEqual([]);
});

test('the same seed draws the same requests', () => {
  expect(drawShapes(50, 3)).toEqual(drawShapes(50, 3));
  expect(drawShapes(50, 3)).not.toEqual(drawShapes(50, 4));
});
