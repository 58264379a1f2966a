import type { Changes } from '@gullwind/contract';
import type { Database } from '../db/database';
import { findChanges } from './changeStore';

/** How often it is looked for what another process on the same database has changed. */
const LOOK_EVERY_MS = 1000;

/** Whoever waits for a change: told by this process at once, of other processes within a second. */
export class ChangeFeed {
  private readonly waiting = new Set<() => void>();
  private isOpen = true;

  constructor(private readonly db: Database) {}

  /** Something may have been changed by this process. */
  noted(): void {
    for (const wake of [...this.waiting]) wake();
  }

  /** Nobody waits any longer. */
  close(): void {
    this.isOpen = false;
    this.noted();
  }

  /**
   * What has been changed since a cursor; where that is nothing, waits for it.
   *
   * @param waitMs at most; then the answer is that nothing was
   */
  async since(
    cursor: Parameters<typeof findChanges>[1],
    waitMs: number,
    signal: AbortSignal,
  ): Promise<Changes> {
    const until = performance.now() + waitMs;
    for (;;) {
      const found = await findChanges(this.db, cursor);
      const left = until - performance.now();
      const isNews = cursor === null || found.isAll || found.changes.length > 0;
      if (isNews || left <= 0 || !this.isOpen || signal.aborted) return found;
      await this.woken(Math.min(left, LOOK_EVERY_MS), signal);
    }
  }

  private woken(withinMs: number, signal: AbortSignal): Promise<void> {
    return new Promise((resolve) => {
      const wake = () => {
        clearTimeout(timer);
        this.waiting.delete(wake);
        signal.removeEventListener('abort', wake);
        resolve();
      };
      const timer = setTimeout(wake, withinMs);
      this.waiting.add(wake);
      signal.addEventListener('abort', wake);
    });
  }
}
