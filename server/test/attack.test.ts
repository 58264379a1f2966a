import { attack, faultsOf } from './attack/attack';
import { drawShapes } from './attack/shapes';
import { engines } from './support/databases';

/// Hostile requests on every route and kills at work, drawn by a seed; `npm run attack` is the long run.

const all = engines();
afterAll(() => all.forEach((engine) => engine.stop()));

test.each(all.map((engine, at) => [engine.name, engine, at] as const))(
  'on %s nothing is answered by 500, nothing ends, and nothing acknowledged is lost',
  async (_, engine, at) => {
    const counts = await attack(() => engine.newUrl(), { requests: 1000, kills: 10, seed: 7 + at });
    expect(faultsOf(counts)).toEqual([]);
    // It was hard enough: much was refused, some was taken, and somebody worked all the while.
    expect(counts.storm.answers['4xx']).toBeGreaterThan(400);
    expect(counts.storm.answers['2xx']).toBeGreaterThan(50);
    expect(counts.storm.saves).toBeGreaterThan(30);
    expect(counts.kills.saves).toBeGreaterThan(20);
    expect(counts.outside.answers['401']).toBeGreaterThan(50);
  },
);

test('the same seed draws the same requests', () => {
  expect(drawShapes(50, 3)).toEqual(drawShapes(50, 3));
  expect(drawShapes(50, 3)).not.toEqual(drawShapes(50, 4));
});
