/** What a piece of long work answers. */
export function toEnd<A>(work: Generator<unknown, A>): A {
  for (let step = work.next(); ; step = work.next()) if (step.done) return step.value;
}
