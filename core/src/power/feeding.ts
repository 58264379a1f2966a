import { groupIndexOf, outletCount, settingsOf, type OutletSetting, type Supply } from '../gear';
import { rememberPair, type PowerFeed, type Rig } from '../rig';
import { consumersOf, type Consumer } from './consumers';
import { cableDrop, inputAmps, outputVolts } from './electrics';

/// How a rig is fed: every outlet with what hangs on it, every thing with the voltage that arrives. Page, board, checks and
/// papers read this value.

/** A thing that hangs on an outlet that is there. */
export interface FedThing {
  readonly consumer: Consumer;
  readonly feed: PowerFeed;
  /** What its outlet gives for it alone, A. */
  readonly amps: number;
  readonly idleAmps: number;
  /** What its cable carries: its own and that of all behind it, A. */
  readonly cableAmps: number;
  /** Lost in its own cable, V. */
  readonly dropV: number;
  /** At its power jack, while all draw the most, V. */
  readonly volts: number;
  /** At its power jack, while nothing is drawn, V. */
  readonly openV: number;
  /** The outlet in series with its own: of a chain, that of the first. */
  readonly second: number | null;
}

export interface OutletState {
  readonly supply: Supply;
  /** Counted from 0 over all outlets of the supply. */
  readonly outlet: number;
  readonly group: number;
  /** As it is set. */
  readonly setting: OutletSetting;
  /** What hangs on it, each after what it goes on from. */
  readonly hung: readonly FedThing[];
  /** What it helps to feed in series with another outlet of its supply, chains to their end. */
  readonly helps: readonly FedThing[];
  readonly amps: number;
  readonly idleAmps: number;
  /** Of its rating; above 1 it is overloaded. */
  readonly share: number;
}

export interface SupplyState {
  readonly supply: Supply;
  readonly outlets: readonly OutletState[];
  /** Drawn from all outlets, W. */
  readonly watts: number;
  /** What it gives at the most, W. */
  readonly mostW: number;
  readonly share: number;
  /** Of a battery that is used: how long it lasts, s. */
  readonly lastsS: number | null;
}

export interface Feedings {
  readonly consumers: readonly Consumer[];
  readonly supplies: readonly SupplyState[];
  readonly fed: ReadonlyMap<string, FedThing>;
  /** Feeds whose outlet is not there, or that go on from something on another outlet. */
  readonly loose: readonly PowerFeed[];
}

/** How a rig is fed. */
export const feedingsOf = (rig: Pick<Rig, 'electrical' | 'layout' | 'power'>): Feedings =>
  ofPower(rig.power, consumersOf(rig));

const ofPower = rememberPair((power: Rig['power'], consumers: readonly Consumer[]): Feedings => {
  const known = new Map(consumers.map((one) => [one.id, one]));
  const present = power.feeds.filter(({ consumer }) => known.has(consumer));
  const rooted = new Set(power.supplies.flatMap((supply) => rootedIn(supply, present)));
  const supplies = power.supplies.map((supply) =>
    supplyState(
      supply,
      power,
      known,
      present.filter((feed) => rooted.has(feed) && feed.supply === supply.id),
    ),
  );
  const things = supplies.flatMap(({ outlets }) => outlets.flatMap(({ hung }) => hung));
  return {
    consumers,
    supplies,
    fed: new Map(things.map((thing) => [thing.consumer.id, thing])),
    loose: present.filter((feed) => !rooted.has(feed)),
  };
});

/** Feeds that hang on an outlet that is there, by themselves or behind one that does. */
function rootedIn(supply: Supply, feeds: readonly PowerFeed[]): readonly PowerFeed[] {
  const count = outletCount(supply);
  const own = feeds.filter((feed) => feed.supply === supply.id && feed.outlet < count);
  const found = own.filter(
    ({ after, second }) => after === null && (second === null || second < count),
  );
  for (let next = found; next.length > 0;) {
    next = own.filter(
      (feed) =>
        !found.includes(feed) &&
        next.some(({ consumer, outlet }) => consumer === feed.after && outlet === feed.outlet),
    );
    found.push(...next);
  }
  return found;
}

