import { measureRig } from '../../src/figures';
import {
  deviceOfClass,
  destinationOfKind,
  entered,
  guitarOfClass,
  cableOfClass,
} from '../../src/gear';
import {
  addAmpLoop,
  addGuitar,
  aimSide,
  applyEdit,
  applyEdits,
  checkRig,
  findDevice,
  insertDevice,
  mainRow,
  newRig,
  linkSwitch,
  removeDevice,
  reshapeDevice,
  toggleSwitch,
  type Edit,
  type Rig,
  type Row,
  type RowPlace,
  withElectrical,
  partsOf,
  type SideGoal,
} from '../../src/rig';

/// What may hang on what: bad graphs are refused with a sentence that says what is wrong and where.

const cable = (id: string) => cableOfClass('ordinary', id, entered(1));
const put = (rig: Rig, ...names: Parameters<typeof deviceOfClass>[0][]): Rig =>
  names.reduce((now, name) => {
    const gap = mainRow(now).devices.length;
    return applyEdits(now, insertDevice(now, gap, deviceOfClass(name, '')));
  }, rig);

const start = put(newRig('graph'), 'drive', 'selector', 'tap', 'switcher');
const [drive, selector, tap, switcher] = mainRow(start).devices.map(({ id }) => id) as [
  string,
  string,
  string,
  string,
];

const toTuner: SideGoal = {
  kind: 'destination',
  destination: start.electrical.destinations[1]!.id,
};

const addRow = (at: RowPlace): Edit => ({
  kind: 'list',
  of: 'rows',
  at: start.electrical.rows.length,
  remove: 0,
  insert: [{ id: 'r99', at, devices: [], cables: [cable('l99')] }],
});
const change = (index: number, row: Partial<Row>): Edit => ({
  kind: 'list',
  of: 'rows',
  at: index,
  remove: 1,
  insert: [{ ...start.electrical.rows[index]!, ...row }],
});

const second = applyEdits(start, {
  kind: 'list',
  of: 'guitars',
  at: 1,
  remove: 0,
  insert: [guitarOfClass('hotHumbucker', 'dark one', 'g2')],
});

test.each<[string, Rig, Edit]>([
  [
    'Two drivers on one wire: dark one arrives at drive, whose input has a cable already. An A/B selector there lets one of them through.',
    second,
    addRow({ kind: 'guitar', guitar: 'g2', selector: drive }),
  ],
  [
    'The cable of dark one ends nowhere: “d77” is not in the rig.',
    second,
    addRow({ kind: 'guitar', guitar: 'g2', selector: 'd77' }),
  ],
  [
    'guitar plays into the main row already; it has one output.',
    second,
    addRow({ kind: 'guitar', guitar: 'g1', selector }),
  ],
  [
    'drive has no side jack for a cable to begin at.',
    start,
    addRow({ kind: 'side', device: drive, to: toTuner }),
  ],
  [
    'Two cables in one jack: rows 2 and 7 both begin at tuner tap.',
    start,
    addRow({ kind: 'side', device: tap, to: toTuner }),
  ],
  [
    'Two drivers on one wire: the side cable of tuner tap arrives at amp, where the main row ends.',
    start,
    change(1, {
      at: { kind: 'side', device: tap, to: { kind: 'destination', destination: 'e1' } },
    }),
  ],
  [
    'The side cable of tuner tap ends nowhere: “e9” is not in the rig.',
    start,
    change(1, {
      at: { kind: 'side', device: tap, to: { kind: 'destination', destination: 'e9' } },
    }),
  ],
  [
    'drive has no key input.',
    start,
    change(1, { at: { kind: 'side', device: tap, to: { kind: 'key', device: drive } } }),
  ],
  [
    'loop switcher has no loop 9; it has 4.',
    start,
    addRow({ kind: 'loop', device: switcher, loop: 8 }),
  ],
  [
    'Two cables in one jack: rows 3 and 7 both begin at loop switcher.',
    start,
    addRow({ kind: 'loop', device: switcher, loop: 0 }),
  ],
  [
    'tuner has no effects loop; only an amp has one.',
    start,
    addRow({ kind: 'ampLoop', destination: start.electrical.destinations[1]!.id }),
  ],
  ['There is a second main row.', start, addRow({ kind: 'main' })],
  [
    'No cable arrives at spare.',
    start,
    {
      kind: 'list',
      of: 'destinations',
      at: 2,
      remove: 0,
      insert: [destinationOfKind('amp', 'spare', 'e9')],
    },
  ],
  [
    'Cables: 2 for 0 devices; every connection needs one, 1 in all.',
    start,
    change(2, { cables: [null, null] }),
  ],
  [
    'A rig needs guitars; it has none.',
    start,
    { kind: 'list', of: 'guitars', at: 0, remove: 1, insert: [] },
  ],
  [`There is no guitar “g9” in this rig.`, start, { kind: 'switch', playing: 'g9' }],
])('%s', (message, rig, edit) => {
  expect(applyEdit(rig, edit)).toEqual({ kind: 'refused', message });
});

