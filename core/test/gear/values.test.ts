import { readFileSync } from 'node:fs';
import {
  CHOICE_RULES,
  deviceOfClass,
  DEVICE_CLASSES,
  GEAR_KINDS,
  gearOf,
  FIELD_RULES,
  typicalBody,
  type DeviceClass,
  type FieldRule,
  type Provenance,
} from '../../src/gear';
import { NO_POWER } from '../../src/rig';
import { parseQuantity } from '../../src/quantity';
import { toleranceOf } from '../../src/tolerance/tolerances';

/// What docs/values.md tells people the application assumes and accepts is what it does.

const DOC = readFileSync(new URL('../../../docs/values.md', import.meta.url), 'utf8');

type Row = Readonly<Record<string, string>>;

/** The tables under a heading, each row by its column heads. */
function tablesUnder(heading: string): readonly (readonly Row[])[] {
  const section = DOC.split(/^## /mu).find((part) => part.startsWith(`${heading}\n`));
  if (!section) throw new Error(`docs/values.md has no “${heading}”`);
  const cells = (line: string) =>
    line
      .split('|')
      .slice(1, -1)
      .map((cell) => cell.trim());
  return section
    .split(/\n\s*\n/u)
    .filter((block) => block.startsWith('|'))
    .map((block) => {
      const [head, , ...rows] = block.trim().split('\n');
      const names = cells(head!);
      return rows.map((row) => Object.fromEntries(cells(row).map((cell, i) => [names[i]!, cell])));
    });
}

const readAs = (text: string | undefined, { quantity }: FieldRule): number => {
  const read = parseQuantity(text ?? '', quantity, 'metric');
  if (read.kind !== 'ok') throw new Error(`“${text}”: ${JSON.stringify(read)}`);
  return read.si;
};

function valueAt(thing: unknown, path: string): number | null {
  const at = path
    .split('.')
    .reduce<unknown>(
      (part, key) => (part as Record<string, unknown> | null | undefined)?.[key],
      thing,
    );
  return (at as { readonly value: number } | null | undefined)?.value ?? null;
}

const same = (text: string | undefined, value: number | null, rule: FieldRule): void => {
  if (value === null) expect(text).toBe('–');
  else expect(Math.abs(readAs(text, rule) - value)).toBeLessThanOrEqual(1e-6 * Math.abs(value));
};

const descriptors = GEAR_KINDS.map(gearOf);

test.each(descriptors.map((kind) => [kind.many, kind] as const))(
  '%s: what can be set, between which limits, and what is assumed until it is',
  (many, { numbers, classes, blank }) => {
    const [fields, byClass] = tablesUnder(many);
    for (const [path, rule] of Object.entries(numbers)) {
      const row = fields!.find((one) => one['what can be set'] === rule.label);
      same(row?.least, rule.min, rule);
      same(row?.most, rule.max, rule);
      for (const [of, label] of Object.entries(classes.labels)) {
        const value = valueAt(blank(of), path);
        const usual =
          row?.usual === 'by class'
            ? byClass!.find((one) => one.class === label)?.[rule.label]
            : row?.usual;
        same(usual, value, rule);
        if (value !== null) expect(value).toBeGreaterThanOrEqual(rule.min);
        if (value !== null) expect(value).toBeLessThanOrEqual(rule.max);
      }
    }
    expect(fields).toHaveLength(Object.keys(numbers).length);
  },
);

test('what pedals draw where nobody has said, and how a rig is fed', () => {
  const draws = tablesUnder('Pedals and boxes')[2]!;
  const rule = gearOf('device').numbers['body.supplyA']!;
  for (const [of, { label }] of Object.entries(DEVICE_CLASSES)) {
    const { supplyA } = typicalBody(deviceOfClass(of as DeviceClass, 'd1'));
    same(draws.find((row) => row.class === label)?.draws, supplyA.value, rule);
  }
  for (const [path, own] of Object.entries(FIELD_RULES.power)) {
    const row = tablesUnder('Power')[0]!.find((one) => one['what can be set'] === own.label);
    same(row?.least, own.min, own);
    same(row?.most, own.max, own);
    same(row?.usual, valueAt(NO_POWER, path), own);
  }
});

test('what can be chosen is there once, and what is usual is among it', () => {
  for (const { choices, classes, blank } of descriptors) {
    for (const [path, words] of Object.entries(choices)) {
      expect(new Set(words).size).toBe(words.length);
      const at = path
        .split('.')
        .reduce<unknown>(
          (part, key) => (part as Record<string, unknown>)?.[key],
          blank(classes.usual),
        );
      if (at !== undefined) expect(words).toContain(at);
    }
  }
  expect(CHOICE_RULES.device.bypassChoice).toEqual(['true', 'buffered']);
});

test('for rigs is what a signal runs through', () => {
  const forRigs = descriptors.filter(({ isForRigs }) => isForRigs).map(({ kind }) => kind);
  expect(forRigs.sort()).toEqual(['cable', 'destination', 'device', 'guitar']);
});

test('what drives while it is off is silent without power; all else is a wire', () => {
  for (const name of Object.keys(DEVICE_CLASSES) as DeviceClass[]) {
    const { bypass, powerLost } = deviceOfClass(name, 'd1');
    const drives = bypass === 'buffered' || bypass === 'alwaysOn';
    expect([name, powerLost]).toEqual([name, drives ? 'silence' : 'bypass']);
  }
});

test('how far each value may be off', () => {
  const [rows] = tablesUnder('How far values may be off');
  const shares = new Map(
    rows!.map((row) => [row.value, Number(row['off by']!.replace(' %', '')) / 100]),
  );
  for (const { kind, numbers } of descriptors) {
    for (const path of Object.keys(numbers)) {
      const field = path.split('.').at(-1)!;
      const off = (from: Provenance, tolerance?: number) =>
        toleranceOf(kind, path, {
          value: 2,
          from,
          ...(tolerance === undefined ? {} : { tolerance }),
        });
      const known = shares.get(field) ?? 0;
      expect([path, off('entered')]).toEqual([path, known]);
      expect(off('sheet')).toBe(known);
      expect(off('measured', 0.03)).toBe(known === 0 ? 0 : 0.03);
      const isLength = field === 'lengthM';
      expect([path, off('assumed')]).toEqual([path, known === 0 || isLength ? known : 0.4]);
      if (isLength) expect(2 * (1 + off('laid'))).toBeCloseTo(2 * Math.exp(0.005), 3);
    }
  }
});
