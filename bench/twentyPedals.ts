import {
  applyEdits,
  deviceOfClass,
  insertDevice,
  mainRow,
  newRig,
  setCableLength,
  type Rig,
} from '@gullwind/core';

/** Twenty true-bypass pedals, all off, 6 m in and 8 m out: one section from pickup to amp. */
export function twentyPedals(): Rig {
  let rig = applyEdits(newRig('twenty pedals'), setCableLength('l1', 6));
  for (let i = 0; i < 20; i++) {
    rig = applyEdits(
      rig,
      insertDevice(rig, i, { ...deviceOfClass('drive', ''), name: `drive ${i + 1}` }),
    );
  }
  const last = mainRow(rig).cables.at(-1)!;
  return applyEdits(rig, setCableLength(last.id, 8));
}
