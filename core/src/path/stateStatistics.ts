import type { SectionEdge, StateGraph } from './allStates';

/// What can be said exactly about all states of a board at once: longest and shortest paths, counts,
/// sums and sums of squares over a graph without circles, node by node.

/** One value per edge of a graph: something that is linear in dB, such as treble. */
export type EdgeValues = Float64Array;

export interface Extreme {
  readonly value: number;
  /** Sections of one path that reaches it, source to end. */
  readonly sections: readonly SectionEdge[];
  /** How many states reach it. */
  readonly ties: number;
}

export interface Histogram {
  /** Lower edge of the first bin. */
  readonly from: number;
  readonly binWidth: number;
  readonly counts: Float64Array;
}

export interface StateStatistics {
  /** How many states there are. */
  readonly count: number;
  readonly largest: Extreme;
  readonly smallest: Extreme;
  readonly mean: number;
  /** Population standard deviation. */
  readonly deviation: number;
}

/** Values this close count as the same extreme. */
const SAME = 1e-9;

/** Null where no path leads from source to end: every state is muted. */
export function stateStatistics(graph: StateGraph, values: EdgeValues): StateStatistics | null {
  const count = new Float64Array(graph.nodes);
  const sum = new Float64Array(graph.nodes);
  const squares = new Float64Array(graph.nodes);
  count[0] = 1;
  graph.edges.forEach(({ from, to }, e) => {
    const value = values[e]!;
    count[to]! += count[from]!;
    sum[to]! += sum[from]! + count[from]! * value;
    squares[to]! += squares[from]! + 2 * value * sum[from]! + count[from]! * value * value;
  });
  const destination = graph.nodes - 1;
  if (count[destination] === 0) return null;
  const mean = sum[destination]! / count[destination]!;
  return {
    count: count[destination]!,
    largest: findExtreme(graph, values, 1),
    smallest: findExtreme(graph, values, -1),
    mean,
    deviation: Math.sqrt(Math.max(0, squares[destination]! / count[destination]! - mean * mean)),
  };
}

/** The longest (sign 1) or shortest (sign −1) path, by dynamic programming. */
function findExtreme({ nodes, edges }: StateGraph, values: EdgeValues, sign: 1 | -1): Extreme {
  const best = new Float64Array(nodes).fill(-Infinity);
  const ties = new Float64Array(nodes);
  const cameBy = new Int32Array(nodes).fill(-1);
  best[0] = 0;
  ties[0] = 1;
  edges.forEach(({ from, to }, e) => {
    const reached = best[from]! + sign * values[e]!;
    if (reached > best[to]! + SAME) {
      best[to] = reached;
      ties[to] = ties[from]!;
      cameBy[to] = e;
    } else if (reached > best[to]! - SAME) ties[to]! += ties[from]!;
  });
  const destination = nodes - 1;
  const sections: SectionEdge[] = [];
  for (let at = destination; at > 0; at = sections[0]!.from) sections.unshift(edges[cameBy[at]!]!);
  return { value: sign * best[destination]!, sections, ties: ties[destination]! };
}

/** Sections are rounded to this before they are added, dB. */
const FINE_BIN = 0.02;

/**
 * How many states lie where. Approximate: each section's value is rounded to 0.02, so a state of k
 * sections can stand up to k hundredths beside its place.
 *
 * @param offset is added to every state's value; @param binWidth a multiple of 0.02
 */
export function stateHistogram(
  graph: StateGraph,
  values: EdgeValues,
  offset: number,
  binWidth: number,
): Histogram {
  const counts = Array.from({ length: graph.nodes }, () => new Map<number, number>());
  counts[0]!.set(0, 1);
  graph.edges.forEach(({ from, to }, e) => {
    const shift = Math.round(values[e]! / FINE_BIN);
    for (const [bin, n] of counts[from]!)
      counts[to]!.set(bin + shift, (counts[to]!.get(bin + shift) ?? 0) + n);
  });
  const coarse = new Map<number, number>();
  for (const [bin, n] of counts.at(-1)!) {
    const spot = Math.floor((bin * FINE_BIN + offset) / binWidth + 1e-9);
    coarse.set(spot, (coarse.get(spot) ?? 0) + n);
  }
  const places = [...coarse.keys()];
  const first = Math.min(...places);
  const result = new Float64Array(Math.max(...places) - first + 1);
  for (const [spot, n] of coarse) result[spot - first] = n;
  return { from: first * binWidth, binWidth, counts: result };
}

/** The lowest and highest level that any state has, frequency by frequency: an envelope, not a state. */
export interface Envelope {
  readonly lowDb: Float64Array;
  readonly highDb: Float64Array;
}

/** @param start @param end the points of the graph's grid to look at */
export function stateEnvelope({ nodes, edges }: StateGraph, start: number, end: number): Envelope {
  const points = end - start;
  const rows = (fill: number) =>
    Array.from({ length: nodes }, () => new Float64Array(points).fill(fill));
  const low = rows(Infinity);
  const high = rows(-Infinity);
  low[0]!.fill(0);
  high[0]!.fill(0);
  for (const { from, to, levelsDb } of edges) {
    const [lowFrom, lowTo, highFrom, highTo] = [low[from]!, low[to]!, high[from]!, high[to]!];
    for (let i = 0; i < points; i++) {
      const level = levelsDb[start + i]!;
      lowTo[i] = Math.min(lowTo[i]!, lowFrom[i]! + level);
      highTo[i] = Math.max(highTo[i]!, highFrom[i]! + level);
    }
  }
  return { lowDb: low.at(-1)!, highDb: high.at(-1)! };
}
