import type { Load, PathElement, Section, Source } from '../circuit';
import { mainRow, type Chain, type Row, type SwitchState } from '../rig';
import { rowSteps } from './deviceSteps';
import {
  destinationOfRow,
  lineOf,
  lineSteps,
  loadAtEnd,
  nothingAt,
  nothingFrom,
  originOf,
} from './line';
import { spotOf, type Spot, type SettledStep, type Step } from './step';

/** The steps of a route that switches still choose between: what goes to side jacks is counted as load. */
export type RouteStep = SettledStep | RouteChoice;

export interface RouteChoice {
  readonly kind: 'choice';
  readonly switchId: string;
  readonly off: readonly RouteStep[];
  readonly on: readonly RouteStep[];
}

/** One way a signal takes: from a guitar or an amp's send to one end. */
export interface Route {
  /** Of the row that arrives at the end. */
  readonly rowId: string;
  readonly kind: 'front' | 'side' | 'ampLoop';
  readonly source: { readonly spot: Spot; readonly circuit: Source };
  readonly steps: readonly RouteStep[];
  readonly destination: { readonly spot: Spot; readonly load: Load };
  /** The same source straight to this end. */
  readonly reference: Section;
  /** A side way has more passive alternatives than are told apart: some of its loops are counted as open only. */
  readonly isCapped: boolean;
}

/** Which switches of a route stay open, and which ways are left out. */
export interface Counting {
  /** Switch ids that stay open as choices; every other one stands as it does in the rig. */
  readonly counted: ReadonlySet<string>;
  /** Switch ids past which nothing is followed. */
  readonly avoided?: ReadonlySet<string>;
}

/** Choices of a side way that are told apart; beyond, its loops are counted as open only. */
const MOST_LOADS = 256;

/** Every row that a signal can be followed along to an end that judges it: amps, DIs, mixers, amp loops. */
export function routeRows(rig: Chain): readonly Row[] {
  return rig.electrical.rows.filter(({ at }) => {
    if (at.kind === 'main' || at.kind === 'ampLoop') return true;
    if (at.kind !== 'side' || at.to.kind !== 'destination') return false;
    const goal = at.to.destination;
    return rig.electrical.destinations.some(({ id, kind }) => id === goal && kind !== 'tuner');
  });
}

/**
 * The route that arrives by a row.
 *
 * @throws Error where the row arrives at no destination of its own
 */
export function routeOf(
  rig: Chain,
  rowId: string = mainRow(rig).id,
  counting: Counting = { counted: new Set() },
): Route {
  const row = rig.electrical.rows.find(({ id }) => id === rowId);
  if (!row) throw new Error(`row ${rowId} is not in the rig`);
  const settle: Settle = {
    switches: (steps) => settleSwitches(steps, rig.state.positions, counting),
    isCapped: false,
  };
  const kind = kindOf(row);
  const { spot, circuit, straight } = originOf(rig, row);
  const load = loadAtEnd(rig, row);
  return {
    rowId,
    kind,
    source: { spot, circuit },
    steps: withSides(rig, sideSteps(rig, row, settle), settle) as readonly RouteStep[],
    destination: { spot: spotOf('destination', destinationOfRow(rig, row)), load },
    reference: { source: circuit, path: straight, load },
    isCapped: settle.isCapped,
  };
}

function kindOf({ id, at }: Row): Route['kind'] {
  if (at.kind === 'main') return 'front';
  if (at.kind === 'ampLoop') return at.kind;
  if (at.kind === 'side' && at.to.kind === 'destination') return at.kind;
  throw new Error(`row ${id} arrives at no destination of its own`);
}

/** How the switches of a route are put where they stand, and whether alternatives had to be left out. */
interface Settle {
  readonly switches: (steps: readonly Step[]) => readonly Step[];
  isCapped: boolean;
}

/** Along the way to the side jack, then out of it; what lies after on the other way is a load. */
function sideSteps(rig: Chain, row: Row, settle: Settle): readonly Step[] {
  if (row.at.kind !== 'side') return settle.switches(lineSteps(rig, row));
  const { device } = row.at;
  const line = lineOf(rig, device);
  const trunk = withSides(rig, sideSteps(rig, line, settle), settle, device);
  const out = settle.switches(rowSteps(rig, row));
  const found = followSide(trunk, device, { load: loadAtEnd(rig, line), out, settle });
  // Where the line itself is silent from its beginning, so is this.
  return found ?? (trunk[0]?.kind === 'mute' ? trunk : [nothingAt(rig, device)]);
}

/** Puts every switch that does not count where it stands. */
function settleSwitches(
  steps: readonly Step[],
  positions: SwitchState['positions'],
  counting: Counting,
): readonly Step[] {
  return replaceSteps(steps, (step) => {
    if (step.kind !== 'choice') return step;
    const { switchId } = step;
    if (counting.avoided?.has(switchId))
      return nothingFrom(spotOf('device', switchId.split('.')[0]!), 'avoided');
    const off = settleSwitches(step.off, positions, counting);
    const on = settleSwitches(step.on, positions, counting);
    if (counting.counted.has(switchId)) return withWays(step, off, on);
    return positions[switchId] === true ? on : off;
  });
}

