import { WorkRunner, type Outcome } from '../src/workers/workRunner';

/// Long work driven in pieces: progress, stop, the newest question of a key, failure as an answer.

/** Counts to `of`, each step longer than what lies between two signs of life. */
function* count(of: number): Generator<number, string> {
  for (let i = 0; i < of; i++) {
    const until = performance.now() + 110;
    while (performance.now() < until);
    yield i;
  }
  return `counted to ${of}`;
}

test('it tells how far it is, and answers', async () => {
  const told: number[] = [];
  const outcome = await new WorkRunner().run(
    'a',
    () => count(4),
    (n: number) => told.push(n),
  );
  expect(outcome).toEqual({ kind: 'done', answer: 'counted to 4' });
  expect(told).toEqual([0, 1, 2, 3]);
});

test('a stop is heard between two pieces', async () => {
  const runner = new WorkRunner();
  let most = -1;
  const outcome = await runner.run(
    'a',
    () => count(1000),
    (n: number) => {
      most = n;
      if (n === 2) setTimeout(() => runner.stop('a'));
    },
  );
  expect(outcome).toEqual({ kind: 'stopped' });
  expect(most).toBeLessThan(6);
});

test('of the questions under one key only the newest lives; other keys go on', async () => {
  const runner = new WorkRunner();
  const ask = (key: string, of: number): Promise<Outcome<string>> =>
    runner.run(
      key,
      () => count(of),
      () => undefined,
    );
  const [old, other, newest] = await Promise.all([ask('a', 1000), ask('b', 3), ask('a', 2)]);
  expect(old).toEqual({ kind: 'stopped' });
  expect(other).toEqual({ kind: 'done', answer: 'counted to 3' });
  expect(newest).toEqual({ kind: 'done', answer: 'counted to 2' });
});

test('a failure is an answer, at the start or half way, and the next question is answered', async () => {
  const runner = new WorkRunner();
  const begins = await runner.run(
    'a',
    () => {
      throw new Error('no such row');
    },
    () => undefined,
  );
  expect(begins).toEqual({ kind: 'failed', message: 'no such row' });
  function* breaks(): Generator<number, never> {
    yield 1;
    throw new Error('half way');
  }
  expect(await runner.run('a', breaks, () => undefined)).toEqual({
    kind: 'failed',
    message: 'half way',
  });
  expect(
    await runner.run(
      'a',
      () => count(1),
      () => undefined,
    ),
  ).toMatchObject({ kind: 'done' });
});
