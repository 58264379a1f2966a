import {
  cableOfClass,
  deviceOfClass,
  entered,
  gearItem,
  guitarOfClass,
  type Device,
  type GearItem,
} from '../../src/gear';
import { measureRig } from '../../src/figures';
import { wiperFraction } from '../../src/path';
import { findMoves, makeMoves, type Move } from '../../src/plans';
import { MINUTES, USUAL_PRICE } from '../../src/plans/efforts';
import {
  addAmpLoop,
  addGuitar,
  applyEdits,
  checkRig,
  editBrief,
  insertDevice,
  mainRow,
  newRig,
  setCableLength,
  toggleSwitch,
  withElectrical,
  type Rig,
} from '../../src/rig';
import { withCables } from '../rig/straightRow';

/// Which changes are on offer, and which are not.

const BARE = newRig('offers');
const RIG = applyEdits(BARE, insertDevice(BARE, 0, deviceOfClass('drive', '')));
const FIRST = mainRow(RIG).cables[0]!;
const SHAPED: Rig = withElectrical(RIG, {
  approach: { kind: 'shaped', wantedHz: entered(2200) },
});

const box = (device: Device, price: number | null = null): GearItem => {
  const item = gearItem('box', 'device', device, '');
  return { ...item, qualities: { ...item.qualities, price } };
};
const kindsOf = (item: GearItem): ReadonlySet<string> =>
  new Set(
    findMoves(RIG, [item])
      .filter(({ key }) => key.includes('box'))
      .map(({ action }) => action.kind),
  );

test('boxes of the gear list: a buffer or splitter at any price, a buffered pedal only where it is at hand', () => {
  const delay = deviceOfClass('delay', '', 'Echo');
  expect(delay.bypass).toBe('buffered');
  expect(kindsOf(box(deviceOfClass('buffer', ''), 90))).toEqual(new Set(['buffer']));
  expect(kindsOf(box(deviceOfClass('bufferedSplitter', ''), 90))).toEqual(new Set(['buffer']));
  expect(kindsOf(box(delay))).toEqual(new Set(['ownPedal']));
  expect(kindsOf(box(delay, 90))).toEqual(new Set());
  expect(kindsOf(box(deviceOfClass('drive', '')))).toEqual(new Set());
  expect(kindsOf(box({ ...delay, insert: 'own', loops: 1 }))).toEqual(new Set());
  expect(kindsOf(box({ ...delay, sideJack: 'buffered' }))).toEqual(new Set());
  expect(kindsOf({ ...box(delay), retired: true })).toEqual(new Set());
});

const cableItem = (pFPerM: number, coil = 1): GearItem =>
  gearItem(
    'reel',
    'cable',
    {
      ...cableOfClass('ordinary', '', entered(6), 'Reel'),
      cPerMF: entered(pFPerM * 1e-12),
      coil: entered(coil),
    },
    '',
  );
const offers = (rig: Rig, item: GearItem): boolean =>
  findMoves(rig, [item]).some(({ key }) => key === `kind ${FIRST.id} reel`);

test('another cable is one whose capacitance by the metre of reach is clearly lower; shaped, clearly another', () => {
  const now = FIRST.cPerMF.value / 1e-12;
  expect(offers(RIG, cableItem(now * 0.8))).toBe(true);
  expect(offers(RIG, cableItem(now * 0.97))).toBe(false);
  expect(offers(RIG, cableItem(now * 1.3))).toBe(false);
  expect(offers(RIG, cableItem(now * 0.8, 5))).toBe(false);
  expect(offers(SHAPED, cableItem(now * 1.3))).toBe(true);
  expect(offers(SHAPED, cableItem(now * 1.03))).toBe(false);
});

test('a longer first cable is offered to who shapes with it alone, at its price by the metre', () => {
  const longer = (rig: Rig) =>
    findMoves(rig).flatMap(({ action, effort }) =>
      action.kind === 'cableLength' && action.lengthM > FIRST.lengthM.value
        ? [{ cable: action.cable, lengthM: action.lengthM, cost: effort.cost }]
        : [],
    );
  expect(longer(RIG)).toEqual([]);
  const [only, ...others] = longer(SHAPED);
  expect(others).toEqual([]);
  expect(only!.cable).toBe(FIRST.id);
  expect(only!.cost).toBe(Math.round(only!.lengthM * USUAL_PRICE.cablePerM + USUAL_PRICE.plugPair));
});

