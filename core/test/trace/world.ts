import { deviceOfClass, entered, outletGroup, typicalBody, type DeviceClass } from '../../src/gear';
import { addSupply, hang } from '../../src/power';
import { applyEdits, insertDevice, newRig, toggleSwitch, type Rig } from '../../src/rig';
import { mix } from '../../src/tolerance';
import type { FaultName, TestKind, TraceTest } from '../../src/trace';
import { brick } from '../power/poweredRig';

/// Rigs with one thing wrong, and what is heard of it: written from what happens on a stage, not from the tables that a hunt
/// goes by.

/** Numbers from 0 to 1, the same for the same seed. */
export function numbers(seed: number): () => number {
  let n = seed >>> 0;
  return () => mix((n = (n + 0x9e3779b1) >>> 0)) / 2 ** 32;
}

const CLASSES: readonly DeviceClass[] = [
  'tuner',
  'wah',
  'compressor',
  'lowImpedanceFuzz',
  'drive',
  'boost',
  'passiveVolume',
  'buffer',
  'modulation',
  'delay',
  'reverb',
  'gate',
];

/** One to fourteen pedals in a row, fed from one or two supplies, some together on an outlet. */
export function randomStage(seed: number): Rig {
  const next = numbers(seed);
  const count = 1 + Math.floor(next() * 14);
  let rig = newRig('stage');
  for (let i = 0; i < count; i++) {
    const device = deviceOfClass(
      CLASSES[Math.floor(next() * CLASSES.length)]!,
      '',
      `Pedal ${i + 1}`,
    );
    const body = { ...typicalBody(device), supplyA: entered(0.005 + next() * 0.1) };
    rig = applyEdits(rig, insertDevice(rig, i, { ...device, body }));
    if (next() < 0.4) rig = applyEdits(rig, toggleSwitch(rig, `d${i + 1}`));
  }
  const supplies = next() < 0.8 ? 1 + Math.floor(next() * 2) : 0;
  for (let s = 0; s < supplies; s++)
    rig = applyEdits(rig, addSupply(rig, brick(outletGroup(8, 9, 0.3))));
  for (let i = 0; supplies > 0 && i < count; i++) {
    const supply = rig.power.supplies[Math.floor(next() * supplies)]!;
    const edit = hang(rig, `d${i + 1}`, { supply: supply.id, outlet: Math.floor(next() * 8) });
    const isFed = typicalBody(rig.electrical.rows[0]!.devices[i]!).polarity !== 'none';
    if (edit && isFed) rig = applyEdits(rig, edit);
  }
  return rig;
}

/** Something wrong with one part of a rig. */
export interface Wrong {
  readonly part: string;
  readonly fault: FaultName;
}

/** What is in the circuit while something is tried. */
function circuit(rig: Rig, kind: TestKind, at: string | null): ReadonlySet<string> {
  const [row] = rig.electrical.rows;
  const amp = rig.electrical.destinations[0]!.id;
  const guitar = rig.state.playing ?? rig.electrical.guitars[0]!.id;
  const sendAndReturn = (device: string): readonly string[] =>
    rig.electrical.rows
      .filter(({ at: where }) => where.kind === 'loop' && where.device === device)
      .flatMap(({ cables }) => cables.flatMap((cable) => (cable ? [cable.id] : [])));
  const between = row!.cables.flatMap((cable, i) => {
    const device = row!.devices[i];
    return [
      ...(cable ? [cable.id] : []),
      ...(device ? [device.id, ...sendAndReturn(device.id)] : []),
    ];
  });
  const whole = [guitar, ...between, amp];
  const from = whole.indexOf(at ?? '');
  const sideOf = (ids: readonly string[]): ReadonlySet<string> =>
    new Set([
      ...ids,
      ...rig.electrical.rows.flatMap(({ at: where, cables }) =>
        where.kind === 'side' && ids.includes(where.device)
          ? cables.flatMap((cable) => (cable ? [cable.id] : []))
          : [],
      ),
    ]);
  switch (kind) {
    case 'sideOut':
      return new Set(whole);
    case 'ampAlone':
      return new Set([amp]);
    case 'straightIn':
      return new Set([guitar, amp]);
    case 'closedCable':
      return new Set(whole.slice(-2));
    case 'fromPart':
      return sideOf([...whole.slice(0, from + 1), amp]);
    case 'intoPart':
      return sideOf([guitar, ...whole.slice(from)]);
    case 'swapCable':
      return new Set([...sideOf(whole)].filter((id) => id !== at));
    default:
      return sideOf(whole);
  }
}

