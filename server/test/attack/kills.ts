import { keptOn, MixedHand } from './mixedHand';
import { workingIds, Worker } from './storm';
import type { Target } from './target';

const AT_ONCE = 4;
/** So many writes at least are acknowledged between two kills, and so many more at the most. */
const LEAST_SAVES = 10;
const MORE_SAVES = 16;
/** After so many kills at work comes one in the middle of two restores. */
const RESTORE_EVERY = 5;

export interface KillCounts {
  readonly kills: number;
  readonly saves: number;
  readonly lost: number;
  /** Kills in the middle of a restore, and what was not as it was after them. */
  readonly restores: number;
  readonly torn: number;
  /** What was answered that nobody brought about by a kill. */
  readonly refusals: readonly string[];
}

/**
 * Kills a server as a pulled plug would while several hands write things of every kind, and looks for what it had
 * acknowledged; and in the middle of restores, after which all is as it was or as it was restored.
 */
export async function killOften(target: Target, kills: number, seed: number): Promise<KillCounts> {
  const workers = workingIds(AT_ONCE).map((id) => new Worker(target, [id]));
  const bench = new MixedHand(target);
  await bench.begin();
  const refusals: string[] = [];
  let [restores, torn] = [0, 0];
  for (let k = 0; k < kills; k++) {
    const draw = (seed * 7919 + k * 104_729) % MORE_SAVES;
    const savesNow = () => savesOf(workers) + bench.saves;
    // By what was done and not by the clock: the same for the same seed.
    const wanted = savesNow() + LEAST_SAVES + draw;
    const hand = async (work: () => Promise<void>) => {
      while (savesNow() < wanted) await work();
    };
    const isCut = (error: unknown) => {
      if ((error as Error).name !== 'TypeError') refusals.push(String(error));
    };
    const hands = [...workers, bench].map((one) => hand(() => one.work()).catch(isCut));
    await Promise.race([Promise.all(hands), until(() => savesNow() >= wanted)]);
    await target.end('SIGKILL');
    await Promise.all(hands);
    await target.start();
    for (const worker of workers) await worker.check();
    bench.check(await keptOn(target));
    if (k % RESTORE_EVERY !== RESTORE_EVERY - 1) continue;
    restores++;
    torn += await killRestore(target, draw / MORE_SAVES, refusals);
    for (const worker of workers) await worker.check('restored');
  }
  const lost = workers.reduce((all, one) => all + one.lost, 0) + bench.lost;
  return { kills, saves: savesOf(workers) + bench.saves, lost, restores, torn, refusals };
}

/** Restores a backup of what is there twice at once, and kills the server a part of the way. */
async function killRestore(target: Target, part: number, refusals: string[]): Promise<number> {
  const backup = await (await fetch(new URL('api/workspace', target.url))).blob();
  const before = await keptOn(target);
  const restore = async () => {
    const answer = await fetch(new URL('api/workspace?overwrite=true', target.url), {
      method: 'POST',
      headers: { 'Content-Type': 'application/x-ndjson' },
      body: backup,
    });
    if (!answer.ok && answer.status !== 409) refusals.push(`restore: ${await answer.text()}`);
  };
  const began = performance.now();
  await restore();
  const wholeMs = performance.now() - began;
  const two = [restore(), restore()].map((one) => one.catch(() => undefined));
  await new Promise((resolve) => setTimeout(resolve, wholeMs * part));
  await target.end('SIGKILL');
  await Promise.all(two);
  await target.start();
  const kept = await keptOn(target);
  const isSame = ([key, value]: readonly [string, string]) => kept.get(key) === value;
  return kept.size === before.size && [...before].every(isSame) ? 0 : 1;
}

async function until(isSo: () => boolean): Promise<void> {
  while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 1));
}

const savesOf = (workers: readonly Worker[]): number =>
  workers.reduce((all, { saves }) => all + saves, 0);
