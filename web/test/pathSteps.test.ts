import {
  addAmpLoop,
  addGuitar,
  applyEdit,
  applyEdits,
  deviceOfClass,
  findCable,
  insertDevice,
  mainRow,
  newRig,
  switchNumbers,
  type Guitar,
  type Rig,
  type RigItem,
} from '@gullwind/core';
import {
  addingAmpLoop,
  addingBuffer,
  givingCable,
  movingBy,
  movingTo,
  picking,
  powering,
  removing,
  removingRow,
  stepping,
  steppingOn,
  switchingAllOff,
  type PathStep,
} from '../src/features/path/model/pathSteps';
import type { Selection } from '../src/features/path/model/selection';

/// What presses and keys on the path make of a rig, and what is selected then.

let rig = newRig('path');
for (const [i, name] of ['One', 'Two', 'Three'].entries())
  rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', name)));
const row = mainRow(rig);
const cables = row.cables.map((cable) => cable!.id);
const device = (id: string): Selection => ({ kind: 'device', id });

function taken(step: PathStep, from: Rig = rig): { rig: Rig; selected: Selection | undefined } {
  if (step === null || 'says' in step) throw new Error('nothing is done');
  const result = applyEdit(from, step.edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return { rig: result.rig, selected: step.selects?.(result.rig) };
}
const orderOf = (of: Rig) => mainRow(of).devices.map(({ name }) => name);

describe('taking away', () => {
  test('a pedal: what is in its place is selected', () => {
    const { rig: after, selected } = taken(removing(rig, device('d2')));
    expect(orderOf(after)).toEqual(['One', 'Three']);
    expect(selected).toEqual({ kind: 'cable', id: mainRow(after).cables[1]!.id });
  });

  test('a cable: where it was is selected', () => {
    const { rig: after, selected } = taken(removing(rig, { kind: 'cable', id: cables[1]! }));
    expect(mainRow(after).cables[1]).toBeNull();
    expect(selected).toEqual({ kind: 'connection', row: row.id, connection: 1 });
  });

  test('another guitar goes, the only one stays; ends are swapped, not taken', () => {
    const two = applyEdits(rig, addGuitar(rig, rig.electrical.guitars[0]!, 'cable'));
    const [first, second] = two.electrical.guitars as unknown as [Guitar, Guitar];
    const gone = taken(removing(two, { kind: 'guitar', id: second.id }), two);
    expect(gone.rig.electrical.guitars).toHaveLength(1);
    expect(gone.selected).toBeDefined();
    for (const selection of [
      { kind: 'guitar', id: first.id },
      { kind: 'destination', id: rig.electrical.destinations[0]!.id },
      { kind: 'connection', row: row.id, connection: 1 },
    ] as const)
      expect(removing(two, selection)).toEqual({ says: expect.any(String) });
  });
});

describe('foot-switches', () => {
  test('by the pedal and by its number; a box without one says so', () => {
    const on = taken(stepping(rig, 'd2')).rig;
    expect(on.state).not.toEqual(rig.state);
    const number = switchNumbers(rig).get('d2')!;
    expect(taken(steppingOn(rig, number)).rig).toEqual(on);
    expect([steppingOn(rig, 99), stepping(rig, 'nobody')]).toEqual([null, null]);
    const buffered = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('buffer', '', 'Bare')));
    const bare = mainRow(buffered).devices[0]!.id;
    expect(stepping(buffered, bare)).toEqual({ says: 'Bare has no foot-switch.' });
  });

  test('all off is all off, and the mains come and go', () => {
    const on = taken(stepping(rig, 'd1')).rig;
    for (const from of [rig, on]) {
      const off = applyEdits(from, switchingAllOff(from));
      expect(Object.values(off.state.positions).some(Boolean)).toBe(false);
    }
    const dark = applyEdits(rig, powering(rig, false));
    expect(dark.state.unpowered.length).toBeGreaterThan(0);
    expect(applyEdits(dark, powering(dark, true)).state.unpowered).toEqual([]);
  });
});

describe('another place', () => {
  test('dragged to a place, or one on or back; it stays selected, and at the end it stays', () => {
    const moved = taken(movingTo(rig, 'd1', 2));
    expect(orderOf(moved.rig)).toEqual(['Two', 'Three', 'One']);
    expect(moved.selected).toEqual(device('d1'));
    expect(orderOf(taken(movingBy(rig, device('d2'), 1)).rig)).toEqual(['One', 'Three', 'Two']);
    expect(orderOf(taken(movingBy(rig, device('d2'), -1)).rig)).toEqual(['Two', 'One', 'Three']);
    const [first, , last] = row.devices.map(({ id }) => id);
    expect(movingBy(rig, device(last!), 1)).toBeNull();
    expect(movingBy(rig, device(first!), -1)).toBeNull();
    expect(movingBy(rig, { kind: 'cable', id: cables[0]! }, 1)).toBeNull();
  });
});

