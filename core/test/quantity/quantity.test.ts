import fc from 'fast-check';
import {
  formatForEditing,
  formatQuantity,
  formatSignedDb,
  parseQuantity,
  QUANTITY_RULES,
  type Quantity,
  type UnitSystem,
} from '../../src/quantity';

const si = (text: string, quantity: Quantity, system: UnitSystem = 'metric') => {
  const parsed = parseQuantity(text, quantity, system);
  return parsed.kind === 'ok' ? parsed.si : parsed.kind;
};

test.each([
  ['18 ft', 'length', 5.4864],
  ['5.5m', 'length', 5.5],
  ['5,5 m', 'length', 5.5],
  ['30 cm', 'length', 0.3],
  ["6'", 'length', 1.8288],
  ['5 ft 6 in', 'length', 1.6764],
  ['10″', 'length', 0.254],
  ['.5', 'length', 0.5],
  ['−3 m', 'length', -3],
  ['1e2 m', 'length', 100],
  ['470k', 'resistance', 470e3],
  ['4k7', 'resistance', 4700],
  ['1M', 'resistance', 1e6],
  ['1 MΩ', 'resistance', 1e6],
  ['150 Ω', 'resistance', 150],
  ['150 ohm', 'resistance', 150],
  ['250', 'resistance', 250e3],
  ['22n', 'capacitance', 2.2e-8],
  ['2n2', 'capacitance', 2.2e-9],
  ['100', 'capacitance', 1e-10],
  ['0.022 µF', 'capacitance', 2.2e-8],
  ['0.022uF', 'capacitance', 2.2e-8],
  ['110 pF/m', 'capacitancePerLength', 1.1e-10],
  ['30.48 pF/ft', 'capacitancePerLength', 1e-10],
  ['2.2 H', 'inductance', 2.2],
  ['2200m', 'inductance', 2.2],
  ['0.5 µH/m', 'inductancePerLength', 5e-7],
  ['3.2k', 'frequency', 3200],
  ['-0.1 dB', 'level', -0.1],
  ['7', 'fraction', 0.7],
  ['70 %', 'fraction', 0.7],
] as const)('%s as %s', (text, quantity, expected) => {
  expect(si(text, quantity)).toBeCloseTo(expected, 12);
});

test('a bare number takes the unit shown', () => {
  expect(si('18', 'length', 'imperial')).toBeCloseTo(5.4864, 12);
  expect(si('30', 'capacitancePerLength', 'imperial')).toBeCloseTo(30e-12 / 0.3048, 20);
});

test.each([
  ['5 volts', 'length', 'wrongUnit'],
  ['5 k', 'length', 'wrongUnit'],
  ['3 m', 'level', 'wrongUnit'],
  ['3 constructor', 'length', 'wrongUnit'],
  ['abc', 'length', 'notANumber'],
  ['', 'length', 'notANumber'],
  ['1e999', 'length', 'notANumber'],
  ['--3', 'length', 'notANumber'],
  ['3 m m', 'length', 'wrongUnit'],
] as const)('%s as %s is refused: %s', (text, quantity, kind) => {
  expect(si(text, quantity)).toBe(kind);
});

test('a refusal names the text and the quantity', () => {
  const refused = parseQuantity('5 volts', 'length', 'metric');
  expect(refused).toMatchObject({ message: '“volts” is not a unit of length; try m.' });
  expect(parseQuantity('abc', 'resistance', 'metric')).toMatchObject({
    message: '“abc” is not a resistance.',
  });
});

