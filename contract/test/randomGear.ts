import {
  CHOICE_RULES,
  chooseInPart,
  DEVICE_CLASSES,
  deviceOfClass,
  DESTINATION_KINDS,
  destinationOfKind,
  entered,
  FIELD_RULES,
  FIXTURE_CLASSES,
  fixtureOfClass,
  MOUNT_SIZES,
  mountOfSize,
  GEAR_KINDS,
  gearItem,
  gearOf,
  guitarOfClass,
  CABLE_CLASSES,
  cableOfClass,
  PICKUP_CLASSES,
  pickupOfClass,
  PLUG_SHAPES,
  plugOfShape,
  setInPart,
  typicalBoard,
  typicalBody,
  SUPPLY_CLASSES,
  supplyOfClass,
  typicalSupplyCase,
  ADAPTOR_CLASSES,
  adaptorOfClass,
  outletGroup,
  type Case,
  type FieldRule,
  type GearItem,
  type GearKind,
  type Sourced,
} from '@gullwind/core';
import fc from 'fast-check';

/// Entries of the gear list of every kind, with any values, origins, words and qualities.

const keysOf = <K extends string>(table: Readonly<Record<K, unknown>>) => Object.keys(table) as K[];
const name = fc
  .string({ minLength: 1, maxLength: 60, unit: 'grapheme-composite' })
  .map((text) => text.replace(/\s+/gu, ' ').trim())
  .filter((text) => text !== '' && text.length <= 80);
const formulaName = fc.constantFrom(
  '=1+1',
  "'=x",
  '@cmd',
  '-cable',
  '+44',
  "'",
  '"quoted", cable',
  'a;b',
);
const words = fc.oneof(name, formulaName);

/** Places of any sort within a thing of this size. */
const placesOn = (kind: GearKind, path: string, [w, d]: readonly [number, number]) => {
  const { words, numbers } = gearOf(kind).lists[path]!;
  const share = fc.constantFrom(0, 0.1, 1 / 3, 0.5, 0.98);
  const least = Math.min(w, d);
  return fc.array(
    fc.record({
      ...Object.fromEntries(
        Object.entries(words).map(([key, all]) => [key, fc.constantFrom(...all)]),
      ),
      ...Object.fromEntries(numbers.map((key) => [key, share.map((part) => part * least)])),
    }),
    { maxLength: 5 },
  );
};

const settingV = fc.constantFrom(5, 9, 9.6, 12, 18);
const settingA = fc.constantFrom(0, 0.1, 0.123456789, 0.5);
const randomGroups = fc.array(
  fc
    .record({
      outlets: fc.integer({ min: 1, max: 8 }),
      volts: settingV,
      amps: settingA,
      ground: fc.constantFrom('isolated', 'shared'),
      polarity: fc.constantFrom('centreNegative', 'centrePositive', 'ac'),
      second: fc.option(fc.tuple(settingV, settingA)),
    })
    .map(({ outlets, volts, amps, second, ...more }) =>
      outletGroup(outlets, volts, amps, {
        ...more,
        volts2: second?.[0] ?? 0,
        amps2: second?.[1] ?? 0,
      }),
    ),
  { minLength: 1, maxLength: 4 },
);

const BLANKS: Readonly<Record<GearKind, fc.Arbitrary<object>>> = {
  guitar: fc.tuple(fc.constantFrom(...keysOf(PICKUP_CLASSES)), fc.boolean()).map(([kind, two]) => ({
    ...guitarOfClass(kind, ''),
    second: two ? pickupOfClass('hotHumbucker') : null,
  })),
  device: fc
    .tuple(fc.constantFrom(...keysOf(DEVICE_CLASSES)), fc.option(words, { nil: undefined }))
    .map(([kind, fails]) => ({
      ...deviceOfClass(kind, 'd1'),
      ...(fails === undefined
        ? {}
        : { body: { ...typicalBody(deviceOfClass(kind, 'd1')), fails } }),
    })),
  cable: fc.constantFrom(...keysOf(CABLE_CLASSES)).map((k) => cableOfClass(k, 'l1', entered(6))),
  destination: fc
    .constantFrom(...keysOf(DESTINATION_KINDS))
    .map((kind) => destinationOfKind(kind, '')),
  plug: fc.constantFrom(...keysOf(PLUG_SHAPES)).map((shape) => plugOfShape(shape, '')),
  supply: fc
    .tuple(fc.constantFrom(...keysOf(SUPPLY_CLASSES)), randomGroups, fc.boolean())
    .map(([of, groups, hasCase]) => {
      const supply = { ...supplyOfClass(of, ''), groups };
      return hasCase ? { ...supply, body: typicalSupplyCase(supply) } : supply;
    }),
  adaptor: fc.constantFrom(...keysOf(ADAPTOR_CLASSES)).map((of) => adaptorOfClass(of, '')),
  board: fc.constant(typicalBoard('')),
  fixture: fc.constantFrom(...keysOf(FIXTURE_CLASSES)).map((of) => fixtureOfClass(of, 'x1')),
  mount: fc.constantFrom(...keysOf(MOUNT_SIZES)).map((size) => mountOfSize(size)),
};

