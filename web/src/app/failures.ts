/// What went wrong where nobody waits for an answer: said aloud by the shell.

type Listener = (message: string) => void;

const listeners = new Set<Listener>();

export function sayFailure(message: string): void {
  for (const listener of listeners) listener(message);
}

/** Calls back on each failure; returns what stops it. */
export function hearFailures(listener: Listener): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
