import { outletCount, settingsOf, type Supply } from '../gear';
import type { Feeding, PowerFeed, Rig } from '../rig';
import { isApart, polesDiffer, type Consumer } from './consumers';
import { leastVolts, mostVolts } from './electrics';
import { feedingsOf, type FedThing, type Feedings, type OutletState } from './feeding';

/// What is wrong with how a rig is fed. Nothing of it is ever proposed.

export type PowerFault =
  | { readonly kind: 'unfed'; readonly consumer: string }
  | {
      readonly kind: 'loose';
      readonly consumer: string;
      readonly why: 'supply' | 'outlet' | 'chain';
    }
  | { readonly kind: 'setting'; readonly consumer: string; readonly volts: number }
  | { readonly kind: 'settings'; readonly supply: string; readonly outlet: number }
  | {
      readonly kind: 'overVoltage' | 'underVoltage';
      readonly consumer: string;
      readonly volts: number;
    }
  | { readonly kind: 'drop'; readonly consumer: string; readonly volts: number }
  | {
      readonly kind: 'acIntoDc' | 'dcIntoAc' | 'polarity' | 'doublerOnAc';
      readonly consumer: string;
    }
  | { readonly kind: 'grounds'; readonly consumers: readonly [string, string] }
  | {
      readonly kind: 'plugs';
      readonly supply: string;
      readonly outlet: number;
      readonly consumers: readonly string[];
    }
  | {
      readonly kind: 'series';
      readonly consumer: string;
      readonly why: 'shared' | 'itself' | 'used' | 'ac' | 'opposed';
    }
  | {
      readonly kind: 'overload' | 'overFull';
      readonly supply: string;
      /** Null of the supply as a whole. */
      readonly outlet: number | null;
      readonly share: number;
    }
  | {
      readonly kind: 'sharing';
      readonly supply: string;
      /** Null where they share the ground of the supply. */
      readonly outlet: number | null;
      readonly consumers: readonly string[];
      readonly feeding: Feeding;
    };

/** Everything that is wrong, what could break something first. */
export function faultsOf(rig: Pick<Rig, 'electrical' | 'layout' | 'power'>): readonly PowerFault[] {
  const feedings = feedingsOf(rig);
  return [
    ...faultsOfThings(feedings),
    ...faultsOfOutlets(feedings, rig.power),
    ...faultsOfGrounds(feedings, rig),
    ...faultsOfLoose(feedings, rig.power),
  ];
}

function* faultsOfThings({ fed, consumers, supplies, loose }: Feedings): Generator<PowerFault> {
  for (const consumer of consumers) {
    const thing = fed.get(consumer.id);
    if (thing)
      yield* faultsOfThing(
        thing,
        supplies.find((one) => one.supply.id === thing.feed.supply)!.outlets,
      );
    else if (!loose.some((feed) => feed.consumer === consumer.id))
      yield { kind: 'unfed', consumer: consumer.id };
  }
}

function* faultsOfThing(thing: FedThing, outlets: readonly OutletState[]): Generator<PowerFault> {
  const { consumer, feed } = thing;
  const { id, need } = consumer;
  const on = outlets[feed.outlet]!;
  const group = on.supply.groups[on.group]!;
  const isAc = group.polarity === 'ac';
  if (isAc !== (need.polarity === 'ac'))
    yield { kind: isAc ? 'acIntoDc' : 'dcIntoAc', consumer: id };
  else if (isAc && feed.via === 'doubled') yield { kind: 'doublerOnAc', consumer: id };
  else if (!isAc && (group.polarity === need.polarity) === (feed.via === 'reversed'))
    yield { kind: 'polarity', consumer: id };
  yield* faultsOfVoltage(thing);
  if (feed.volts !== null && !settingsOf(group).some((one) => one.volts === feed.volts))
    yield { kind: 'setting', consumer: id, volts: feed.volts };
  if (feed.after === null && feed.second !== null) yield* faultsOfSeries(thing, outlets);
}

function* faultsOfVoltage({ consumer, volts, openV: open }: FedThing): Generator<PowerFault> {
  const { id } = consumer;
  if (open > mostVolts(consumer)) yield { kind: 'overVoltage', consumer: id, volts: open };
  else if (open < leastVolts(consumer)) yield { kind: 'underVoltage', consumer: id, volts: open };
  else if (volts < leastVolts(consumer)) yield { kind: 'drop', consumer: id, volts };
}

function* faultsOfSeries(
  { consumer, feed }: FedThing,
  outlets: readonly OutletState[],
): Generator<PowerFault> {
  const [first, second] = [outlets[feed.outlet]!, outlets[feed.second!]!];
  const groups = [first, second].map(({ supply, group }) => supply.groups[group]!);
  const about = { kind: 'series', consumer: consumer.id } as const;
  if (feed.outlet === feed.second) yield { ...about, why: 'itself' };
  else if (groups.some(({ ground }) => ground === 'shared')) yield { ...about, why: 'shared' };
  else if (groups.some(({ polarity }) => polarity === 'ac')) yield { ...about, why: 'ac' };
  else if (groups[0]!.polarity !== groups[1]!.polarity) yield { ...about, why: 'opposed' };
  else if (second.hung.length > 0 || headsOf(second.helps).length > 1)
    yield { ...about, why: 'used' };
}