/** Quantities that are written to their last bit; the others to fourteen digits. */
const TIDY: readonly string[] = ['fraction', 'level', 'ratio', 'voltage', 'count', 'share'];

function valueIn({ min, max, quantity }: FieldRule): fc.Arbitrary<number> {
  if (quantity === 'count') return fc.integer({ min, max });
  const any = fc.double({ min, max, noNaN: true });
  return TIDY.includes(quantity)
    ? any.map((value) => Math.min(max, Math.max(min, Number(value.toPrecision(8)))))
    : any;
}

const origin = fc.oneof(
  fc.constantFrom({ from: 'assumed' } as const, { from: 'sheet' } as const),
  fc.record({
    from: fc.constantFrom('entered', 'measured'),
    on: fc.constantFrom('2026-02-28', '2024-02-29'),
    by: fc.constantFrom('bench meter; 1 kHz', 'by ear', '=meter'),
    tolerance: fc.constantFrom(0.05, 0.123456789, 1, 0.1 + 0.2),
  }),
);

const filled = (kind: GearKind, blank: object): fc.Arbitrary<object> => {
  const rules = Object.entries(FIELD_RULES[kind] as Record<string, FieldRule>);
  const choices = Object.entries(
    CHOICE_RULES[kind] as Record<string, readonly (string | boolean)[]>,
  );
  const sets = rules.map(([path, rule]) =>
    fc.option(fc.tuple(fc.constant(path), valueIn(rule), origin), { nil: null }),
  );
  const picks = choices.map(([path, all]) =>
    fc.option(fc.tuple(fc.constant(path), fc.constantFrom(...all)), { nil: null }),
  );
  return fc.tuple(fc.tuple(...sets), fc.tuple(...picks)).map(([numbers, chosen]) => {
    let thing = blank;
    for (const one of numbers) {
      if (!one) continue;
      const to = { value: one[1], ...one[2] } as Sourced;
      const change = setInPart(kind, thing, one[0], to);
      if (change.kind === 'ok') thing = change.part;
    }
    for (const one of chosen) {
      const change = one && chooseInPart(kind, thing, one[0], one[1]);
      if (change?.kind === 'ok') thing = change.part;
    }
    return thing;
  });
};

/** Jacks and switches somewhere on the case, as it is by then. */
function withPlaces(kind: GearKind, thing: object): fc.Arbitrary<object> {
  const { body } = thing as { readonly body?: Case };
  if (!body) return fc.constant(thing);
  const size = [body.widthM.value, body.depthM.value] as const;
  return fc
    .tuple(placesOn(kind, 'body.jacks', size), placesOn(kind, 'body.switches', size))
    .map(([jacks, switches]) => ({ ...thing, body: { ...body, jacks, switches } }));
}

export const randomItem: fc.Arbitrary<GearItem> = fc
  .constantFrom(...GEAR_KINDS)
  .chain((kind) =>
    fc.tuple(
      fc.constant(kind),
      fc.uuid(),
      BLANKS[kind].chain((blank) => filled(kind, blank)).chain((thing) => withPlaces(kind, thing)),
      words,
      fc.oneof(fc.constant(''), words),
      fc.boolean(),
      fc.record({
        price: fc.option(fc.constantFrom(0, 12.5, 1e6)),
        supplier: fc.oneof(fc.constant(''), words),
        form: fc.option(fc.constantFrom('madeUp', 'reel')),
        stiffness: fc.option(fc.constantFrom('soft', 'medium', 'stiff')),
        ruggedness: fc.option(fc.constantFrom('delicate', 'sturdy', 'roadworthy')),
        shield: fc.option(fc.constantFrom('spiral', 'braid', 'foil', 'doubleBraid', 'plastic')),
      }),
    ),
  )
  .map(
    ([kind, id, thing, called, note, retired, qualities]) =>
      ({
        ...gearItem(`g-${id}`, kind, { ...thing, name: called } as never, note),
        retired,
        qualities,
      }) as GearItem,
  );
