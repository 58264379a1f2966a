import {
  drivePath,
  hopElements,
  leadElement,
  referenceCircuit,
  TrebleMeter,
  type Hop,
} from '../path';
import { FIELD_RULES, type Rig } from '../rig';

/** What the treble of a length budget is held against: straight-in, or the rig as it is now. */
export type BudgetBaseline = 'straightIn' | 'asItIs';

export type LengthBudget =
  /** T stays within the drop up to this length. */
  | { readonly kind: 'upTo'; readonly lengthM: number }
  /** Even the longest lead that is considered keeps within the drop. */
  | { readonly kind: 'beyond'; readonly lengthM: number }
  /** No length reaches it: something else has taken more already. */
  | { readonly kind: 'outOfReach' }
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
  rig: Rig,
  leadIndex: number,
  dropDb: number,
  baseline: BudgetBaseline,
  meter = new TrebleMeter(),
): LengthBudget {
  const trebleAt = trebleByLength(rig, leadIndex, meter);
  if (!trebleAt) return { kind: 'muted' };
  const asItIs = trebleAt(rig.leads[leadIndex]!.lengthM.value);
  const straightIn = meter.measure(referenceCircuit(rig)).trebleDb;
  const floor = (baseline === 'straightIn' ? straightIn : asItIs) - dropDb;
  const { max } = FIELD_RULES.lead.lengthM;
  let held: number | null = null;
  for (let lengthM = 0; lengthM <= max; lengthM += STEP_M) {
    if (trebleAt(lengthM) >= floor) held = lengthM;
    else if (held !== null)
      return { kind: 'upTo', lengthM: bisect(trebleAt, floor, held, lengthM) };
  }
  return held === null ? { kind: 'outOfReach' } : { kind: 'beyond', lengthM: max };
}

/** T of the whole rig, absolute, by the length of one lead; only the lead's own section is solved again. */
function trebleByLength(
  rig: Rig,
  leadIndex: number,
  meter: TrebleMeter,
): ((lengthM: number) => number) | null {
  const { sections, mutedBy } = drivePath(rig);
  const isLead = ({ kind, index }: Hop) => kind === 'lead' && index === leadIndex;
  const own = sections.find(({ hops }) => hops.some(isLead));
  if (mutedBy !== null || !own) return null;
  const elements = own.hops.map((hop) => hopElements(rig, hop));
  const place = own.hops.findIndex(isLead);
  const lead = leadElement(rig.leads[leadIndex]!);
  const rest = sections
    .filter((section) => section !== own)
    .reduce((sum, { circuit }) => sum + meter.measure(circuit).trebleDb, 0);
  return (lengthM) => {
    const path = elements.with(place, [{ ...lead, lengthM }]).flat();
    return rest + meter.measure({ ...own.circuit, path }).trebleDb;
  };
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
