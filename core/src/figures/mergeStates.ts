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

const SAME = 1e-9;

/** Puts disjoint sets of states together; null where there are none. */
export function mergeStates(parts: readonly StatesOfLink[]): StatesOfLink | null {
  const [first, ...rest] = parts;
  if (!first) return null;
  return rest.reduce(mergeTwo, first);
}

function mergeTwo(a: StatesOfLink, b: StatesOfLink): StatesOfLink {
  const count = a.count + b.count;
  const mean = (a.count * a.mean + b.count * b.mean) / count;
  const squares = (part: StatesOfLink) =>
    part.count * (part.deviation ** 2 + (part.mean - mean) ** 2);
  return {
    count,
    largest: farther(a.largest, b.largest, 1),
    smallest: farther(a.smallest, b.smallest, -1),
    mean,
    deviation: Math.sqrt((squares(a) + squares(b)) / count),
    histogram: addHistograms(a.histogram, b.histogram),
    envelope: {
      lowDb: a.envelope.lowDb.map((db, i) => Math.min(db, b.envelope.lowDb[i]!)),
      highDb: a.envelope.highDb.map((db, i) => Math.max(db, b.envelope.highDb[i]!)),
    },
    isCapped: a.isCapped || b.isCapped,
  };
}

function farther(a: FoundExtreme, b: FoundExtreme, sign: 1 | -1): FoundExtreme {
  const ahead = sign * (a.value - b.value);
  if (Math.abs(ahead) < SAME) return { ...a, ties: a.ties + b.ties };
  return ahead > 0 ? a : b;
}

function addHistograms(a: Histogram, b: Histogram): Histogram {
  const { binWidth } = a;
  const from = Math.min(a.from, b.from);
  const place = (part: Histogram) => Math.round((part.from - from) / binWidth);
  const bins = Math.max(place(a) + a.counts.length, place(b) + b.counts.length);
  const counts = new Float64Array(bins);
  for (const part of [a, b]) part.counts.forEach((n, i) => (counts[place(part) + i]! += n));
  return { from, binWidth, counts };
}
