import { setImmediate } from 'node:timers/promises';

/**
 * Between two pieces of long work: whoever has come meanwhile is served first. The embedded engine answers at once, so that
 * without this nobody else would be heard until the last piece.
 */
export const letOthers = (): Promise<void> => setImmediate();
