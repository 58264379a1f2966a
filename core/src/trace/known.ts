import { cableList, findingOf, LEAST_LEAK_OHM, type BuildRecords, type CableTest } from '../build';
import { faultsOf, type PowerFault } from '../power';
import { findCable, findDevice, isEngaged, mainRow, type Rig } from '../rig';
import { isQuietClass } from '../gear';
import type { FaultName } from './faultKinds';
import type { Place, Reason } from './places';

/// What is known of a rig beyond its parts: how cables were tested and made, what is wrong with its power, how it is laid,
/// how its switches stand.

export interface Known {
  readonly reasonsFor: (fault: FaultName, place: Place) => readonly Reason[];
}

/** What was found counts as long as the cable is what it was. */
function lastTests(rig: Rig, { tests }: BuildRecords): ReadonlyMap<string, CableTest> {
  const now = new Map(cableList(rig).map(({ id, fingerprint }) => [id, fingerprint]));
  const last = new Map<string, CableTest>();
  for (const test of tests.toSorted((a, b) => a.at.localeCompare(b.at)))
    if (now.get(test.cable)?.split('#')[0] === test.fingerprint.split('#')[0])
      last.set(test.cable, test);
  return last;
}

const PASSED = 0.3;
const FAILED = 6;
const UNFED = 20;
const WRONG_POWER = 6;
const TOGETHER = 2;
const CLOCKED_NEIGHBOUR = 3;
const MUTING_NOW = 12;
const SCREWED = 1.5;
const LONG_M = 5;
const LONG = 1.6;

export function knownOf(rig: Rig, records: BuildRecords): Known {
  const tests = lastTests(rig, records);
  const faults = faultsOf(rig);
  const made = new Set(
    cableList(rig)
      .filter(({ isBought }) => !isBought)
      .map(({ id }) => id),
  );
  return {
    reasonsFor: (fault, place) => [
      ...(place.on === 'cable' ? aboutCable({ rig, tests, made }, fault, place.part) : []),
      ...(place.on === 'device' ? aboutDevice(rig, fault, place.part) : []),
      ...(place.on === 'feed' ? aboutFeed(rig, fault, place, faults) : []),
      ...(place.on === 'supply' ? aboutSupply(place, faults) : []),
    ],
  };
}

/** Which entry of a test speaks of which fault: true where it was found right. */
const TRIED: Partial<Readonly<Record<FaultName, (test: CableTest) => boolean | null>>> = {
  open: ({ tipThrough }) => tipThrough,
  sleeveOpen: ({ sleeveThrough }) => sleeveThrough,
  short: ({ leakOhm }) => (leakOhm === null ? null : leakOhm > 1e3),
  leak: ({ leakOhm }) => (leakOhm === null ? null : leakOhm >= LEAST_LEAK_OHM),
  joint: ({ wiggle, pull }) =>
    wiggle === null && pull === null ? null : wiggle !== false && pull !== false,
  otherCable: ({ capacitanceF }) => (capacitanceF === null ? null : true),
};

interface Tested {
  readonly rig: Rig;
  readonly tests: ReadonlyMap<string, CableTest>;
  /** Cables that were made here. */
  readonly made: ReadonlySet<string>;
}

function aboutCable(of: Tested, fault: FaultName, id: string): readonly Reason[] {
  const { rig, made } = of;
  const isLong = (findCable(rig, id)?.lengthM.value ?? 0) >= LONG_M;
  const { joints, lanes } = rig.build.ways;
  return [
    ...aboutTest(of, fault, id),
    ...reasonIf(
      fault === 'joint' && made.has(id) && joints === 'screwOn',
      'screw-on plugs',
      SCREWED,
    ),
    ...reasonIf(
      fault === 'besideMains' && lanes === 'together',
      'audio and power lie together',
      TOGETHER,
    ),
    ...reasonIf(isLong && STRAINED.includes(fault), 'long, and moved and trodden on', LONG),
  ];
}

