import { deviceOfClass } from '../../src/gear';
import {
  addAmpLoop,
  applyEdit,
  applyEdits,
  insertDevice,
  mainRow,
  newRig,
  removeDevice,
  type Edit,
} from '../../src/rig';

/// What goes, and what stays, with an amp at the end of a way.

test('a splitter goes with its second amp, that amp’s loop, and what hangs in there', () => {
  const bare = newRig('two amps');
  const split = applyEdits(bare, insertDevice(bare, 0, deviceOfClass('bufferedSplitter', '')));
  const second = split.electrical.destinations[1]!.id;
  const looped = applyEdits(split, addAmpLoop(split, second));
  const loop = looped.electrical.rows.at(-1)!.id;
  const third = deviceOfClass('bufferedSplitter', '');
  const full = applyEdits(looped, insertDevice(looped, 0, third, loop));
  const result = applyEdit(full, removeDevice(full, mainRow(full).devices[0]!.id));
  if (result.kind === 'refused') throw new Error(result.message);
  expect(result.rig.electrical.rows.map(({ at }) => at.kind)).toEqual(['main']);
  expect(result.rig.electrical.destinations).toHaveLength(1);
  expect(applyEdits(result.rig, result.inverse)).toEqual(full);
  // The first amp’s own loop stays.
  const own = applyEdits(full, addAmpLoop(full, 'e1'));
  const rest = applyEdits(own, removeDevice(own, mainRow(own).devices[0]!.id));
  expect(rest.electrical.rows.map(({ at }) => at.kind)).toEqual(['main', 'ampLoop']);
});

test('an amp whose loop is wired cannot become something without one', () => {
  const bare = newRig('looped');
  const rig = applyEdits(bare, addAmpLoop(bare, 'e1'));
  const mixer: Edit = {
    kind: 'choose',
    target: { of: 'destination', id: 'e1' },
    field: 'kind',
    to: 'mixer',
  };
  expect(applyEdit(rig, mixer)).toEqual({
    kind: 'refused',
    message: 'amp has no effects loop; only an amp has one.',
  });
});
