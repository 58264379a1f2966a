import { workingIds, Worker } from './storm';
import type { Target } from './target';

const AT_ONCE = 4;
const LONGEST_MS = 900;

export interface KillCounts {
  readonly kills: number;
  readonly saves: number;
  readonly lost: number;
}

/** Kills a server as a pulled plug would while several hands save, and looks for what it had acknowledged. */
export async function killOften(target: Target, kills: number, seed: number): Promise<KillCounts> {
  const ids = workingIds(AT_ONCE);
  const workers = ids.map((id) => new Worker(target, [id]));
  for (let k = 0; k < kills; k++) {
    let isOver = false;
    const hands = workers.map(async (worker) => {
      while (!isOver) await worker.work().catch(() => undefined);
    });
    // From at once to some saves later, the same for the same seed.
    const rest = ((seed * 7919 + k * 104_729) % 1000) / 1000;
    await new Promise((resolve) => setTimeout(resolve, rest * LONGEST_MS));
    isOver = true;
    await target.end('SIGKILL');
    await Promise.all(hands);
    await target.start();
    for (const worker of workers) await worker.check();
  }
  const sum = (of: (worker: Worker) => number) => workers.reduce((all, one) => all + of(one), 0);
  return { kills, saves: sum(({ saves }) => saves), lost: sum(({ lost }) => lost) };
}