function supplyState(
  supply: Supply,
  power: Rig['power'],
  known: ReadonlyMap<string, Consumer>,
  feeds: readonly PowerFeed[],
): SupplyState {
  const settings = Array.from({ length: outletCount(supply) }, (_, outlet) =>
    settingOf(supply, outlet, feeds),
  );
  const hung = settings.map(({ volts }, outlet) =>
    hungOn(
      feeds.filter((feed) => feed.outlet === outlet),
      volts,
      (second) => helpV(supply, outlet, second, settings[second]!.volts),
      power,
      known,
    ),
  );
  const all = hung.flat();
  const outlets = settings.map((setting, outlet): OutletState => {
    const helps = all.filter(({ second }) => second === outlet);
    const on = [...hung[outlet]!, ...helps];
    const amps = sum(on.map((thing) => thing.amps));
    return {
      supply,
      outlet,
      group: groupIndexOf(supply, outlet),
      setting,
      hung: hung[outlet]!,
      helps,
      amps,
      idleAmps: sum(on.map((thing) => thing.idleAmps)),
      share: shareOf(amps, setting.amps),
    };
  });
  const watts = sum(outlets.map(({ amps, setting }) => amps * setting.volts));
  const outletsW = sum(settings.map(({ volts, amps }) => volts * amps));
  const mostW = supply.totalW.value > 0 ? Math.min(supply.totalW.value, outletsW) : outletsW;
  const amps = sum(outlets.map((outlet) => outlet.amps));
  const isBattery = supply.chargeC.value > 0 && amps > 0;
  return {
    supply,
    outlets,
    watts,
    mostW,
    share: shareOf(watts, mostW),
    lastsS: isBattery ? supply.chargeC.value / amps : null,
  };
}

/** What an outlet adds in series: one with its plus where the other has its minus takes away. */
function helpV(supply: Supply, outlet: number, second: number, volts: number): number {
  const [one, other] = [outlet, second].map((at) => supply.groups[groupIndexOf(supply, at)]!);
  return one!.polarity === other!.polarity ? volts : -volts;
}

const sum = (values: readonly number[]): number => values.reduce((all, one) => all + one, 0);

const shareOf = (part: number, whole: number): number =>
  part === 0 ? 0 : whole > 0 ? part / whole : Infinity;

/** As the first of what hangs on it asks, else as usual. A voltage that it does not have is none of its settings. */
function settingOf(supply: Supply, outlet: number, feeds: readonly PowerFeed[]): OutletSetting {
  const settings = settingsOf(supply.groups[groupIndexOf(supply, outlet)]!);
  const asked = feeds.find((feed) => feed.outlet === outlet && feed.volts !== null)?.volts;
  return settings.find(({ volts }) => volts === asked) ?? settings[0]!;
}

/** What hangs on one outlet: what each cable carries, and what arrives. */
function hungOn(
  feeds: readonly PowerFeed[],
  outletV: number,
  helpOf: (outlet: number) => number,
  { rPerMOhm }: Rig['power'],
  known: ReadonlyMap<string, Consumer>,
): readonly FedThing[] {
  const things: FedThing[] = [];
  const carry = (feed: PowerFeed): number =>
    inputAmps(known.get(feed.consumer)!.need.supplyA.value, feed) +
    sum(feeds.filter(({ after }) => after === feed.consumer).map(carry));
  const hang = (feed: PowerFeed, from: number, openV: number, second: number | null): void => {
    const consumer = known.get(feed.consumer)!;
    const cableAmps = carry(feed);
    const dropV = cableDrop(rPerMOhm.value, feed.lengthM.value, cableAmps);
    const plugV = from - dropV;
    things.push({
      consumer,
      feed,
      amps: inputAmps(consumer.need.supplyA.value, feed),
      idleAmps: inputAmps(consumer.need.idleA.value, feed),
      cableAmps,
      dropV,
      volts: outputVolts(plugV, feed.via),
      openV: outputVolts(openV, feed.via),
      second,
    });
    for (const behind of feeds.filter(({ after }) => after === feed.consumer))
      hang(behind, plugV, openV, second);
  };
  for (const feed of feeds.filter(({ after }) => after === null)) {
    const openV = outletV + (feed.second === null ? 0 : helpOf(feed.second));
    hang(feed, openV, openV, feed.second);
  }
  return things;
}

/** An outlet of a rig. */
export const outletState = (
  { supplies }: Feedings,
  supply: string,
  outlet: number,
): OutletState | undefined => supplies.find((one) => one.supply.id === supply)?.outlets[outlet];
