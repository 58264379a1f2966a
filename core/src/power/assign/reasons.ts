import type { GearItem, ItemOf } from '../../gear';
import { applyEdit, type Rig } from '../../rig';
import { consumersOf, type Consumer } from '../consumers';
import { leastVolts, mostVolts } from '../electrics';
import { addSupply } from '../feedEdits';
import { sayAmps, sayVolts } from '../words';
import { assignToEnd, type AssignAsked } from './assign';
import { situationOf, type OutletClass } from './choices';
import type { Solve } from '../../program';

/// Why a thing cannot be fed, and what would feed it.

/** Why nothing of the rig can feed this thing, in words. */
export function whyUnfed(rig: Rig, consumer: string, doublerA?: number): string {
  const situation = situationOf(rig, doublerA);
  const at = situation.free.findIndex(({ id }) => id === consumer);
  const thing = situation.free[at];
  if (!thing) return '';
  const { need, name } = thing;
  if (rig.power.supplies.length === 0) return `${name}: there is no supply yet.`;
  const could = [...situation.choices, ...situation.links].filter((one) => one.consumer === at);
  if (could.length > 0)
    return `${name}: every outlet that could feed it is taken by something else.`;
  const all = rig.power.supplies.flatMap(({ groups }) => groups);
  const isAc = need.polarity === 'ac';
  const kind = situation.classes.filter(
    ({ supply, group }) => (supply.groups[group]!.polarity === 'ac') === isAc,
  );
  if (all.length > 0 && kind.length === 0)
    return `${name} wants ${isAc ? 'AC' : 'DC'}, and no outlet gives it.`;
  const right = kind.filter(({ volts }) => isWithin(thing, volts));
  if (right.length === 0)
    return `${name} wants ${sayNeed(thing)}; the outlets give ${voltsOf(kind)}.`;
  return aboutCurrent(rig, thing, right);
}

const isWithin = (thing: Consumer, volts: number): boolean =>
  volts >= leastVolts(thing) && volts <= mostVolts(thing);

const sayNeed = ({ need: { supplyV, supplyMaxV } }: Consumer): string =>
  supplyMaxV.value > supplyV.value
    ? `${sayVolts(supplyV.value)} to ${sayVolts(supplyMaxV.value)}`
    : sayVolts(supplyV.value);

const voltsOf = (classes: readonly OutletClass[]): string =>
  [...new Set(classes.map(({ volts }) => volts))]
    .sort((a, b) => a - b)
    .map(sayVolts)
    .join(', ');

function aboutCurrent(rig: Rig, { name, need }: Consumer, right: readonly OutletClass[]): string {
  const most = Math.max(...right.map(({ amps }) => amps));
  const fill = rig.power.fill.value;
  const wants = `${name} draws ${sayAmps(need.supplyA.value)}`;
  return need.supplyA.value > fill * most
    ? `${wants}; the strongest outlet of its voltage gives ${sayAmps(most)}, ${sayAmps(fill * most)} of it up to the line.`
    : `${wants}; every outlet of its voltage that bears that is taken, or too far away.`;
}

/** Something of the gear list, and who would be fed then. */
export interface Remedy {
  readonly item: ItemOf<'supply'>;
  readonly feeds: readonly string[];
  readonly leaves: readonly string[];
}

/** What one more supply of the list would do, those that feed the most first, then the cheapest. */
export function whatWouldFeed(
  rig: Rig,
  unfed: readonly string[],
  gear: readonly GearItem[],
  solve: Solve,
  asked: AssignAsked = {},
): readonly Remedy[] {
  if (unfed.length === 0) return [];
  const supplies = gear.filter((item) => item.kind === 'supply' && !item.retired);
  const priced = [...supplies].sort((a, b) => priceOf(a) - priceOf(b)) as ItemOf<'supply'>[];
  const remedies = priced.map((item): Remedy => {
    const { id: _, ...supply } = item.thing;
    const tried = applyEdit(rig, addSupply(rig, supply));
    const left =
      tried.kind === 'ok' ? assignToEnd(tried.rig, solve, { ...asked, upTo: 'fed' }).unfed : unfed;
    return { item, feeds: unfed.filter((one) => !left.includes(one)), leaves: left };
  });
  return remedies
    .filter(({ leaves }) => leaves.length < unfed.length)
    .map((remedy, i) => ({ remedy, i }))
    .sort((a, b) => a.remedy.leaves.length - b.remedy.leaves.length || a.i - b.i)
    .map(({ remedy }) => remedy);
}

const priceOf = ({ qualities }: GearItem): number => qualities.price ?? Infinity;

/** What a rig would be fed like by other supplies: how the two compare. */
export interface SupplyTrial {
  readonly unfed: readonly string[];
  readonly headroom: number | null;
  readonly price: number;
  readonly cableM: number;
  /** Outlets of all supplies that nothing hangs on. */
  readonly spare: number;
}

export function trySupply(rig: Rig, solve: Solve, asked: AssignAsked = {}): SupplyTrial {
  const { unfed, headroom, price, cableM, feeds } = assignToEnd(rig, solve, asked);
  const known = new Set(consumersOf(rig).map(({ id }) => id));
  const used = new Set(
    feeds
      .filter(({ consumer }) => known.has(consumer))
      .flatMap(({ supply, outlet, second }) => [
        `${supply} ${outlet}`,
        `${supply} ${second ?? outlet}`,
      ]),
  );
  const outlets = rig.power.supplies.flatMap(({ groups }) => groups.map((one) => one.outlets));
  const spare = outlets.reduce((sum, one) => sum + one, 0) - used.size;
  return { unfed, headroom, price, cableM, spare };
}
