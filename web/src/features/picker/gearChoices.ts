import {
  DEVICE_CLASSES,
  deviceOfClass,
  DESTINATION_KINDS,
  destinationOfKind,
  entered,
  gearItem,
  isForRigs,
  guitarOfClass,
  CABLE_CLASSES,
  cableOfClass,
  PICKUP_CLASSES,
  type DeviceClass,
  type DestinationKind,
  type RigItem,
  type RigKind,
  type CableClass,
  type PickupClass,
} from '@gullwind/core';
import { useMemo } from 'react';
import { useListGearQuery } from '../../app/api';

export type PickerKind = RigKind;

export interface GearChoice {
  readonly group: 'From the gear list' | 'Typical, by class';
  readonly detail: string;
  readonly item: RigItem;
}

/** What there is of a kind: the gear list, then every class with its typical values. */
export function useGearChoices(kind: PickerKind): {
  readonly choices: readonly GearChoice[];
  readonly isLoading: boolean;
} {
  const { data, isLoading } = useListGearQuery();
  const choices = useMemo(() => {
    const listed = (data?.items ?? [])
      .map(({ item }) => item)
      .filter(isForRigs)
      .filter((item) => item.kind === kind && !item.retired);
    return [...listed.map(listedChoice), ...TYPICAL[kind]];
  }, [data, kind]);
  return { choices, isLoading };
}

/** What somebody means who types a name or a kind and goes on: what is called exactly so, else what fits first. */
export function meantBy(all: readonly GearChoice[], typed: string): GearChoice | undefined {
  const found = bestFirst(all, typed);
  return found.find((choice) => isCalled(choice, typed)) ?? found[0];
}

const isCalled = ({ item }: GearChoice, typed: string): boolean =>
  item.thing.name.toLowerCase() === typed.toLowerCase();

/** What matches the typed words; within each group what is called exactly so comes first. */
export function bestFirst(all: readonly GearChoice[], typed: string): GearChoice[] {
  const found = all.filter((choice) => matches(choice, typed));
  const groups = [...new Set(found.map(({ group }) => group))];
  return groups.flatMap((group) =>
    found
      .filter((choice) => choice.group === group)
      .sort((a, b) => Number(isCalled(b, typed)) - Number(isCalled(a, typed))),
  );
}

/** Every typed word begins a word of the name or the detail. */
const matches = ({ item, detail }: GearChoice, typed: string): boolean => {
  const words = ` ${item.thing.name} ${detail}`.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/u)
    .every((word) => words.includes(` ${word}`));
};

/** What is taken from the list says so, whatever becomes of it in the rig. */
const listedChoice = (item: RigItem): GearChoice => ({
  group: 'From the gear list',
  detail: [className(item), item.note].filter(Boolean).join(' · '),
  item: { ...item, thing: { ...item.thing, gear: item.id } } as RigItem,
});

function className(item: RigItem): string {
  switch (item.kind) {
    case 'device':
      return DEVICE_CLASSES[item.thing.deviceClass].label;
    case 'guitar':
      return PICKUP_CLASSES[item.thing.pickupClass].label;
    case 'cable':
      return CABLE_CLASSES[item.thing.cableClass].label;
    case 'destination':
      return DESTINATION_KINDS[item.thing.kind].label;
  }
}

const typical = (item: RigItem, detail: string): GearChoice => ({
  group: 'Typical, by class',
  detail,
  item,
});
const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>) => Object.keys(table) as K[];

const TYPICAL: Readonly<Record<PickerKind, readonly GearChoice[]>> = {
  device: keysOf<DeviceClass>(DEVICE_CLASSES).map((name) =>
    typical(
      gearItem(`class-${name}`, 'device', deviceOfClass(name, 'd1')),
      `typical ${DEVICE_CLASSES[name].label}, every value assumed`,
    ),
  ),
  guitar: keysOf<PickupClass>(PICKUP_CLASSES).map((name) =>
    typical(
      gearItem(`class-${name}`, 'guitar', guitarOfClass(name, PICKUP_CLASSES[name].label)),
      'typical values, every one assumed',
    ),
  ),
  cable: keysOf<CableClass>(CABLE_CLASSES).map((name) =>
    typical(
      gearItem(`class-${name}`, 'cable', cableOfClass(name, 'l1', entered(6))),
      `${CABLE_CLASSES[name].cPerMPF} pF/m`,
    ),
  ),
  destination: keysOf<DestinationKind>(DESTINATION_KINDS).map((kind) =>
    typical(
      gearItem(
        `class-${kind}`,
        'destination',
        destinationOfKind(kind, DESTINATION_KINDS[kind].label),
      ),
      'typical values, every one assumed',
    ),
  ),
};