test('cables on the guitar’s way to the amp are on offer, in loops too; those beside it are not', () => {
  let rig = applyEdits(RIG, insertDevice(RIG, 0, { ...deviceOfClass('switcher', ''), loops: 1 }));
  const loop = rig.electrical.rows.find(({ at }) => at.kind === 'loop')!.id;
  rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', ''), loop));
  rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('passiveSplitter', '')));
  rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('selector', '')));
  rig = applyEdits(rig, addGuitar(rig, guitarOfClass('hotHumbucker', 'dark'), 'cable'));
  rig = applyEdits(rig, addAmpLoop(rig, 'e1'));
  rig = withCables(rig, (cable) => ({ ...cable, lengthM: entered(4) }));
  const offered = new Set(
    findMoves(rig).flatMap(({ action }) => (action.kind === 'cableKind' ? action.cables : [])),
  );
  const kinds = rig.electrical.rows.map(({ at, cables }) => [
    at.kind,
    cables.some((cable) => cable !== null && offered.has(cable.id)),
  ]);
  expect(new Map(kinds as [string, boolean][])).toEqual(
    new Map([
      ['main', true],
      ['loop', true],
      ['side', false],
      ['guitar', true],
      ['ampLoop', false],
    ]),
  );
});

test('patches are changed together, each taking the work of a patch', () => {
  const rig = applyEdits(RIG, insertDevice(RIG, 1, deviceOfClass('delay', '')));
  const more = applyEdits(rig, insertDevice(rig, 2, deviceOfClass('delay', '')));
  const together = findMoves(more).filter(({ key }) => key.startsWith('kind patches'));
  expect(together.length).toBeGreaterThan(0);
  for (const { action, effort, claims } of together) {
    const cables = action.kind === 'cableKind' ? action.cables : [];
    expect(cables).toHaveLength(2);
    expect(effort.minutes).toBe(2 * MINUTES.swapPatch);
    expect(claims).toEqual(cables.map((id) => `kind ${id}`));
  }
  const [single] = findMoves(more).filter(({ key }) => key.startsWith(`kind ${FIRST.id}`));
  expect(single!.effort.minutes).toBe(MINUTES.swapCable);
});

test('a pickup simulator is for a low-impedance fuzz that something may drive, and that has none yet', () => {
  const fuzz = deviceOfClass('lowImpedanceFuzz', '');
  const offered = (...devices: readonly Device[]) => {
    const rig = devices.reduce(
      (now, device) => applyEdits(now, insertDevice(now, mainRow(now).devices.length, device)),
      BARE,
    );
    return findMoves(rig).flatMap(({ action }) =>
      action.kind === 'pickupSimulator' ? [action.device] : [],
    );
  };
  const delay = deviceOfClass('delay', '');
  expect(offered(delay, fuzz)).toEqual(['d2']);
  expect(offered(fuzz, delay)).toEqual([]);
  expect(offered(delay, deviceOfClass('fuzz', ''))).toEqual([]);
  const fitted = { ...fuzz, pickupSimulator: { lH: entered(3), rOhm: entered(5000) } };
  expect(offered(delay, fitted)).toEqual([]);
});

test('a track on offer is clearly another than the one that is there, at a price that is assumed', () => {
  const volume = deviceOfClass('passiveVolume', '');
  const rig = applyEdits(BARE, insertDevice(BARE, 0, volume));
  const tracks = findMoves(rig).flatMap(({ action }) =>
    action.kind === 'pot' ? [action.potOhm] : [],
  );
  expect(tracks.length).toBeGreaterThan(1);
  for (const ohm of tracks) expect(Math.abs(Math.log2(ohm / 250e3))).toBeGreaterThan(0.5);
});

