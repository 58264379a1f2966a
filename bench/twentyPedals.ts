import {
  applyEdits,
  deviceOfClass,
  insertDevice,
  mainRow,
  newRig,
  setLeadLength,
  type Rig,
} from '@gullwind/core';

/** Twenty true-bypass pedals, all off, 6 m in and 8 m out: one section from pickup to amp. */
export function twentyPedals(): Rig {
  let rig = applyEdits(newRig('twenty pedals'), setLeadLength('l1', 6));
  for (let i = 0; i < 20; i++) {
    rig = applyEdits(
      rig,
      insertDevice(rig, i, { ...deviceOfClass('drive', ''), name: `drive ${i + 1}` }),
    );
  }
  const last = mainRow(rig).leads.at(-1)!;
  return applyEdits(rig, setLeadLength(last.id, 8));
}
