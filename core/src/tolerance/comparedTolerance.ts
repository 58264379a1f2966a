import {
  DEFAULT_DRAWS,
  findDifference,
  findTolerance,
  type ChainWay,
  type Difference,
  type Tolerance,
  type ToleranceProgress,
} from './tolerance';

/** One way drawn by itself, and against others by their names. */
export interface ComparedTolerance {
  /** Null where nothing is heard. */
  readonly tolerance: Tolerance | null;
  /** This one less each of the others; null where nothing is heard of one of the two. */
  readonly differences: ReadonlyMap<string, Difference | null>;
}

/** How sure the figures of a way are, and its difference from others; nothing is compared with silence. */
export function* findComparedTolerance(
  way: ChainWay,
  others: ReadonlyMap<string, ChainWay>,
  draws = DEFAULT_DRAWS,
): Generator<ToleranceProgress, ComparedTolerance> {
  const parts = 1 + others.size;
  const tolerance = yield* asPart(findTolerance(way, { draws }), 0, parts);
  const differences = new Map<string, Difference | null>();
  if (!tolerance) return { tolerance, differences };
  for (const [k, [name, other]] of [...others].entries())
    differences.set(name, yield* asPart(findDifference(other, way, { draws }), k + 1, parts));
  return { tolerance, differences };
}

/** The progress of one part of several as the progress of all of them. */
function* asPart<A>(
  work: Generator<ToleranceProgress, A>,
  part: number,
  parts: number,
): Generator<ToleranceProgress, A> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    const { done, of } = step.value;
    yield { done: part * of + done, of: parts * of };
  }
}
