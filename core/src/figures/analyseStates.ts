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
import { mergeStates, type CountedStates, type StatesOfLink } from './mergeStates';

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
  /** Groups of linked switches that were left standing as they are, there being too many. */
  readonly linksLeft: number;
}

export type StatesAnalysis =
  | StatesSounding
  /** A switch that does not count mutes the board, a cable is missing, or the source gives nothing. */
  | { readonly kind: 'nothingHeard' };

export const ENVELOPE_EVERY = 4;
const BIN_DB = 0.5;
/** Ways through the groups of switches that act together that are looked at, at most. */
const MOST_LINKED = 256;

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
  look(routeOf(rig, rowId, { counted: new Set(all) }).steps);
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
    isCapped: found.states.some(({ states: { isCapped } }) => isCapped),
    linksLeft: found.linksLeft,
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
  readonly linksLeft: number;
  readonly states: readonly CountedStates[];
}

/** Every position of switches that act together is looked at by itself; the rest at once. */
function statesOf(question: Question, counted: readonly string[]): Found {
  const { rig, rowId, grid } = question;
  const all = linkedGroups(question, counted);
  const groups = whileFew(all);
  const left = new Set(all.slice(groups.length).flatMap(({ switches }) => switches));
  const linked = new Set(groups.flatMap(({ switches }) => switches));
  const free = new Set(counted.filter((id) => !linked.has(id) && !left.has(id)));
  const states: CountedStates[] = [];
  for (const { sign, positions, avoided } of standings(groups)) {
    const state = { ...rig.state, positions: { ...rig.state.positions, ...positions } };
    const route = routeOf({ ...rig, state }, rowId, { counted: free, avoided });
    const graph = buildStateGraph(route, grid);
    const one = readStates(question, graph, positions, route.isCapped);
    if (one) states.push({ sign, states: one });
  }
  return { switches: free.size + groups.length, linksLeft: all.length - groups.length, states };
}

/** Switches that act together. */
interface LinkedGroup {
  readonly switches: readonly string[];
  /** Every state comes by one of them, whatever loops are open. */
  readonly isAlwaysMet: boolean;
}

function linkedGroups(
  { rig, rowId }: Question,
  counted: readonly string[],
): readonly LinkedGroup[] {
  const { steps } = routeOf(rig, rowId, { counted: new Set(counted) });
  const top = new Set(steps.flatMap((step) => (step.kind === 'choice' ? [step.switchId] : [])));
  return rig.electrical.links
    .map((link) => link.filter((id) => counted.includes(id)))
    .filter((link) => link.length > 1)
    .map((switches) => ({ switches, isAlwaysMet: switches.some((id) => top.has(id)) }));
}

/** As many groups as can be looked at. */
function whileFew(groups: readonly LinkedGroup[]): readonly LinkedGroup[] {
  let ways = 1;
  const firstLeft = groups.findIndex(
    ({ isAlwaysMet }) => (ways *= isAlwaysMet ? 2 : 3) > MOST_LINKED,
  );
  return firstLeft < 0 ? groups : groups.slice(0, firstLeft);
}

/** One way in which the groups stand: states to be added to the others or taken away from them. */
interface Standing {
  readonly sign: 1 | -1;
  readonly positions: Readonly<Record<string, boolean>>;
  readonly avoided: ReadonlySet<string>;
}

/**
 * Every group off and on. A state that comes by none of a group's switches would be in both: such states are
 * taken away once.
 */
const standings = (groups: readonly LinkedGroup[]): readonly Standing[] =>
  groups.reduce<readonly Standing[]>(
    (before, { switches, isAlwaysMet }) =>
      before.flatMap(({ sign, positions, avoided }) => {
        const standing = (on: boolean): Standing => ({
          sign,
          avoided,
          positions: { ...positions, ...Object.fromEntries(switches.map((id) => [id, on])) },
        });
        const twice: Standing = {
          sign: sign === 1 ? -1 : 1,
          positions,
          avoided: new Set([...avoided, ...switches]),
        };
        return [standing(false), standing(true), ...(isAlwaysMet ? [] : [twice])];
      }),
    [{ sign: 1, positions: {}, avoided: new Set() }],
  );

function readStates(
  { reference, grid }: Question,
  graph: StateGraph,
  linked: Readonly<Record<string, boolean>>,
  isCapped: boolean,
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
    isCapped: isCapped || graph.isCapped,
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