const STRAINED: readonly FaultName[] = ['joint', 'microphonic', 'besideMains', 'sleeveOpen'];

const reasonIf = (is: boolean, says: string, factor: number): readonly Reason[] =>
  is ? [{ says, factor }] : [];

/** What the last test of a cable said of this fault. */
function* aboutTest({ rig, tests }: Tested, fault: FaultName, id: string): Generator<Reason> {
  const test = tests.get(id);
  const tried = test ? (TRIED[fault]?.(test) ?? null) : null;
  if (!test || tried === null) return;
  const says = findingOf(test, findCable(rig, id) ?? null).says;
  const isRight = tried && !(fault === 'otherCable' && says.some((one) => one.includes('pF')));
  const day = test.at.slice(0, 10);
  yield isRight
    ? { says: `tested ${day}, right then`, factor: PASSED }
    : { says: `tested ${day}, not right`, factor: FAILED };
}

function aboutDevice(rig: Rig, fault: FaultName, id: string): readonly Reason[] {
  const device = findDevice(rig, id);
  if (!device) return [];
  if (fault === 'fightsNext') return aboutFuzz(rig, id);
  if (fault !== 'muted') return [];
  const isAtHeel = device.pot !== null && device.pot.travel.value < HEEL;
  return [
    ...reasonIf(device.mutes && isEngaged(rig, device), 'it is switched on now', MUTING_NOW),
    ...reasonIf(isAtHeel, 'it stands at its heel now', MUTING_NOW),
  ];
}

/** Travel of a volume that lets next to nothing through. */
const HEEL = 0.05;

function aboutFuzz(rig: Rig, id: string): readonly Reason[] {
  const { devices } = mainRow(rig);
  const next = devices[devices.findIndex((one) => one.id === id) + 1];
  const isFuzz = next?.deviceClass === 'lowImpedanceFuzz' || next?.deviceClass === 'fuzz';
  return isFuzz
    ? [{ says: `${next.name} follows it`, factor: 4 }]
    : [{ says: 'no fuzz follows it', factor: 0.2 }];
}

const WANTING: readonly PowerFault['kind'][] = [
  'unfed',
  'loose',
  'dcIntoAc',
  'underVoltage',
  'drop',
  'polarity',
];

function* aboutFeed(
  rig: Rig,
  fault: FaultName,
  { feeds: [consumer] }: Place,
  faults: readonly PowerFault[],
): Generator<Reason> {
  const wrong = faults.find(
    (one) => 'consumer' in one && one.consumer === consumer && WANTING.includes(one.kind),
  );
  if (fault === 'noPower' && wrong)
    yield { says: 'Power says that it is fed wrong', factor: UNFED };
  if (fault !== 'sharedNoise') return;
  const shared = faults.some(
    (one) => one.kind === 'sharing' && consumer !== undefined && one.consumers.includes(consumer),
  );
  if (shared) yield { says: 'it shares its outlet or ground', factor: WRONG_POWER };
  const own = rig.power.feeds.find((feed) => feed.consumer === consumer);
  const beside = rig.power.feeds.some((feed) => {
    const device = findDevice(rig, feed.consumer);
    const isSame = feed.supply === own?.supply && feed.outlet === own.outlet && feed !== own;
    return isSame && device !== undefined && !isQuietClass(device.deviceClass);
  });
  yield beside
    ? { says: 'a clocked pedal is on its outlet', factor: CLOCKED_NEIGHBOUR }
    : { says: 'no clocked pedal is on its outlet', factor: 0.3 };
}

function* aboutSupply({ part }: Place, faults: readonly PowerFault[]): Generator<Reason> {
  const over = faults.some(
    (one) => (one.kind === 'overload' || one.kind === 'overFull') && one.supply === part,
  );
  if (over) yield { says: 'more is asked of it than it should give', factor: WRONG_POWER };
}
