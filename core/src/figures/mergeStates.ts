import type { Envelope, Histogram } from '../path';

/** An extreme with the switch positions that reach it. */
export interface FoundExtreme {
  readonly value: number;
  readonly ties: number;
  readonly positions: Readonly<Record<string, boolean>>;
}

/** All states with one position of the switches that act together. */
export interface StatesOfLink {
  readonly count: number;
  readonly largest: FoundExtreme;
  readonly smallest: FoundExtreme;
  readonly mean: number;
  readonly deviation: number;
  readonly histogram: Histogram;
  readonly envelope: Envelope;
  readonly isCapped: boolean;
}

/** A set of states to be put together with others: added to them, or taken away because it is in two of them. */
export interface CountedStates {
  readonly sign: 1 | -1;
  readonly states: StatesOfLink;
}

const SAME = 1e-9;

/** Puts sets of states together; null where there are none. */
export function mergeStates(parts: readonly CountedStates[]): StatesOfLink | null {
  const added = parts.flatMap(({ sign, states }) => (sign === 1 ? [states] : []));
  const sum = (value: (states: StatesOfLink) => number) =>
    parts.reduce((total, { sign, states }) => total + sign * value(states), 0);
  const count = sum((states) => states.count);
  if (count <= 0) return null;
  const mean = sum((states) => states.count * states.mean) / count;
  const squares = sum(
    (states) => states.count * (states.deviation ** 2 + (states.mean - mean) ** 2),
  );
  return {
    count,
    largest: farthest(parts, ({ largest }) => largest, 1),
    smallest: farthest(parts, ({ smallest }) => smallest, -1),
    mean,
    deviation: Math.sqrt(Math.max(0, squares / count)),
    histogram: addHistograms(parts),
    envelope: {
      lowDb: atEach(added, ({ envelope }) => envelope.lowDb, Math.min),
      highDb: atEach(added, ({ envelope }) => envelope.highDb, Math.max),
    },
    isCapped: added.some(({ isCapped }) => isCapped),
  };
}

function farthest(
  parts: readonly CountedStates[],
  of: (states: StatesOfLink) => FoundExtreme,
  sign: 1 | -1,
): FoundExtreme {
  const added = parts.filter((part) => part.sign === 1).map(({ states }) => of(states));
  const far = added.reduce((a, b) => (sign * (b.value - a.value) > SAME ? b : a));
  const ties = parts.reduce((sum, part) => {
    const one = of(part.states);
    return Math.abs(one.value - far.value) < SAME ? sum + part.sign * one.ties : sum;
  }, 0);
  return { ...far, ties };
}

const atEach = (
  parts: readonly StatesOfLink[],
  of: (states: StatesOfLink) => Float64Array,
  pick: (a: number, b: number) => number,
): Float64Array => parts.map(of).reduce((all, one) => all.map((value, i) => pick(value, one[i]!)));

function addHistograms(parts: readonly CountedStates[]): Histogram {
  const all = parts.map(({ states }) => states.histogram);
  const { binWidth } = all[0]!;
  const from = Math.min(...all.map((one) => one.from));
  const place = (one: Histogram) => Math.round((one.from - from) / binWidth);
  const counts = new Float64Array(Math.max(...all.map((one) => place(one) + one.counts.length)));
  for (const { sign, states } of parts)
    states.histogram.counts.forEach((n, i) => (counts[place(states.histogram) + i]! += sign * n));
  return { from, binWidth, counts };
}
