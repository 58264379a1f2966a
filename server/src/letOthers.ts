import { setImmediate, setTimeout } from 'node:timers/promises';

/**
 * Between two pieces of long work: whoever has come meanwhile is served first. The embedded engine answers at once, so that
 * without this nobody else would be heard until the last piece.
 */
export const letOthers = (): Promise<void> => setImmediate();

/**
 * Does a piece of work that nobody waits for, and rests as long as it took: the others have at least half of the time, however
 * many pieces there are.
 */
export async function unhurried<T>(piece: () => Promise<T>): Promise<T> {
  const began = performance.now();
  const done = await piece();
  await setTimeout(performance.now() - began);
  return done;
}
