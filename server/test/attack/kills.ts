import { workingIds, Worker } from './storm';
import type { Target } from './target';

const AT_ONCE = 4;
/** So many saves are acknowledged between two kills, at the most. */
const MOST_SAVES = 16;

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
    // By what was done and not by the clock: from the first save to some later, the same for the same seed.
    const wanted = savesOf(workers) + 1 + ((seed * 7919 + k * 104_729) % MOST_SAVES);
    while (savesOf(workers) < wanted) await new Promise((resolve) => setTimeout(resolve, 1));
    isOver = true;
    await target.end('SIGKILL');
    await Promise.all(hands);
    await target.start();
    for (const worker of workers) await worker.check();
  }
  const lost = workers.reduce((all, one) => all + one.lost, 0);
  return { kills, saves: savesOf(workers), lost };
}

const savesOf = (workers: readonly Worker[]): number =>
  workers.reduce((all, { saves }) => all + saves, 0);
