import { TrebleMeter, type DrivenPath, type Route, type Stop } from '../path';
import { FIELD_RULES } from '../rig';

/** What the treble of a length budget is held against: straight-in, or the rig as it is now. */
export type BudgetBaseline = 'straightIn' | 'asItIs';

export type LengthBudget =
  /** T stays within the drop up to this length. */
  | { readonly kind: 'upTo'; readonly lengthM: number }
  /** Even the longest lead that is considered keeps within the drop. */
  | { readonly kind: 'beyond'; readonly lengthM: number }
  /** No length reaches it: something else has taken more already. */
  | { readonly kind: 'outOfReach' }
  /** Nothing comes through, or the lead is not on this way. */
  | { readonly kind: 'muted' };

const STEP_M = 0.5;
/** Far out, lengths as far apart as this share of them. */
const FAR_STEP = 0.1;
const EXACT_M = 0.005;

/**
 * The longest this one lead may be before treble T falls by each drop below a baseline, everything else
 * as it stands. T is not monotonic in length (a bright coil first gains), so the scan goes outwards to
 * the last length that holds before it falls, and bisects there.
 *
 * @param dropsDb each ≥ 0
 */
export function lengthBudgets(
  route: Route,
  path: DrivenPath,
  leadId: string,
  dropsDb: readonly number[],
  baseline: BudgetBaseline,
  meter = new TrebleMeter(),
): readonly LengthBudget[] {
  const lead = leadOn(path, leadId, meter);
  if (!lead) return dropsDb.map(() => ({ kind: 'muted' }));
  const straightIn = meter.measure(route.reference).trebleDb;
  const base = baseline === 'straightIn' ? straightIn : lead.trebleAt(lead.lengthM);
  const scan = scanLengths().map((lengthM) => ({ lengthM, trebleDb: lead.trebleAt(lengthM) }));
  return dropsDb.map((dropDb) => budgetIn(scan, base - dropDb, lead.trebleAt));
}

type Scan = readonly { readonly lengthM: number; readonly trebleDb: number }[];

function budgetIn(scan: Scan, floor: number, trebleAt: LeadOnPath['trebleAt']): LengthBudget {
  const holds = ({ trebleDb }: Scan[number]) => trebleDb >= floor;
  const first = scan.findIndex(holds);
  if (first < 0) return { kind: 'outOfReach' };
  const falls = scan.findIndex((point, i) => i > first && !holds(point));
  if (falls < 0) return { kind: 'beyond', lengthM: FIELD_RULES.lead.lengthM.max };
  const [from, to] = [scan[falls - 1]!.lengthM, scan[falls]!.lengthM];
  return { kind: 'upTo', lengthM: bisect(trebleAt, floor, from, to) };
}

function scanLengths(): readonly number[] {
  const { max } = FIELD_RULES.lead.lengthM;
  const lengths = [0];
  for (let at = STEP_M; at < max; at += Math.max(STEP_M, at * FAR_STEP)) lengths.push(at);
  return [...lengths, max];
}

interface LeadOnPath {
  readonly lengthM: number;
  /** T of the whole way, absolute, by the conductor length of this lead. */
  readonly trebleAt: (lengthM: number) => number;
}

/** Only the lead's own section is solved again for another length. */
function leadOn(path: DrivenPath, leadId: string, meter: TrebleMeter): LeadOnPath | null {
  const { sections, stops, interrupted } = path;
  const isLead = ({ place }: Stop) => place.kind === 'lead' && place.id === leadId;
  const own = sections.find(({ hops }) => hops.some((hop) => isLead(stops[hop]!)));
  if (interrupted || !own) return null;
  const stop = stops[own.hops.find((hop) => isLead(stops[hop]!))!]!;
  const rest = sections
    .filter((section) => section !== own)
    .reduce((sum, { circuit }) => sum + meter.measure(circuit).trebleDb, 0);
  const trebleAt = (lengthM: number) => {
    const circuitPath = own.hops.flatMap((hop) => {
      const { elements } = stops[hop]!;
      if (stops[hop] !== stop) return elements;
      return elements.map((e) => (e.kind === 'lead' ? { ...e, lengthM } : e));
    });
    return rest + meter.measure({ ...own.circuit, path: circuitPath }).trebleDb;
  };
  return { lengthM: stop.leadM, trebleAt };
}

function bisect(
  trebleAt: (lengthM: number) => number,
  floor: number,
  holds: number,
  falls: number,
): number {
  while (falls - holds > EXACT_M) {
    const middle = (holds + falls) / 2;
    if (trebleAt(middle) >= floor) holds = middle;
    else falls = middle;
  }
  return holds;
}