describe('what comes in', () => {
  test('a buffer after what is selected, which is selected then', () => {
    const { rig: after, selected } = taken(addingBuffer(rig, rig, device('d1')));
    const added = mainRow(after).devices[1]!;
    expect(orderOf(after)).toHaveLength(4);
    expect(selected).toEqual(device(added.id));
  });

  test('a pedal from the list after what is selected, and only the new one is the new one', () => {
    const item = { kind: 'device', thing: deviceOfClass('drive', '', 'New') } as RigItem;
    const { rig: after, selected } = taken(picking(rig, rig, device('d2'), item, false));
    expect(orderOf(after)).toEqual(['One', 'Two', 'New', 'Three']);
    expect(selected).toEqual(device(mainRow(after).devices[2]!.id));
  });

  test('a guitar beside those there are, or in the place of the selected one', () => {
    const [own] = rig.electrical.guitars;
    const item = { kind: 'guitar', thing: { ...own!, name: 'Other' } } as RigItem;
    const beside = taken(picking(rig, rig, device('d1'), item, true));
    expect(beside.rig.electrical.guitars.map(({ name }) => name)).toEqual([own!.name, 'Other']);
    expect(beside.selected).toEqual({
      kind: 'guitar',
      id: beside.rig.electrical.guitars[1]!.id,
    });
    const instead = taken(picking(beside.rig, rig, beside.selected!, item, false), beside.rig);
    expect(instead.rig.electrical.guitars.map(({ name }) => name)).toEqual([own!.name, 'Other']);
    const first = taken(picking(rig, rig, device('d1'), item, false)).rig.electrical.guitars;
    expect(first).toEqual([{ ...own, name: 'Other' }]);
  });

  test('another destination in the place of the selected one', () => {
    const [own] = rig.electrical.destinations;
    const item = { kind: 'destination', thing: { ...own!, name: 'Other' } } as RigItem;
    for (const selection of [device('d1'), { kind: 'destination', id: own!.id } as const]) {
      const { destinations } = taken(picking(rig, rig, selection, item, false)).rig.electrical;
      expect(destinations.map(({ id, name }) => [id, name])).toEqual([[own!.id, 'Other']]);
    }
  });

  test('another cable is as long as it is; of a reel it is as long as what it was laid at', () => {
    const kept = findCable(rig, cables[1]!)!;
    const made = { ...kept, name: 'Made', lengthM: { ...kept.lengthM, value: 2.5 } };
    const of = (form: string) =>
      ({ kind: 'cable', thing: made, qualities: { form } }) as unknown as RigItem;
    const item = of('piece');
    const at = { kind: 'cable', id: cables[1]! } as const;
    const after = findCable(taken(picking(rig, rig, at, item, false)).rig, cables[1]!)!;
    expect([after.name, after.lengthM.value]).toEqual(['Made', 2.5]);
    const empty = taken(removing(rig, at)).rig;
    const gap = { kind: 'connection', row: row.id, connection: 1 } as const;
    const laid = mainRow(taken(picking(empty, empty, gap, item, false), empty).rig).cables[1]!;
    expect([laid.name, laid.lengthM.value]).toEqual(['Made', 2.5]);
    const cut = findCable(taken(picking(rig, rig, at, of('reel'), false)).rig, cables[1]!)!;
    expect([cut.name, cut.lengthM]).toEqual(['Made', kept.lengthM]);
    const patch = taken(picking(empty, empty, gap, of('reel'), false), empty).rig;
    expect(mainRow(patch).cables[1]!.lengthM.value).toBeLessThan(1);
  });

  test('a patch where a cable is missing, named after where it goes', () => {
    const empty = taken(removing(rig, { kind: 'cable', id: cables[1]! })).rig;
    const { rig: after, selected } = taken(givingCable(empty, row.id, 1), empty);
    const cable = mainRow(after).cables[1]!;
    expect(selected).toEqual({ kind: 'cable', id: cable.id });
    expect(cable.name).not.toMatch(/^the /u);
    expect(cable.name.length).toBeLessThanOrEqual(60);
    expect(cable.name).toBe('patch to Two');
  });

  test('the loop of the amp, its first cable selected; and a row goes', () => {
    const destination = rig.electrical.destinations[0]!.id;
    const { rig: after, selected } = taken(addingAmpLoop(rig, destination));
    const loop = after.electrical.rows.at(-1)!;
    expect(after.electrical.rows).toHaveLength(rig.electrical.rows.length + 1);
    expect(after).toEqual(applyEdits(rig, addAmpLoop(rig, destination)));
    const first = loop.cables[0];
    expect(selected).toEqual(
      first ? { kind: 'cable', id: first.id } : { kind: 'connection', row: loop.id, connection: 0 },
    );
    expect(taken(removingRow(after, loop.id), after).rig.electrical.rows).toEqual(
      rig.electrical.rows,
    );
  });
});
