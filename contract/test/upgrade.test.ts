import { readFileSync } from 'node:fs';
import { analyseRig, RIG_FORMAT, type Figures } from '@gullwind/core';
import { readRig } from '../src';

const kept = JSON.parse(
  readFileSync(new URL('../../core/test/rig/format1.json', import.meta.url), 'utf8'),
) as { rig: { name: string; positions: object }; figures: Figures }[];

test.each(kept.map(({ rig, figures }) => [rig.name, rig, figures] as const))(
  '%s, kept in format 1, reads as this format and sounds the same',
  (name, old, figures) => {
    const read = readRig(old);
    if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
    expect(read.value).toMatchObject({
      format: RIG_FORMAT,
      name,
      standing: { positions: old.positions, playing: 'g1', powered: true },
    });
    const analysis = analyseRig(read.value);
    if (analysis.kind !== 'sounding') throw new Error(analysis.kind);
    for (const [figure, db] of Object.entries(figures))
      expect(analysis.figures[figure as keyof Figures]).toBeCloseTo(db, 9);
  },
);

test('a damaged rig of format 1 is refused in words, not thrown', () => {
  for (const damage of [
    { devices: 'none' },
    { leads: [null] },
    { guitar: 3 },
    { amp: undefined },
    { positions: [] },
    { devices: [{ bypass: {} }] },
  ]) {
    const read = readRig({ ...kept[0]!.rig, ...damage });
    expect(read.kind).toBe('refused');
    if (read.kind === 'refused') expect(read.problems[0]!.message).toMatch(/\.$/u);
  }
});
