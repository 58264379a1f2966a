import { settingsOf, USUAL_EFFICIENCY, type AdaptorClass, type Supply } from '../../gear';
import { feedOf, type PowerFeed, type Rig } from '../../rig';
import { consumersOf, isApart, polesDiffer, type Consumer } from '../consumers';
import { cableDrop, doublerInput, leastVolts, mostVolts } from '../electrics';
import { feedingsOf, type Feedings, type OutletState } from '../feeding';
import { waysOfPower } from '../ways';

/// Every way in which a thing could be fed, so far as it alone decides: the right voltage, current, poles. Outlets of a
/// group at one voltage are one class: which of them it is is told when all is decided.

/** Outlets that are alike, at one of their voltages. */
export interface OutletClass {
  readonly supply: Supply;
  readonly group: number;
  readonly volts: number;
  readonly amps: number;
}

/** A thing on an outlet of its own class, by itself or as the first of a chain. */
export interface Choice {
  readonly consumer: number;
  readonly on: OutletClass;
  /** In series with it. */
  readonly second: OutletClass | null;
  readonly via: PowerFeed['via'];
  /** What each of its outlets gives, A. */
  readonly amps: number;
  readonly lengthM: number;
  readonly parts: readonly AdaptorClass[];
  /** What may be drawn from the outlet in all while the voltage here is still enough, A. */
  readonly mostAmps: number;
}

/** A thing that goes on from the first of a chain. */
export interface Link {
  readonly consumer: number;
  /** Its head: another thing, or an outlet that is fixed. */
  readonly head: number | FixedOutlet;
  readonly on: OutletClass;
  readonly via: PowerFeed['via'];
  readonly amps: number;
  readonly lengthM: number;
  readonly parts: readonly AdaptorClass[];
  readonly mostAmps: number;
}

/** An outlet on which something hangs that stays there. */
export interface FixedOutlet {
  readonly state: OutletState;
  readonly things: readonly Consumer[];
  readonly head: Consumer;
  readonly on: OutletClass;
  /** What else may be drawn from it while enough arrives at all of them, A. */
  readonly spareAmps: number;
}

export interface Situation {
  readonly rig: AssignedRig;
  /** What is to be fed, hungriest first. */
  readonly free: readonly Consumer[];
  readonly feedings: Feedings;
  readonly classes: readonly OutletClass[];
  /** Of each class, outlets on which nothing is fixed. */
  readonly freeOutlets: (of: OutletClass) => number;
  readonly fixed: readonly FixedOutlet[];
  readonly choices: readonly Choice[];
  readonly links: readonly Link[];
}

export type AssignedRig = Pick<Rig, 'electrical' | 'layout' | 'power'>;

/** What a doubler lets through where no list says, A. */
export const USUAL_DOUBLER_A = 0.2;

export function situationOf(rig: AssignedRig, doublerA: number = USUAL_DOUBLER_A): Situation {
  const fixedFeeds = rig.power.feeds.filter(({ isFixed }) => isFixed);
  const kept = { ...rig, power: { ...rig.power, feeds: fixedFeeds } };
  const feedings = feedingsOf(kept);
  const held = new Set(fixedFeeds.map(({ consumer }) => consumer));
  const free = consumersOf(rig)
    .filter(({ id }) => !held.has(id))
    .map((consumer, i) => ({ consumer, i }))
    .sort((a, b) => b.consumer.need.supplyA.value - a.consumer.need.supplyA.value || a.i - b.i)
    .map(({ consumer }) => consumer);
  const classes = rig.power.supplies.flatMap(classesOf);
  const taken = feedings.supplies.flatMap(({ outlets }) =>
    outlets.filter(({ hung, helps }) => hung.length + helps.length > 0),
  );
  const freeOutlets = ({ supply, group }: OutletClass): number =>
    supply.groups[group]!.outlets -
    taken.filter((one) => one.supply === supply && one.group === group).length;
  const context: Context = { rig, free, doublerA, ways: waysOfPower(rig) };
  const fixed = taken.flatMap((state) => fixedOutlet(context, classes, state));
  const hasRoom = ({ on, second }: Choice): boolean =>
    freeOutlets(on) > (second?.group === on.group ? 1 : 0) &&
    (second === null || freeOutlets(second) > 0);
  const all = free.flatMap((_, i) => [...choicesOf(context, i, classes)]);
  const choices = all.filter(hasRoom);
  const links = rig.power.feeding === 'isolated' ? [] : [...linksOf(context, choices, fixed)];
  return { rig, free, feedings, classes, freeOutlets, fixed, choices, links };
}

