/// Long work in a worker: a generator that yields its progress is driven in pieces, so that a stop and newer
/// questions are heard in between. Of the questions under one key only the newest lives.

/** How a piece of work ended. A failure is an answer too. */
export type Outcome<A> =
  | { readonly kind: 'done'; readonly answer: A }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed'; readonly message: string };

/** Between two signs of life, ms. */
const SAY_EVERY_MS = 100;

/** Lets messages in. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

export class WorkRunner {
  private readonly newest = new Map<string, object>();

  /** Drives work to its end, unless it is stopped or a newer question of its key comes in. */
  async run<P, A>(
    key: string,
    start: () => Generator<P, A> | Promise<Generator<P, A>>,
    tell: (progress: P) => void,
  ): Promise<Outcome<A>> {
    const mine = {};
    this.newest.set(key, mine);
    try {
      const work = await start();
      let said = -Infinity;
      for (let step = work.next(); ; step = work.next()) {
        if (step.done) return { kind: 'done', answer: step.value };
        if (performance.now() - said < SAY_EVERY_MS) continue;
        tell(step.value);
        await breathe();
        if (this.newest.get(key) !== mine) return { kind: 'stopped' };
        said = performance.now();
      }
    } catch (error) {
      return { kind: 'failed', message: error instanceof Error ? error.message : String(error) };
    } finally {
      if (this.newest.get(key) === mine) this.newest.delete(key);
    }
  }

  stop(key: string): void {
    this.newest.delete(key);
  }
}
