import { newRig } from '@gullwind/core';
import fc from 'fast-check';
import { readRig, readSettings, DEFAULT_SETTINGS } from '../src';

test('a rig reads back as itself, through JSON', () => {
  const rig = newRig('board');
  expect(readRig(JSON.parse(JSON.stringify(rig)))).toEqual({ kind: 'ok', value: rig });
  expect(readSettings(DEFAULT_SETTINGS)).toEqual({ kind: 'ok', value: DEFAULT_SETTINGS });
});

test('anything at all is read or refused with words, never thrown', () => {
  fc.assert(
    fc.property(
      fc.anything({ withBigInt: true, withDate: true, withMap: true, withNullPrototype: true }),
      (value) => {
        const read = readRig(value);
        expect(read.kind).toBe('refused');
        if (read.kind === 'refused') expect(read.problems.length).toBeGreaterThan(0);
      },
    ),
    { seed: 3 },
  );
});

test('a rig with any one part replaced by anything is never half-read', () => {
  const rig = newRig('board') as unknown as Record<string, unknown>;
  fc.assert(
    fc.property(fc.constantFrom(...Object.keys(rig)), fc.anything(), (key, value) => {
      const changed = { ...rig, [key]: value };
      const read = readRig(changed);
      if (read.kind === 'ok') expect(read.value).toEqual(changed);
      else expect(read.problems[0]!.message).toMatch(/\.$/u);
    }),
    { seed: 4 },
  );
});
