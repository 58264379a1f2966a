import {
  applyEdit,
  deviceOfClass,
  entered,
  insertDevice,
  newRig,
  setLeadLength,
  type Edit,
  type Rig,
} from '@gullwind/core';

const must = (rig: Rig, edit: Edit): Rig => {
  const result = applyEdit(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return result.rig;
};

/** Twenty true-bypass pedals, all off, 6 m in and 8 m out: one section from pickup to amp. */
export function twentyPedals(): Rig {
  let rig = must(newRig('twenty pedals'), setLeadLength('l1', 6));
  for (let i = 0; i < 20; i++) {
    rig = must(
      rig,
      insertDevice(rig, i, { ...deviceOfClass('drive', ''), name: `drive ${i + 1}` }),
    );
  }
  const leads = rig.leads.map((lead, i) => (i === 20 ? { ...lead, lengthM: entered(8) } : lead));
  return { ...rig, leads };
}