interface Context {
  readonly rig: AssignedRig;
  readonly free: readonly Consumer[];
  readonly doublerA: number;
  readonly ways: ReturnType<typeof waysOfPower>;
}

const classesOf = (supply: Supply): readonly OutletClass[] =>
  supply.groups.flatMap((group, g) =>
    settingsOf(group)
      .filter(({ amps }) => amps > 0)
      .map(({ volts, amps }) => ({ supply, group: g, volts, amps })),
  );

/** A fixed outlet that others may go on from: nothing on it is doubled or in series. */
function fixedOutlet(
  context: Context,
  classes: readonly OutletClass[],
  state: OutletState,
): readonly FixedOutlet[] {
  const { hung, helps, supply, group, setting } = state;
  const on = classes.find(
    (one) => one.supply === supply && one.group === group && one.volts === setting.volts,
  );
  const head = hung.find(({ feed }) => feed.after === null);
  const isPlain = hung.every(({ feed }) => feed.via !== 'doubled' && feed.second === null);
  if (!head || !on || !isPlain || helps.length > 0) return [];
  const things = hung.map(({ consumer }) => consumer);
  const spareAmps = Math.min(
    ...hung.map(({ consumer, volts }) =>
      mostOver(context, volts - leastVolts(consumer), head.feed.lengthM.value),
    ),
  );
  return [{ state, things, head: head.consumer, on, spareAmps }];
}

const groupOf = ({ supply, group }: OutletClass) => supply.groups[group]!;

/** How a plug of this outlet gets into that jack: null where it cannot. */
function viaFor(on: OutletClass, { need }: Consumer): 'straight' | 'reversed' | null {
  const { polarity } = groupOf(on);
  if ((polarity === 'ac') !== (need.polarity === 'ac')) return null;
  return polarity === need.polarity ? 'straight' : 'reversed';
}

const fill = ({ rig }: Context): number => rig.power.fill.value;

/** A hair of room for numbers that do not come out even. */
const HAIR = 1e-9;

const fits = (context: Context, on: OutletClass, amps: number): boolean =>
  amps <= fill(context) * on.amps * (1 + HAIR);

/** As long as somebody said, else as far as it is. */
function lengthFor({ rig }: Context, consumer: Consumer, farM: number): number {
  const said = feedOf(rig.power, consumer.id)?.lengthM;
  return said && said.from !== 'assumed' && said.from !== 'laid' ? said.value : farM;
}

/** How much may be drawn over a cable while enough arrives. */
const mostOver = ({ rig }: Context, spareV: number, lengthM: number): number => {
  const ohm = cableDrop(rig.power.rPerMOhm.value, lengthM, 1);
  return ohm > 0 ? spareV / ohm : Infinity;
};

function* choicesOf(
  context: Context,
  i: number,
  classes: readonly OutletClass[],
): Generator<Choice> {
  const consumer = context.free[i]!;
  const amps = consumer.need.supplyA.value;
  for (const on of classes) {
    const via = viaFor(on, consumer);
    if (via === null) continue;
    const farM = context.ways.fromGroup(on.supply.id, on.group, consumer.id);
    const lengthM = lengthFor(context, consumer, farM);
    const choice = { consumer: i, on, second: null, via, amps, lengthM } as const;
    const turned = via === 'reversed' ? (['reverser'] as const) : [];
    if (isRight(consumer, on.volts) && fits(context, on, amps)) {
      const mostAmps = mostOver(context, on.volts - leastVolts(consumer), lengthM);
      if (amps <= mostAmps) yield { ...choice, parts: turned, mostAmps };
    }
    if (via !== 'straight' || groupOf(on).polarity === 'ac') continue;
    yield* doubled(context, consumer, choice);
    for (const second of classes) yield* inSeries(context, consumer, choice, second);
  }
}

const isRight = (consumer: Consumer, volts: number): boolean =>
  volts <= mostVolts(consumer) && volts >= leastVolts(consumer);

type Bare = Omit<Choice, 'parts' | 'mostAmps'>;

