import { halvesOf } from '../board';
import { bodyOf, settingsOf, supplyCaseOf, SUPPLY_CLASSES, type Sourced } from '../gear';
import { allDevices, type Place, type Rig } from '../rig';

/// What flies: how heavy it is, which volts it wants, and what waits at the other end.

export interface AwayItem {
  readonly name: string;
  readonly massKg: Sourced;
}

export interface AwayList {
  readonly items: readonly AwayItem[];
  readonly totalKg: number;
  /** How much of it nobody has weighed, kg. */
  readonly assumedKg: number;
  /** Supplies of the mains, with what their outlets give, V. */
  readonly supplies: readonly { readonly name: string; readonly outletV: readonly number[] }[];
  /** Batteries, which airlines count. */
  readonly batteries: readonly string[];
  /** Places with another amp or loop than the rig's own. */
  readonly hired: readonly Place[];
}

export function awayListOf(rig: Rig): AwayList {
  const second = halvesOf(rig);
  const { supplies } = rig.power;
  const items: readonly AwayItem[] = [
    { name: 'case and bare board', massKg: rig.book.caseKg },
    ...allDevices(rig)
      .filter(({ id }) => !second.has(id))
      .map((device) => ({ name: device.name, massKg: bodyOf(device).massKg })),
    ...rig.layout.fixtures.map(({ name, body }) => ({ name, massKg: body.massKg })),
    ...supplies.map((supply) => ({ name: supply.name, massKg: supplyCaseOf(supply).massKg })),
  ];
  const sum = (list: readonly AwayItem[]) =>
    list.reduce((all, { massKg }) => all + massKg.value, 0);
  const isMains = ({ supplyClass }: (typeof supplies)[number]) =>
    SUPPLY_CLASSES[supplyClass].isMains;
  return {
    items,
    totalKg: sum(items),
    assumedKg: sum(items.filter(({ massKg }) => massKg.from === 'assumed')),
    supplies: supplies.filter(isMains).map(({ name, groups }) => ({
      name,
      outletV: [
        ...new Set(groups.flatMap((group) => settingsOf(group).map(({ volts }) => volts))),
      ].sort((a, b) => a - b),
    })),
    batteries: supplies.filter((one) => !isMains(one)).map(({ name }) => name),
    hired: rig.electrical.places.filter(({ destination, loop }) => destination ?? loop),
  };
}
