import {
  formatQuantity,
  gearItem,
  gearOf,
  isForRigs,
  type GearItem,
  type RigItem,
  type RigKind,
} from '@gullwind/core';

export type PickerKind = RigKind;

export interface GearChoice {
  readonly group: string;
  readonly detail: string;
  readonly item: RigItem;
}

/**
 * What there is of a kind: the gear list, then every class with its typical values.
 *
 * @param ends what a DI would stand instead of: it is where the way ends, and is looked for among pedals all the same
 */
export function choicesOf(
  gear: readonly GearItem[],
  kind: PickerKind,
  ends: string | null = null,
): readonly GearChoice[] {
  const there = gear.filter(isForRigs).filter((item) => !item.retired);
  const dis = ends === null ? [] : [...there, ...TYPICAL_ENDS];
  return [
    ...there.filter((item) => item.kind === kind).map(listedChoice),
    ...TYPICAL[kind],
    ...dis
      .filter(isDi)
      .map((item) => ({ ...choiceOf(item), group: `Ends the way, instead of ${ends}` })),
  ];
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

const classOf = ({ kind, thing }: RigItem): string => {
  const { field, labels } = gearOf(kind).classes;
  return labels[(thing as unknown as Record<string, string>)[field!]!]!;
};

/** What is taken from the list says so, whatever becomes of it in the rig. */
const listedChoice = (item: RigItem): GearChoice => ({
  group: 'From the gear list',
  detail: [classOf(item), item.note].filter(Boolean).join(' · '),
  item: { ...item, thing: { ...item.thing, gear: item.id } } as RigItem,
});

const typical = (item: RigItem, detail: string): GearChoice => ({
  group: 'Typical, by class',
  detail,
  item,
});
const typicalOf = (kind: PickerKind): readonly GearChoice[] => {
  const { classes, blank } = gearOf(kind);
  return Object.entries(classes.labels).map(([of, label]) => {
    const item = gearItem(`class-${of}`, kind, blank(of) as never) as RigItem;
    return typical(item, detailOf(item, label));
  });
};

function detailOf(item: RigItem, label: string): string {
  switch (item.kind) {
    case 'device':
      return `typical ${label}, every value assumed`;
    case 'cable':
      return formatQuantity(item.thing.cPerMF.value, 'capacitancePerLength', 'metric');
    default:
      return 'typical values, every one assumed';
  }
}

const TYPICAL: Readonly<Record<PickerKind, readonly GearChoice[]>> = {
  device: typicalOf('device'),
  guitar: typicalOf('guitar'),
  cable: typicalOf('cable'),
  destination: typicalOf('destination'),
};

const TYPICAL_ENDS: readonly RigItem[] = TYPICAL.destination.map(({ item }) => item);

const isDi = (item: RigItem): boolean =>
  item.kind === 'destination' &&
  (item.thing.kind === 'activeDi' || item.thing.kind === 'passiveDi');

const choiceOf = (item: RigItem): GearChoice =>
  TYPICAL.destination.find((choice) => choice.item === item) ?? listedChoice(item);