/** What hangs on an outlet by itself, not behind another. */
const headsOf = (things: readonly FedThing[]): readonly FedThing[] =>
  things.filter(({ feed }) => feed.after === null);

function* faultsOfOutlets({ supplies }: Feedings, { fill }: Rig['power']): Generator<PowerFault> {
  for (const { supply, outlets, share } of supplies) {
    for (const { outlet, hung, share: of, setting } of outlets) {
      const where = { supply: supply.id, outlet };
      const heads = headsOf(hung);
      if (heads.length > 1)
        yield { kind: 'plugs', ...where, consumers: heads.map(({ consumer }) => consumer.id) };
      const asked = hung.map(({ feed }) => feed.volts).filter((volts) => volts !== null);
      if (asked.some((volts) => volts !== setting.volts)) yield { kind: 'settings', ...where };
      yield* faultsOfShare({ ...where, share: of }, fill.value);
    }
    yield* faultsOfShare({ supply: supply.id, outlet: null, share }, fill.value);
  }
}

/** A hair over the line is on it. */
const ROUNDING = 1e-9;

function* faultsOfShare(
  about: { readonly supply: string; readonly outlet: number | null; readonly share: number },
  fill: number,
): Generator<PowerFault> {
  if (about.share > 1 + ROUNDING) yield { kind: 'overload', ...about };
  else if (about.share > fill + ROUNDING) yield { kind: 'overFull', ...about };
}

/** Things with one ground: those of an outlet, or those of all outlets of a supply that share theirs. */
export interface GroundShared {
  readonly supply: string;
  /** Null where it is the ground of the supply. */
  readonly outlet: number | null;
  readonly things: readonly Consumer[];
}

/** Every ground that anything hangs on. */
export const groundsOf = ({ supplies }: Feedings): readonly GroundShared[] =>
  supplies.flatMap(({ supply, outlets }) => {
    const isShared = ({ group }: OutletState): boolean => supply.groups[group]!.ground === 'shared';
    const things = (some: readonly OutletState[]): readonly Consumer[] =>
      some.flatMap(({ hung }) => hung.map(({ consumer }) => consumer));
    const shared = { supply: supply.id, outlet: null, things: things(outlets.filter(isShared)) };
    const own = outlets
      .filter((outlet) => !isShared(outlet))
      .map((outlet) => ({ supply: supply.id, outlet: outlet.outlet, things: things([outlet]) }));
    return [shared, ...own].filter((ground) => ground.things.length > 0);
  });

function* faultsOfGrounds(feedings: Feedings, rig: Pick<Rig, 'power'>): Generator<PowerFault> {
  for (const { supply, outlet, things } of groundsOf(feedings)) {
    const other = things.find(({ need }) =>
      things.some((one) => polesDiffer(one.need.ground, need.ground)),
    );
    const against = other && things.find(({ need }) => polesDiffer(need.ground, other.need.ground));
    if (other && against) yield { kind: 'grounds', consumers: [other.id, against.id] };
    const { feeding } = rig.power;
    if (things.length > 1 && !mayShare(things, rig))
      yield { kind: 'sharing', supply, outlet, feeding, consumers: things.map(({ id }) => id) };
  }
}

/** Whether the habits let these be on one ground. */
function mayShare(things: readonly Consumer[], rig: Pick<Rig, 'power'>): boolean {
  if (things.some((one) => isApart(rig, one))) return false;
  switch (rig.power.feeding) {
    case 'isolated':
      return false;
    case 'quietShare':
      return things.every(({ isQuiet }) => isQuiet);
    case 'chain':
      return true;
  }
}

function* faultsOfLoose({ loose }: Feedings, { supplies }: Rig['power']): Generator<PowerFault> {
  for (const feed of loose) {
    const supply = supplies.find(({ id }) => id === feed.supply);
    yield { kind: 'loose', consumer: feed.consumer, why: whyLoose(feed, supply) };
  }
}

function whyLoose(feed: PowerFeed, supply: Supply | undefined): 'supply' | 'outlet' | 'chain' {
  if (!supply) return 'supply';
  const most = outletCount(supply);
  return feed.outlet >= most || (feed.second ?? 0) >= most ? 'outlet' : 'chain';
}

/** The outlet and the things that a fault is about. */
export function placesOf(fault: PowerFault): {
  readonly outlet: readonly [supply: string, outlet: number | null] | null;
  readonly consumers: readonly string[];
} {
  const consumers =
    'consumers' in fault ? fault.consumers : 'consumer' in fault ? [fault.consumer] : [];
  return { outlet: 'supply' in fault ? [fault.supply, fault.outlet] : null, consumers };
}