test('a device that stands in two places, and a row that runs through what it hangs on', () => {
  const twice = applyEdit(
    start,
    change(2, { devices: [findDevice(start, drive)!], cables: [cable('l97'), cable('l98')] }),
  );
  expect(twice).toMatchObject({ kind: 'refused' });
  expect(twice.kind === 'refused' && twice.message).toContain(
    'is used twice, for drive and for drive',
  );
  // A switcher taken off the main row and put into its own loop.
  const circle: Rig = withElectrical(start, {
    rows: start.electrical.rows.map((row, i) => {
      const own = mainRow(start).devices[3]!;
      if (i === 0)
        return { ...row, devices: row.devices.slice(0, 3), cables: row.cables.slice(0, 4) };
      return i === 2 ? { ...row, devices: [own], cables: [cable('l97'), cable('l98')] } : row;
    }),
  });
  expect(checkRig(circle).map(({ message }) => message)).toContain(
    'A circle: what begins at loop switcher runs through loop switcher again.',
  );
});

describe('what people do', () => {
  test('a switcher comes with its loops, a tap with a tuner, and both go with what hangs on them', () => {
    expect(start.electrical.rows.map(({ at }) => at.kind)).toEqual([
      'main',
      'side',
      'loop',
      'loop',
      'loop',
      'loop',
    ]);
    expect(start.electrical.destinations.map(({ kind }) => kind)).toEqual(['amp', 'tuner']);
    const loop = start.electrical.rows[2]!.id;
    const full = applyEdits(
      start,
      insertDevice(start, 0, deviceOfClass('bufferedSplitter', ''), loop),
    );
    expect(full.electrical.destinations).toHaveLength(3);
    const closed = applyEdits(full, { kind: 'switch', positions: { [`${switcher}.0`]: true } });
    const result = applyEdit(closed, removeDevice(closed, switcher));
    if (result.kind === 'refused') throw new Error(result.message);
    expect(result.rig.electrical.rows.map(({ at }) => at.kind)).toEqual(['main', 'side']);
    expect(result.rig.electrical.destinations).toHaveLength(2);
    expect(result.rig.state.positions).toEqual({});
    expect(applyEdits(result.rig, result.inverse)).toEqual(closed);
    expect(applyEdits(start, removeDevice(start, tap)).electrical.destinations).toHaveLength(1);
  });

  test('loops come and go with their number, and what is in those that stay stays', () => {
    const device = findDevice(start, switcher)!;
    const first = start.electrical.rows[2]!.id;
    const full = applyEdits(start, insertDevice(start, 0, deviceOfClass('delay', ''), first));
    const more = applyEdits(full, reshapeDevice(full, { ...device, loops: 6 }));
    expect(more.electrical.rows.filter(({ at }) => at.kind === 'loop')).toHaveLength(6);
    const few = applyEdits(more, reshapeDevice(more, { ...device, loops: 1 }));
    expect(few.electrical.rows.filter(({ at }) => at.kind === 'loop')).toHaveLength(1);
    expect(few.electrical.rows.find(({ id }) => id === first)!.devices).toHaveLength(1);
    const gate = applyEdits(start, insertDevice(start, 4, deviceOfClass('gate', '')));
    const own = findDevice(gate, mainRow(gate).devices[4]!.id)!;
    const looped = applyEdits(gate, reshapeDevice(gate, { ...own, insert: 'own', loops: 1 }));
    expect(looped.electrical.rows.at(-1)!.at).toEqual({ kind: 'loop', device: own.id, loop: 0 });
    // The tap's side jack is its own: a gate that gets one has a cable in it too.
    const split = applyEdits(gate, reshapeDevice(gate, { ...own, sideJack: 'buffered' }));
    expect(split.electrical.rows.at(-1)!.at).toMatchObject({ kind: 'side', device: own.id });
  });

  test('a second guitar takes a selector’s other input, or the first one’s cable', () => {
    const rig = applyEdits(start, addGuitar(start, guitarOfClass('hotHumbucker', 'dark'), 'cable'));
    expect(rig.electrical.rows.at(-1)!.at).toEqual({
      kind: 'guitar',
      guitar: rig.electrical.guitars[1]!.id,
      selector,
    });
    expect(rig.state.playing).toBe(rig.electrical.guitars[1]!.id);
    const plain = applyEdits(start, addGuitar(start, guitarOfClass('hotHumbucker', 'dark')));
    expect(plain.electrical.rows).toHaveLength(start.electrical.rows.length);
    // Without its selector the second guitar takes the first one’s cable.
    const without = applyEdits(rig, removeDevice(rig, selector));
    expect(without.electrical.guitars).toHaveLength(2);
    expect(without.electrical.rows.some(({ at }) => at.kind === 'guitar')).toBe(false);
  });

  test('an amp’s loop is a row of its own', () => {
    const rig = applyEdits(start, addAmpLoop(start, 'e1'));
    expect(rig.electrical.rows.at(-1)).toMatchObject({
      at: { kind: 'ampLoop', destination: 'e1' },
      devices: [],
    });
    expect(applyEdit(rig, addAmpLoop(rig, 'e1'))).toMatchObject({ kind: 'refused' });
  });

  test('at most four pins, and what is pinned is brought back but for the pins', () => {
    const pin = (id: string) => ({ id, name: id, rig: partsOf(start) });
    const four = applyEdits(start, {
      kind: 'list',
      of: 'pins',
      at: 0,
      remove: 0,
      insert: ['p1', 'p2', 'p3', 'p4'].map(pin),
    });
    const fifth: Edit = { kind: 'list', of: 'pins', at: 4, remove: 0, insert: [pin('p5')] };
    expect(applyEdit(four, fifth)).toEqual({
      kind: 'refused',
      message: 'Pins: 5, at most 4.',
    });
    const changed = applyEdits(four, removeDevice(four, switcher));
    const back = applyEdits(changed, { kind: 'restore', rig: four.pins[0]!.rig });
    expect({ ...back, nextIds: four.nextIds }).toEqual(four);
  });

  test('a side cable goes to a gate’s key and back to an end of its own', () => {
    const gated = applyEdits(start, insertDevice(start, 4, deviceOfClass('gate', '')));
    const gate = mainRow(gated).devices[4]!;
    const own = applyEdits(gated, reshapeDevice(gated, { ...gate, insert: 'own', loops: 1 }));
    const sideOf = (rig: Rig) => rig.electrical.rows.find(({ at }) => at.kind === 'side')!;
    const keyed = applyEdits(own, aimSide(own, sideOf(own), gate.id));
    expect(sideOf(keyed).at).toMatchObject({ to: { kind: 'key', device: gate.id } });
    expect(keyed.electrical.destinations).toHaveLength(own.electrical.destinations.length - 1);
    expect(checkRig(keyed)).toEqual([]);
    const back = applyEdits(keyed, aimSide(keyed, sideOf(keyed), null));
    // A tuner again, though not the one that went: an id is never used twice.
    expect(back.electrical.destinations).toHaveLength(own.electrical.destinations.length);
    expect(sideOf(back).at).toMatchObject({ to: { kind: 'destination' } });
    expect(own.electrical.destinations.map(({ id }) => id)).not.toContain(
      back.electrical.destinations.at(-1)!.id,
    );
    expect(measureRig(back)).toEqual(measureRig(own));
    const without = applyEdits(keyed, reshapeDevice(keyed, { ...gate, insert: 'none', loops: 0 }));
    expect(without.electrical.rows.some(({ at }) => at.kind === 'side')).toBe(false);
  });

  test('linked switches are switched together, and each has one group', () => {
    const link = (rig: Rig, id: string, other: string | null) =>
      applyEdits(rig, linkSwitch(rig, id, other));
    const one = `${switcher}.1`;
    const lit = applyEdits(start, toggleSwitch(start, `${switcher}.2`));
    const linked = link(lit, one, `${switcher}.2`);
    expect(linked.state.positions[one]).toBe(true);
    const off = applyEdits(linked, toggleSwitch(linked, one));
    expect(off.state.positions[`${switcher}.2`] ?? false).toBe(false);
    const three = link(linked, `${switcher}.0`, one);
    expect(three.electrical.links).toEqual([[`${switcher}.2`, one, `${switcher}.0`]]);
    expect(link(three, one, null).electrical.links).toEqual([[`${switcher}.2`, `${switcher}.0`]]);
    expect(link(linked, one, null).electrical.links).toEqual([]);
  });
});
