import {
  findDifference,
  findTolerance,
  type Difference,
  type Plan,
  type Tolerance,
  type ToleranceProgress,
} from '@gullwind/core';
import { expose } from 'comlink';

/// Seeded draws, in a worker of their own so that the curve goes on following the hand.

let running = 0;

/** Lets messages in, so that a stop is heard. */
const breathe = () => new Promise((resolve) => setTimeout(resolve));

/** Works until done, or until other work or a stop has come in between: then null. */
async function run<T>(
  work: Generator<ToleranceProgress, T>,
  tell: (progress: ToleranceProgress) => void,
): Promise<T | null> {
  const mine = ++running;
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    tell(step.value);
    await breathe();
    if (mine !== running) return null;
  }
}

const toleranceApi = {
  tolerance: (
    plan: Plan,
    draws: number,
    tell: (progress: ToleranceProgress) => void,
  ): Promise<Tolerance | null> => run(findTolerance(plan, { draws }), tell),
  difference: (
    first: Plan,
    second: Plan,
    draws: number,
    tell: (progress: ToleranceProgress) => void,
  ): Promise<Difference | null> => run(findDifference(first, second, { draws }), tell),
  stop: (): void => {
    running++;
  },
};

export type ToleranceApi = typeof toleranceApi;

expose(toleranceApi);
