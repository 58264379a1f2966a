import { bisect } from '../circuit';
import { TrebleMeter, type DrivenPath, type Route, type Stop } from '../path';
import { FIELD_RULES } from '../gear';

/** What the treble of a length budget is held against: straight-in, or the rig as it is now. */
export type BudgetBaseline = 'straightIn' | 'asItIs';

export type LengthBudget =
  /** T stays within the drop up to this length. */
  | { readonly kind: 'upTo'; readonly lengthM: number }
  /** Even the longest cable that is considered keeps within the drop. */
  | { readonly kind: 'beyond'; readonly lengthM: number }
  /** No length reaches it: something else has taken more already. */
  | { readonly kind: 'outOfReach' }
  /** Nothing comes through, or the cable is not on this way. */
  | { readonly kind: 'muted' };

const STEP_M = 0.5;
/** Far out, lengths as far apart as this share of them. */
const FAR_STEP = 0.1;
const EXACT_M = 0.005;

/**
 * The longest this one cable may be before treble T falls by each drop below a baseline, everything else
 * as it stands. T is not monotonic in length (a bright coil first gains), so the scan goes outwards to
 * the last length that holds before it falls, and bisects there.
 *
 * @param dropsDb each ≥ 0
 */
export function lengthBudgets(
  route: Route,
  path: DrivenPath,
  cableId: string,
  dropsDb: readonly number[],
  baseline: BudgetBaseline,
  meter = new TrebleMeter(),
): readonly LengthBudget[] {
  const cable = cableOn(path, cableId, meter);
  if (!cable) return dropsDb.map(() => ({ kind: 'muted' }));
  const straightIn = meter.measure(route.reference).trebleDb;
  const base = baseline === 'straightIn' ? straightIn : cable.trebleAt(cable.lengthM);
  const scan = scanLengths().map((lengthM) => ({ lengthM, trebleDb: cable.trebleAt(lengthM) }));
  return dropsDb.map((dropDb) => budgetIn(scan, base - dropDb, cable.trebleAt));
}

type Scan = readonly { readonly lengthM: number; readonly trebleDb: number }[];

function budgetIn(scan: Scan, floor: number, trebleAt: CableOnPath['trebleAt']): LengthBudget {
  const holds = ({ trebleDb }: Scan[number]) => trebleDb >= floor;
  const first = scan.findIndex(holds);
  if (first < 0) return { kind: 'outOfReach' };
  const falls = scan.findIndex((point, i) => i > first && !holds(point));
  if (falls < 0) return { kind: 'beyond', lengthM: FIELD_RULES.cable.lengthM.max };
  const [from, to] = [scan[falls - 1]!.lengthM, scan[falls]!.lengthM];
  const lengthM = bisect((length) => trebleAt(length) >= floor, from, to, EXACT_M);
  return { kind: 'upTo', lengthM };
}

function scanLengths(): readonly number[] {
  const { max } = FIELD_RULES.cable.lengthM;
  const lengths = [0];
  for (let at = STEP_M; at < max; at += Math.max(STEP_M, at * FAR_STEP)) lengths.push(at);
  return [...lengths, max];
}

interface CableOnPath {
  readonly lengthM: number;
  /** T of the whole way, absolute, by the conductor length of this cable. */
  readonly trebleAt: (lengthM: number) => number;
}

/** Only the cable's own section is solved again for another length. */
function cableOn(path: DrivenPath, cableId: string, meter: TrebleMeter): CableOnPath | null {
  const { sections, stops, interrupted } = path;
  const isCable = ({ spot }: Stop) => spot.kind === 'cable' && spot.id === cableId;
  const own = sections.find(({ connections }) =>
    connections.some((connection) => isCable(stops[connection]!)),
  );
  if (interrupted || !own) return null;
  const stop = stops[own.connections.find((connection) => isCable(stops[connection]!))!]!;
  const rest = sections
    .filter((section) => section !== own)
    .reduce((sum, { circuit }) => sum + meter.measure(circuit).trebleDb, 0);
  const trebleAt = (lengthM: number) => {
    const circuitPath = own.connections.flatMap((connection) => {
      const { elements } = stops[connection]!;
      if (stops[connection] !== stop) return elements;
      return elements.map((e) => (e.kind === 'cable' ? { ...e, lengthM } : e));
    });
    return rest + meter.measure({ ...own.circuit, path: circuitPath }).trebleDb;
  };
  return { lengthM: stop.cableM, trebleAt };
}