test.each([
  [18, 'length', 'metric', '18\u00a0m'],
  [18, 'length', 'imperial', '59.1\u00a0ft'],
  [0.3, 'length', 'metric', '30\u00a0cm'],
  [0, 'length', 'metric', '0\u00a0m'],
  [1e6, 'resistance', 'metric', '1\u00a0MΩ'],
  [999999.9999999999, 'resistance', 'metric', '1\u00a0MΩ'],
  [5920, 'resistance', 'metric', '5.92\u00a0kΩ'],
  [1.1e-10, 'capacitance', 'metric', '110\u00a0pF'],
  [123.6, 'length', 'metric', '124\u00a0m'],
  [470.4e3, 'resistance', 'metric', '470\u00a0kΩ'],
  [-0.1, 'level', 'metric', '−0.1\u00a0dB'],
  [1, 'fraction', 'metric', '10'],
] as const)('%s of %s in %s units reads %s', (value, quantity, system, text) => {
  expect(formatQuantity(value, quantity, system)).toBe(text);
});

test('signed levels show their sign, and zero none', () => {
  expect([0.42, -2.24, 0.04, -0.04].map((db) => formatSignedDb(db))).toEqual([
    '+0.4',
    '−2.2',
    '0.0',
    '0.0',
  ]);
});

test('what is shown for editing reads back as the same value', () => {
  const quantities = Object.keys(QUANTITY_RULES) as Quantity[];
  const systems: UnitSystem[] = ['metric', 'imperial'];
  fc.assert(
    fc.property(
      fc.constantFrom(...quantities),
      fc.constantFrom(...systems),
      fc.double({ min: 1, max: 1000, noNaN: true }),
      (quantity, system, factor) => {
        const value = QUANTITY_RULES[quantity].bare[system].factor * factor;
        const parsed = parseQuantity(formatForEditing(value, quantity, system), quantity, system);
        expect(parsed.kind).toBe('ok');
        if (parsed.kind === 'ok') expect(Math.abs(parsed.si / value - 1)).toBeLessThan(1e-5);
      },
    ),
    { seed: 11 },
  );
});

/** What the letter before a unit means. */
const SI_PREFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  m: 1e-3,
  '': 1,
  k: 1e3,
  K: 1e3,
  M: 1e6,
};
/** Units whose name is not a letter before another unit, in SI. */
const WHOLE: Readonly<Record<string, number>> = {
  m: 1,
  metre: 1,
  metres: 1,
  meter: 1,
  meters: 1,
  cm: 0.01,
  mm: 0.001,
  ft: 0.3048,
  feet: 0.3048,
  foot: 0.3048,
  "'": 0.3048,
  '′': 0.3048,
  in: 0.0254,
  inch: 0.0254,
  inches: 0.0254,
  '"': 0.0254,
  '″': 0.0254,
  '%': 0.01,
  '/10': 0.1,
  mm2: 1e-6,
  'mm²': 1e-6,
  kg: 1,
  g: 0.001,
  lb: 0.45359237,
  lbs: 0.45359237,
  oz: 0.45359237 / 16,
  Ah: 3600,
  ah: 3600,
  '×': 1,
  x: 1,
};
/** Per foot is more per metre. */
const ofName = (name: string): number => (name.endsWith('/ft') ? 1 / 0.3048 : (WHOLE[name] ?? 1));

test('every unit with every letter before it is what the letter says', () => {
  for (const [quantity, { bases, prefixes, shown, bare }] of Object.entries(QUANTITY_RULES)) {
    for (const [base, factor] of Object.entries(bases)) {
      expect([base, factor / ofName(base)]).toEqual([base, expect.closeTo(1, 9)]);
      for (const prefix of Object.keys(prefixes)) {
        const read = si(`3 ${prefix}${base}`, quantity as Quantity);
        const ratio = Number(read) / (3 * SI_PREFIX[prefix]! * ofName(base));
        expect([prefix, base, ratio]).toEqual([prefix, base, expect.closeTo(1, 9)]);
      }
    }
    for (const system of ['metric', 'imperial'] as const)
      for (const { symbol, factor } of [...shown[system], bare[system]])
        if (symbol !== '') {
          const read = si(`1 ${symbol}`, quantity as Quantity);
          expect([symbol, Number(read) / factor]).toEqual([symbol, expect.closeTo(1, 9)]);
        }
  }
});
