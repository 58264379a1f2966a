import { DRAW_GRID, gridOf, TREBLE_BAND, TREBLE_GRID, type FrequencyGrid } from '../circuit';
import { wantsPickup } from '../gear';
import {
  buildStateGraph,
  routeOf,
  stateEnvelope,
  stateHistogram,
  stateStatistics,
  switchesAlong,
  TrebleMeter,
  type EdgeValues,
  type Envelope,
  type Histogram,
  type RouteStep,
  type StateGraph,
  type StateStatistics,
} from '../path';
import { allDevices, switchesOfDevice, type Chain } from '../rig';
import { isSilent } from './analyseRig';
import { mergeStates, type StatesOfLink } from './mergeStates';

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
  /** How many switches were counted, switches that act together as one. */
  readonly switches: number;
  /** How many sounds they make; muted ones, and pedals in open loops, are left out. */
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
  /** Too many passive alternatives to tell apart: some loops were counted as open only. */
  readonly isCapped: boolean;
}

export type StatesAnalysis =
  | StatesSounding
  /** A switch that does not count mutes the board, a cable is missing, or the source gives nothing. */
  | { readonly kind: 'nothingHeard' };

export const ENVELOPE_EVERY = 4;
const BIN_DB = 0.5;
/** Groups of switches that act together, at most: each one doubles the work. */
const MOST_LINKS = 6;

const ENVELOPE_HZ = DRAW_GRID.frequencyHz.filter((_, i) => i % ENVELOPE_EVERY === 0);
const TREBLE_POINTS = TREBLE_GRID.frequencyHz.length;
const STATES_GRID: FrequencyGrid = gridOf(
  Float64Array.from([...TREBLE_GRID.frequencyHz, ...ENVELOPE_HZ]),
);

/** Every foot-switch and every loop of a switcher. */
export const switchesOf = (rig: Chain): readonly string[] =>
  allDevices(rig).flatMap(switchesOfDevice);

/** The switches that matter on one way: those that can change what a signal meets on it. */
export function switchesOn(rig: Chain, rowId?: string): readonly string[] {
  const all = switchesOf(rig);
  const found = new Set<string>();
  const look = (steps: readonly RouteStep[]): void => {
    for (const step of steps) {
      if (step.kind !== 'choice') continue;
      found.add(step.switchId);
      look(step.off);
      look(step.on);
    }
  };
  look(routeOf(rig, rowId, new Set(all)).steps);
  return all.filter((id) => found.has(id));
}

/**
 * Everything about all combinations of the counted switches at once, exactly and for any number.
 *
 * @param counted switch ids; the others stand as they are
 * @param rowId of the row that arrives at the end; the main one unless named
 */
export function analyseStates(
  rig: Chain,
  counted: readonly string[],
  rowId?: string,
): StatesAnalysis {
  const route = routeOf(rig, rowId);
  if (isSilent(route)) return { kind: 'nothingHeard' };
  const { trebleDb: reference } = new TrebleMeter().measure(route.reference);
  const found = statesOf({ rig, rowId, grid: STATES_GRID, reference }, counted);
  const merged = mergeStates(found.states);
  if (!merged) return { kind: 'nothingHeard' };
  const { count, largest, smallest, mean, deviation, histogram, envelope } = merged;
  const extreme = ({ value, positions, ties }: typeof largest): ExtremeState => ({
    trebleDb: value - reference,
    positions,
    ties,
  });
  return {
    kind: 'states',
    switches: found.switches,
    count,
    brightest: extreme(largest),
    dullest: extreme(smallest),
    meanDb: mean - reference,
    deviationDb: deviation,
    spreadDb: largest.value - smallest.value,
    calmSpreadDb: calmSpread(rig, counted, rowId),
    histogram,
    envelope,
    isCapped: found.states.some(({ isCapped }) => isCapped),
  };
}

/** Which way is looked at, on which frequencies, and T of straight-in there. */
interface Question {
  readonly rig: Chain;
  readonly rowId: string | undefined;
  readonly grid: FrequencyGrid;
  readonly reference: number;
}

interface Found {
  readonly switches: number;
  readonly states: readonly StatesOfLink[];
}

/** Every position of switches that act together is looked at by itself; the rest at once. */
function statesOf(question: Question, counted: readonly string[]): Found {
  const { rig, rowId, grid } = question;
  const links = rig.electrical.links
    .map((link) => link.filter((id) => counted.includes(id)))
    .filter((link) => link.length > 1)
    .slice(0, MOST_LINKS);
  const linked = new Set(links.flat());
  const free = new Set(counted.filter((id) => !linked.has(id)));
  const states: StatesOfLink[] = [];
  for (let bits = 0; bits < 2 ** links.length; bits++) {
    const linkedPositions = Object.fromEntries(
      links.flatMap((link, k) => link.map((id) => [id, ((bits >> k) & 1) === 1])),
    );
    const positions = { ...rig.state.positions, ...linkedPositions };
    const state = { ...rig.state, positions };
    const route = routeOf({ ...rig, state }, rowId, free);
    const one = readStates(question, buildStateGraph(route, grid), linkedPositions);
    if (one) states.push(one);
  }
  return { switches: free.size + links.length, states };
}

function readStates(
  { reference, grid }: Question,
  graph: StateGraph,
  linked: Readonly<Record<string, boolean>>,
): StatesOfLink | null {
  const values = trebleValues(graph);
  const statistics = stateStatistics(graph, values);
  if (!statistics) return null;
  const extreme = ({ value, ties, sections }: StateStatistics['largest']) => ({
    value,
    ties,
    positions: { ...linked, ...switchesAlong(sections) },
  });
  return {
    ...statistics,
    largest: extreme(statistics.largest),
    smallest: extreme(statistics.smallest),
    histogram: stateHistogram(graph, values, -reference, BIN_DB),
    envelope: stateEnvelope(graph, TREBLE_POINTS, grid.omega.length),
    isCapped: graph.isCapped,
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

function calmSpread(rig: Chain, counted: readonly string[], rowId?: string): number | null {
  const fuzzes = allDevices(rig)
    .filter(wantsPickup)
    .map(({ id }) => id);
  if (!fuzzes.some((id) => counted.includes(id))) return null;
  const positions = Object.fromEntries(
    Object.entries(rig.state.positions).filter(([id]) => !fuzzes.includes(id)),
  );
  const rest = counted.filter((id) => !fuzzes.includes(id));
  const calm = { ...rig, state: { ...rig.state, positions } };
  const merged = mergeStates(
    statesOf({ rig: calm, rowId, grid: TREBLE_GRID, reference: 0 }, rest).states,
  );
  return merged && merged.largest.value - merged.smallest.value;
}
