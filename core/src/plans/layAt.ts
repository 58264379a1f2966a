import type { Lead } from '../gear';
import { remember, type Rig, type Row, type Situation } from '../rig';

/** A lead at other lengths, each made once. */
const lengthsOfLead = remember((_: Lead) => new Map<number, Lead>());

/** A lead as long as it is at a place. */
export function leadAt(lead: Lead, { lengths }: Situation): Lead {
  const lengthM = lengths[lead.id];
  if (!lengthM || lengthM.value === lead.lengthM.value) return lead;
  const made = lengthsOfLead(lead);
  let other = made.get(lengthM.value);
  if (!other) made.set(lengthM.value, (other = { ...lead, lengthM }));
  return other;
}

/** The rig with its leads as long as they are at a place; what does not change stays the same object. */
export function layAt(rig: Rig, situation: Situation): Rig {
  const lay = (row: Row): Row => {
    const leads = row.leads.map((lead) => lead && leadAt(lead, situation));
    return leads.some((lead, i) => lead !== row.leads[i]) ? { ...row, leads } : row;
  };
  return { ...rig, rows: rig.rows.map(lay) };
}
