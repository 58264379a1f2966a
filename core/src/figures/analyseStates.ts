import { DRAW_GRID, gridOf, TREBLE_BAND, TREBLE_GRID, type FrequencyGrid } from '../circuit';
import { wantsPickup } from '../gear';
import {
  buildStateGraph,
  referenceCircuit,
  stateEnvelope,
  stateHistogram,
  stateStatistics,
  TrebleMeter,
  wiperFraction,
  type DriverNode,
  type EdgeValues,
  type Envelope,
  type Histogram,
  type StateGraph,
} from '../path';
import { hasSwitch, type Rig } from '../rig';

/** A state at one end of what switching alone can do. */
export interface ExtremeState {
  /** T against straight-in, dB. */
  readonly trebleDb: number;
  readonly positions: Readonly<Record<string, boolean>>;
  /** How many states are just as far out. */
  readonly ties: number;
}

export interface StatesSounding {
  readonly kind: 'states';
  /** How many switches were counted, and how many states that is; muted ones are left out. */
  readonly switches: number;
  readonly count: number;
  readonly brightest: ExtremeState;
  readonly dullest: ExtremeState;
  readonly meanDb: number;
  readonly deviationDb: number;
  /** Brightest less dullest. */
  readonly spreadDb: number;
  /** The same with every low-impedance fuzz left off, which is meant to change the sound; null where there is none. */
  readonly calmSpreadDb: number | null;
  /** Of T against straight-in; approximate to its bin width. */
  readonly histogram: Histogram;
  /** Over all states, at every `ENVELOPE_EVERY`th point of `DRAW_GRID`. */
  readonly envelope: Envelope;
}

export type StatesAnalysis =
  | StatesSounding
  /** A switch that does not count mutes the board, or the guitar is closed. */
  | { readonly kind: 'nothingHeard' };

export const ENVELOPE_EVERY = 4;
const BIN_DB = 0.5;

const ENVELOPE_HZ = DRAW_GRID.frequencyHz.filter((_, i) => i % ENVELOPE_EVERY === 0);
const TREBLE_POINTS = TREBLE_GRID.frequencyHz.length;
const STATES_GRID: FrequencyGrid = gridOf(
  Float64Array.from([...TREBLE_GRID.frequencyHz, ...ENVELOPE_HZ]),
);

/** The switches that can count: every foot-switch there is. */
export const switchesOf = (rig: Rig): readonly string[] =>
  rig.devices.filter(hasSwitch).map(({ id }) => id);

/**
 * Everything about all combinations of the counted switches at once, exactly and for any number.
 *
 * @param counted device ids; the other switches stand as they are
 */
export function analyseStates(rig: Rig, counted: readonly string[]): StatesAnalysis {
  if (wiperFraction(rig.guitar.volume) <= 0) return { kind: 'nothingHeard' };
  const graph = buildStateGraph(rig, new Set(counted), STATES_GRID);
  const values = trebleValues(graph);
  const statistics = stateStatistics(graph, values);
  if (!statistics) return { kind: 'nothingHeard' };
  const { trebleDb: reference } = new TrebleMeter().measure(referenceCircuit(rig));
  const { count, largest, smallest, mean, deviation } = statistics;
  const extreme = ({ value, nodes, ties }: typeof largest): ExtremeState => ({
    trebleDb: value - reference,
    positions: positionsOf(rig, counted, nodes),
    ties,
  });
  return {
    kind: 'states',
    switches: counted.length,
    count,
    brightest: extreme(largest),
    dullest: extreme(smallest),
    meanDb: mean - reference,
    deviationDb: deviation,
    spreadDb: largest.value - smallest.value,
    calmSpreadDb: calmSpread(rig, counted),
    histogram: stateHistogram(graph, values, -reference, BIN_DB),
    envelope: stateEnvelope(graph, TREBLE_POINTS, STATES_GRID.omega.length),
  };
}

/** T of every section: the mean over 2–8 kHz less the level at 400 Hz. */
function trebleValues({ edges }: StateGraph): EdgeValues {
  return Float64Array.from(edges, ({ levelsDb }) => {
    let sum = 0;
    for (let i = TREBLE_BAND.start; i < TREBLE_BAND.end; i++) sum += levelsDb[i]!;
    return sum / (TREBLE_BAND.end - TREBLE_BAND.start) - levelsDb[0]!;
  });
}

function calmSpread(rig: Rig, counted: readonly string[]): number | null {
  const fuzzes = rig.devices.filter(wantsPickup).map(({ id }) => id);
  if (!fuzzes.some((id) => counted.includes(id))) return null;
  const positions = Object.fromEntries(
    Object.entries(rig.positions).filter(([id]) => !fuzzes.includes(id)),
  );
  const rest = counted.filter((id) => !fuzzes.includes(id));
  const graph = buildStateGraph({ ...rig, positions }, new Set(rest), TREBLE_GRID);
  const statistics = stateStatistics(graph, trebleValues(graph));
  return statistics && statistics.largest.value - statistics.smallest.value;
}

/** Switch positions of a path: counted devices that drive engaged on it are on, the other counted ones off. */
function positionsOf(
  rig: Rig,
  counted: readonly string[],
  nodes: readonly DriverNode[],
): Record<string, boolean> {
  const on = new Set(
    nodes.filter(({ engaged }) => engaged).map(({ device }) => rig.devices[device]?.id),
  );
  return Object.fromEntries(counted.map((id) => [id, on.has(id)]));
}