test('a price that nobody has entered is shown as assumed', () => {
  const long = applyEdits(RIG, setCableLength(FIRST.id, 9));
  for (const rig of [long, SHAPED, applyEdits(long, editBrief(long, { noSoldering: true }))])
    for (const { effort } of findMoves(rig))
      if (effort.cost > 0) expect(effort.isCostAssumed).toBe(true);
});

test('each place that a pedal can be moved to is another order', () => {
  const start = applyEdits(RIG, insertDevice(RIG, 1, deviceOfClass('lowImpedanceFuzz', '')));
  const more = applyEdits(start, insertDevice(start, 2, deviceOfClass('delay', '')));
  const rig = applyEdits(more, insertDevice(more, 3, deviceOfClass('buffer', '')));
  const shifts = findMoves(rig).filter(({ action }) => action.kind === 'shift');
  const orders = shifts.map((shift) =>
    mainRow(makeMoves(rig, [shift])!.rig)
      .devices.map(({ id }) => id)
      .join(' '),
  );
  const now = mainRow(rig)
    .devices.map(({ id }) => id)
    .join(' ');
  for (const { key } of shifts) expect(shifts.filter((one) => one.key === key)).toHaveLength(1);
  expect(orders).not.toContain(now);
  const ofBuffer = orders.filter((_, i) => shifts[i]!.key.includes(' d4 '));
  expect(new Set(ofBuffer).size).toBe(ofBuffer.length);
});

const made = (rig: Rig, kind: Move['action']['kind']): Rig => {
  const move = findMoves(rig).find(({ action }) => action.kind === kind)!;
  return makeMoves(rig, [move])!.rig;
};

const trebleOf = (rig: Rig): number => {
  const measured = measureRig(rig);
  if (measured.kind !== 'sounding') throw new Error('it sounds');
  return measured.figures.trebleDb;
};

test('a passive volume made active drives what follows, turned down as far as it was', () => {
  const volume = deviceOfClass('passiveVolume', '');
  const half = { ...volume, pot: { ...volume.pot!, travel: entered(0.5) } };
  const rig = applyEdits(
    applyEdits(BARE, insertDevice(BARE, 0, half)),
    setCableLength(FIRST.id, 3),
  );
  const active = made(rig, 'activate');
  const [device] = mainRow(active).devices;
  expect(device).toMatchObject({ deviceClass: 'poweredVolume', bypass: 'alwaysOn', pot: null });
  // Half down, the track's own output lost treble into the cable to the amp; the buffer does not.
  expect(trebleOf(active)).toBeGreaterThan(trebleOf(rig) + 1);
  expect(device!.on.gainDb.value).toBeCloseTo(20 * Math.log10(wiperFraction(half.pot)), 9);
  const isOffered = (now: Rig) => findMoves(now).some(({ action }) => action.kind === 'activate');
  expect(isOffered(active)).toBe(false);
  const shaped = { ...rig.electrical.approach, kind: 'shaped' } as const;
  expect(isOffered(withElectrical(rig, { approach: shaped }))).toBe(false);
});

test('a volume that is closed is made active as one that is turned far down, within what its field takes', () => {
  const volume = deviceOfClass('passiveVolume', '');
  const closed = { ...volume, pot: { ...volume.pot!, travel: entered(0) } };
  const active = made(applyEdits(BARE, insertDevice(BARE, 0, closed)), 'activate');
  expect(checkRig(active)).toEqual([]);
});

test('a buffer in a loop of a switcher drives it while it is switched in, and nothing while it is not', () => {
  let rig = applyEdits(BARE, insertDevice(BARE, 0, deviceOfClass('switcher', '')));
  const loop = rig.electrical.rows.find(({ at }) => at.kind === 'loop')!;
  rig = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('wah', ''), loop.id));
  const open = made(rig, 'loopBuffer');
  expect(trebleOf(open)).toBeCloseTo(trebleOf(rig), 9);
  const closed = (now: Rig) => applyEdits(now, toggleSwitch(now, 'd1.0'));
  expect(trebleOf(closed(open))).toBeGreaterThan(trebleOf(closed(rig)) + 0.5);
});