const GUITAR_PICKS_UP: readonly FaultName[] = [
  'coilHum',
  'stringGround',
  'lamp',
  'microphonicPickup',
];
const GONE_WHILE_OFF: readonly FaultName[] = ['dead', 'noisy', 'muchGain', 'fightsNext'];
const CURED_BY: Partial<Readonly<Record<TestKind, readonly FaultName[]>>> = {
  guitarAtZero: GUITAR_PICKS_UP,
  lamps: ['lamp'],
  radios: ['transmitter', 'detects'],
  otherCircuit: ['houseCircuit'],
  isolate: ['groundLoop'],
};
/** Sometimes it helps, and sometimes not. */
const MAY_CURE: Partial<Readonly<Record<TestKind, readonly FaultName[]>>> = {
  turn: ['coilHum', 'lamp'],
  layApart: ['besideMains'],
  moveAmp: ['nearTransformer', 'microphonicPickup'],
};
const SHOWN_BY_METER: readonly FaultName[] = ['open', 'sleeveOpen', 'short', 'leak', 'otherCable'];
const SHOWN_BY_MOVING: readonly FaultName[] = [
  'joint',
  'microphonic',
  'guitarJack',
  'scratchyPot',
  'jackLoose',
  'ampInput',
];
const OF_POWER: readonly FaultName[] = [
  'noPower',
  'loosePower',
  'sharedNoise',
  'supplyDead',
  'supplyHum',
];

/** What somebody on the stage would truly say; "either" where both may be. */
export function trueAnswer(rig: Rig, { part, fault }: Wrong, test: TraceTest): boolean | 'either' {
  const { kind, at } = test;
  switch (kind) {
    case 'knobs':
      return fault === 'volumeDown' || fault === 'muted';
    case 'wiggle':
      return part === at && SHOWN_BY_MOVING.includes(fault) ? 'either' : false;
    case 'meterCable':
      if (part !== at) return false;
      return fault === 'joint' ? 'either' : SHOWN_BY_METER.includes(fault);
    case 'meterPower':
      return meteredAt(rig, { part, fault }, at!);
    default:
      return isStillThere(rig, { part, fault }, kind, at);
  }
}

const hasFootSwitch = (rig: Rig, id: string): boolean => {
  const device = rig.electrical.rows[0]!.devices.find((one) => one.id === id);
  return device !== undefined && device.bypass !== 'alwaysOn' && device.bypass !== 'passive';
};

function meteredAt(rig: Rig, { part, fault }: Wrong, device: string): boolean | 'either' {
  const feed = rig.power.feeds.find(({ consumer }) => consumer === device)!;
  if (fault === 'supplyDead') return part === feed.supply;
  if (part !== feed.id) return false;
  return fault === 'loosePower' ? 'either' : fault === 'noPower';
}

function isStillThere(
  rig: Rig,
  { part, fault }: Wrong,
  kind: TestKind,
  at: string | null,
): boolean | 'either' {
  const inCircuit = circuit(rig, kind, at);
  const fed = rig.power.feeds
    .filter(({ id, supply }) => part === 'ground' || id === part || supply === part)
    .map(({ consumer }) => consumer);
  if (fault === 'groundLoop' && fed.length === 0) return kind !== 'isolate' && kind !== 'sideOut';
  const isOfPower = OF_POWER.includes(fault) || fault === 'groundLoop';
  if (isOfPower && !fed.some((id) => inCircuit.has(id))) return false;
  if (!isOfPower && part !== 'room' && !inCircuit.has(part)) return false;
  const guitar = rig.state.playing ?? rig.electrical.guitars[0]!.id;
  if (GUITAR_PICKS_UP.includes(fault) && !inCircuit.has(guitar)) return false;
  const isOff = kind === 'allOff' || (kind === 'switchOff' && at === part);
  if (GONE_WHILE_OFF.includes(fault) && isOff && hasFootSwitch(rig, part)) return false;
  if (CURED_BY[kind]?.includes(fault)) return false;
  if (MAY_CURE[kind]?.includes(fault)) return 'either';
  return isOfPower && fault !== 'groundLoop' ? withOtherPower(fed, fault, kind, at) : true;
}

/** One device on a battery, or alone on its supply: what several have in common stays for the others. */
function withOtherPower(
  fed: readonly string[],
  fault: FaultName,
  kind: TestKind,
  at: string | null,
): boolean | 'either' {
  if ((kind !== 'battery' && kind !== 'fedAlone') || !fed.includes(at!)) return true;
  if (fed.length > 1) return true;
  if (kind === 'battery') return false;
  return fault === 'sharedNoise' ? false : fault === 'supplyHum' ? 'either' : true;
}