type Choice = Extract<Step, { kind: 'choice' }>;

/** The same choice, by identity, where both its ways are what they were. */
const withWays = (step: Choice, off: readonly Step[], on: readonly Step[]): Choice =>
  off === step.off && on === step.on ? step : { ...step, off, on };

/** Each step by itself or by others; the same steps, by identity, where all of them stay. */
function replaceSteps(
  steps: readonly Step[],
  replace: (step: Step) => Step | readonly Step[],
): readonly Step[] {
  let isSame = true;
  const replaced: Step[] = [];
  for (const step of steps) {
    const by = replace(step);
    if (by !== step) isSame = false;
    if ('kind' in by) replaced.push(by);
    else replaced.push(...by);
  }
  return isSame ? steps : replaced;
}

/**
 * The way out of a device's side jack: what arrives at it, the other way as a load where the jack is on the
 * line itself, then `out`. Switches that close the way to it silence it. Null where it is not on this way.
 */
function followSide(
  steps: readonly Step[],
  deviceId: string,
  way: SideWay,
): readonly Step[] | null {
  for (const [i, step] of steps.entries()) {
    const [before, rest] = [steps.slice(0, i), steps.slice(i + 1)];
    if (step.kind === 'side' && step.device === deviceId) {
      const other = step.isDriven ? [] : wayAsLoad(rest, way.load, deviceId, way.settle);
      return [...before, ...other, ...way.out];
    }
    if (step.kind !== 'choice' || !contains(step, deviceId)) continue;
    const off = followSide([...step.off, ...rest], deviceId, way);
    const on = followSide([...step.on, ...rest], deviceId, way);
    if (!off && !on) continue;
    const silent = [nothingFrom(spotOf('device', deviceId), 'openLoop')];
    return [...before, { ...step, off: off ?? silent, on: on ?? silent }];
  }
  return null;
}

/** Out of a side jack, and what the line that it leaves ends in. */
interface SideWay {
  readonly load: Load;
  readonly out: readonly Step[];
  readonly settle: Settle;
}

const contains = (step: Step, deviceId: string): boolean =>
  step.kind === 'choice'
    ? [...step.off, ...step.on].some((inner) => contains(inner, deviceId))
    : step.kind === 'side' && step.device === deviceId;

/**
 * A way as a load on the line it leaves: up to the first input on it. Where switches choose between such
 * loads, so does the result.
 */
function wayAsLoad(
  steps: readonly Step[],
  load: Load,
  deviceId: string,
  settle: Settle,
): readonly Step[] {
  let choices = MOST_LOADS;
  const spot = spotOf('device', deviceId, 'key');
  const hung = (path: readonly PathElement[], destination: Load): readonly Step[] => [
    { kind: 'wire', spot, elements: [{ kind: 'branch', path, load: destination }], cableM: 0 },
  ];
  const walk = (rest: readonly Step[], path: readonly PathElement[]): readonly Step[] => {
    const [step, ...after] = rest;
    if (!step) return hung(path, load);
    switch (step.kind) {
      case 'wire':
        return walk(after, [...path, ...step.elements]);
      case 'mute':
        // A way that is not counted is none, also not as a load.
        return step.why === 'avoided' ? [step] : hung(path, step.load);
      case 'driver':
        return hung(path, step.load);
      case 'gap':
        return hung(path, { rOhm: Infinity, cF: 0, grid: null });
      case 'side':
        throw new Error(`the side jack of ${step.device} is not settled`);
      case 'choice': {
        const off = walk([...step.off, ...after], path);
        if (--choices <= 0) {
          settle.isCapped = true;
          return off;
        }
        return [{ ...step, off, on: walk([...step.on, ...after], path) }];
      }
    }
  };
  return walk(steps, []);
}

/** Side jacks as what they hang on the line: their cable and the input at the end of it. */
function withSides(
  rig: Chain,
  steps: readonly Step[],
  settle: Settle,
  except: string | null = null,
): readonly Step[] {
  return replaceSteps(steps, (step) => {
    if (step.kind === 'choice') {
      const off = withSides(rig, step.off, settle, except);
      return withWays(step, off, withSides(rig, step.on, settle, except));
    }
    if (step.kind !== 'side' || step.device === except) return step;
    return step.isDriven ? [] : sideLoad(rig, step.device, settle);
  });
}

function sideLoad(rig: Chain, deviceId: string, settle: Settle): readonly Step[] {
  const row = rig.electrical.rows.find(({ at }) => at.kind === 'side' && at.device === deviceId);
  if (!row) return [];
  const load = loadAtEnd(rig, row);
  const steps = withSides(rig, settle.switches(rowSteps(rig, row)), settle);
  return wayAsLoad(steps, load, deviceId, settle);
}
