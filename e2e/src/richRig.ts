import {
  addAmpLoop,
  addGuitar,
  applyEdits,
  deviceOfClass,
  guitarOfClass,
  insertDevice,
  mainRow,
  newRig,
  type DeviceClass,
  type Edit,
  type Rig,
} from '@gullwind/core';

/// A rig with every kind of branch in it.

const append = (rig: Rig, name: DeviceClass, rowId?: string, label?: string): Rig => {
  const row = rig.electrical.rows.find(({ id }) => id === (rowId ?? mainRow(rig).id))!;
  return applyEdits(
    rig,
    insertDevice(rig, row.devices.length, deviceOfClass(name, '', label), row.id),
  );
};

/** Two guitars into a selector, a tap, a switcher with pedals in its loops, a splitter, an amp's loop. */
export function richRig(): Rig {
  let rig = newRig('Everything at once');
  for (const name of ['selector', 'tap', 'switcher'] as const) rig = append(rig, name);
  const loops = rig.electrical.rows.filter(({ at }) => at.kind === 'loop').map(({ id }) => id);
  rig = append(rig, 'wah', loops[0]);
  rig = append(rig, 'drive', loops[1], 'Rope Burn');
  rig = append(rig, 'drive', loops[1], 'Gristle');
  rig = append(rig, 'modulation', loops[2], 'Swell');
  rig = append(rig, 'gate', undefined, 'Lock Gate');
  rig = append(rig, 'bufferedSplitter');
  rig = append(rig, 'boost', undefined, 'Heave');
  rig = applyEdits(rig, addGuitar(rig, guitarOfClass('hotHumbucker', 'Dragon'), 'cable'));
  rig = applyEdits(rig, addAmpLoop(rig, 'e1'));
  rig = append(rig, 'delay', rig.electrical.rows.at(-1)!.id, 'Far Bank');
  rig = append(rig, 'reverb', rig.electrical.rows.at(-1)!.id, 'Nave');
  const closed: Edit = {
    kind: 'switch',
    positions: { d3: false, 'd3.1': true },
    playing: 'g1',
  };
  return applyEdits(rig, closed);
}
