/// Waiting for a server that is away.

const sleepers = new Set<() => void>();

/** The server, or the network, is there again: whoever waits tries at once. */
export function wakeOutbox(): void {
  for (const wake of [...sleepers]) wake();
}

/** Waits, or until the browser is back on the network. */
export function pause(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      sleepers.delete(done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    sleepers.add(done);
  });
}

if (typeof window !== 'undefined') window.addEventListener('online', wakeOutbox);
