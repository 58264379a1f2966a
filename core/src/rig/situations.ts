import { isSameSourced, type Lead } from '../gear';
import { addTo, group } from './composeBranch';
import type { Edit } from './edit';
import { allLeads, findLead, freshId, type Rig, type Situation } from './rig';

/// Home, rehearsal, the big stage: the same rig with other leads.

/** Patches are the same everywhere; what is longer goes from the board to somewhere, m. */
const LONGEST_PATCH_M = 1;

export const isPatch = ({ lengthM }: Lead): boolean => lengthM.value <= LONGEST_PATCH_M;

const lengthsOf = (rig: Rig): Situation['lengths'] =>
  Object.fromEntries(
    allLeads(rig)
      .filter((lead) => !isPatch(lead))
      .map(({ id, lengthM }) => [id, lengthM]),
  );

/** Keeps the leads as they are laid under the name of a place. */
export function keepSituation(rig: Rig, name: string): Edit {
  const situation = { id: freshId(rig, 'w'), name, lengths: lengthsOf(rig) };
  return addTo(rig, 'situations', [situation]);
}

/** Gives a place the lengths that the leads have now. */
export function measureOutSituation(rig: Rig, id: string): Edit {
  const at = rig.situations.findIndex((situation) => situation.id === id);
  const insert = [{ ...rig.situations[at]!, lengths: lengthsOf(rig) }];
  return { kind: 'list', of: 'situations', at, remove: 1, insert };
}

/** Lays every lead that a place names, and that is still there, at the length it has there. */
export function standAt(rig: Rig, { lengths }: Situation): Edit {
  const edits = Object.entries(lengths).flatMap(([id, to]): Edit[] =>
    findLead(rig, id) ? [{ kind: 'set', target: { of: 'lead', id }, field: 'lengthM', to }] : [],
  );
  return group({ kind: 'group', edits });
}

/** The place whose lengths the leads have now. */
export const situationNow = (rig: Rig): Situation | undefined =>
  rig.situations.find(({ lengths }) =>
    Object.entries(lengths).every(([id, length]) => {
      const lead = findLead(rig, id);
      return !lead || isSameSourced(lead.lengthM, length);
    }),
  );
