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
const EXACT_M = 0.005;

/**
 * The longest this one lead may be before treble T falls `dropDb` below a baseline, everything else as it
 * stands. T is not monotonic in length (a bright coil first gains), so the scan goes outwards to the
 * last length that holds before it falls, and bisects there.
 *
 * @param dropDb ≥ 0
 */
export function lengthBudget(
  route: Route,
  path: DrivenPath,
  leadId: string,
  dropDb: number,
  baseline: BudgetBaseline,
  meter = new TrebleMeter(),
): LengthBudget {
  const lead = leadOn(path, leadId, meter);
  if (!lead) return { kind: 'muted' };
  const { trebleAt, lengthM: nowM } = lead;
  const straightIn = meter.measure(route.reference).trebleDb;
  const floor = (baseline === 'straightIn' ? straightIn : trebleAt(nowM)) - dropDb;
  const { max } = FIELD_RULES.lead.lengthM;
  let held: number | null = null;
  for (let lengthM = 0; lengthM <= max; lengthM += STEP_M) {
    if (trebleAt(lengthM) >= floor) held = lengthM;
    else if (held !== null)
      return { kind: 'upTo', lengthM: bisect(trebleAt, floor, held, lengthM) };
  }
  return held === null ? { kind: 'outOfReach' } : { kind: 'beyond', lengthM: max };
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