function* doubled(context: Context, consumer: Consumer, bare: Bare): Generator<Choice> {
  const { on, lengthM, amps } = bare;
  if (!isRight(consumer, 2 * on.volts) || amps > context.doublerA) return;
  const drawn = doublerInput(amps, 2, 1, USUAL_EFFICIENCY);
  const mostAmps = mostOver(context, on.volts - leastVolts(consumer) / 2, lengthM);
  if (fits(context, on, drawn) && drawn <= mostAmps)
    yield { ...bare, via: 'doubled', amps: drawn, parts: ['doubler'], mostAmps };
}

function* inSeries(
  context: Context,
  consumer: Consumer,
  bare: Bare,
  second: OutletClass,
): Generator<Choice> {
  const { on, lengthM, amps } = bare;
  // The outlet in series is at its usual voltage; two usual ones in both orders would be the same pair twice.
  const isUsual = (one: OutletClass): boolean => one.volts === groupOf(one).volts;
  const isTwice = second.group < on.group && isUsual(on);
  if (second.supply !== on.supply || !isUsual(second) || isTwice) return;
  if ([on, second].some((one) => groupOf(one).ground === 'shared')) return;
  if (groupOf(second).polarity !== groupOf(on).polarity) return;
  const volts = on.volts + second.volts;
  const mostAmps = mostOver(context, volts - leastVolts(consumer), lengthM);
  const isEnough = fits(context, on, amps) && fits(context, second, amps) && amps <= mostAmps;
  if (isRight(consumer, volts) && isEnough)
    yield { ...bare, second, parts: ['seriesCable'], mostAmps };
}

/** Whether the habits let these two be on one ground. */
export function mayPair(rig: AssignedRig, one: Consumer, other: Consumer): boolean {
  if (isApart(rig, one) || isApart(rig, other)) return false;
  if (polesDiffer(one.need.ground, other.need.ground)) return false;
  return rig.power.feeding === 'chain' || (one.isQuiet && other.isQuiet);
}

function* linksOf(
  context: Context,
  choices: readonly Choice[],
  fixed: readonly FixedOutlet[],
): Generator<Link> {
  for (const head of choices)
    if (head.via !== 'doubled' && !head.second) yield* linksBehind(context, head);
  for (const outlet of fixed) yield* linksOnto(context, outlet);
}

function* linksBehind(context: Context, head: Choice): Generator<Link> {
  const { free, rig, ways } = context;
  const first = free[head.consumer]!;
  for (let i = head.consumer + 1; i < free.length; i++) {
    const consumer = free[i]!;
    if (!mayPair(rig, first, consumer)) continue;
    const farM = ways.fromThing(first.id, consumer.id);
    const link = linkOf(context, i, head.consumer, head.on, farM, head.lengthM);
    if (link && fits(context, head.on, head.amps + link.amps)) yield link;
  }
}

function* linksOnto(context: Context, outlet: FixedOutlet): Generator<Link> {
  const { free, rig, ways } = context;
  const headM = feedOf(rig.power, outlet.head.id)!.lengthM.value;
  for (const [i, consumer] of free.entries()) {
    if (!outlet.things.every((one) => mayPair(rig, one, consumer))) continue;
    const farM = ways.fromThing(outlet.head.id, consumer.id);
    const link = linkOf(context, i, outlet, outlet.on, farM, headM);
    if (link && fits(context, outlet.on, outlet.state.amps + link.amps)) yield link;
  }
}

function linkOf(
  context: Context,
  i: number,
  head: Link['head'],
  on: OutletClass,
  farM: number,
  headLengthM: number,
): Link | null {
  const consumer = context.free[i]!;
  const via = viaFor(on, consumer);
  if (via === null || !isRight(consumer, on.volts)) return null;
  const amps = consumer.need.supplyA.value;
  const lengthM = lengthFor(context, consumer, farM);
  const ownV = cableDrop(context.rig.power.rPerMOhm.value, lengthM, amps);
  const mostAmps = mostOver(context, on.volts - leastVolts(consumer) - ownV, headLengthM);
  const turned = via === 'reversed' ? (['reverser'] as const) : [];
  if (mostAmps < amps) return null;
  return { consumer: i, head, on, via, amps, lengthM, parts: ['chainCable', ...turned], mostAmps };
}
