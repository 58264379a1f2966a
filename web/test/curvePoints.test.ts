import { analyseRig, DRAW_GRID, newRig } from '@gullwind/core';
import {
  CHART_GRID,
  curvePoints,
  levelRange,
  levelTicks,
} from '../src/features/path/model/curvePoints';

const rig = newRig('a rig');
const analysed = { rig, analysis: analyseRig(rig) };
const NOTHING_MORE = { states: null, pins: [], tolerance: null } as const;

describe('what the chart draws', () => {
  it('is every twelfth of an octave of what was computed, from just below 40 Hz', () => {
    const points = curvePoints({ analysed, ...NOTHING_MORE });
    expect(points).toHaveLength(CHART_GRID.length);
    expect(points[0]!.f).toBeGreaterThan(36);
    expect(points[0]!.f).toBeLessThan(40);
    expect(points.at(-1)!.f).toBeGreaterThan(19_000);
    expect(points[13]!.f / points[1]!.f).toBeCloseTo(2, 6);
    const { analysis } = analysed;
    if (analysis.kind !== 'sounding') throw new Error('it sounds');
    const at = DRAW_GRID.frequencyHz.indexOf(points[40]!.f);
    expect(points[40]).toEqual({
      f: points[40]!.f,
      reference: analysis.referenceDb[at],
      now: analysis.nowDb[at],
    });
  });

  it('has a pin that is silent as a gap', () => {
    const pins = [{ id: 'p1', name: 'silent', nowDb: null }];
    expect(curvePoints({ analysed, ...NOTHING_MORE, pins })[0]!.pins).toEqual([null]);
  });

  it('is nothing before there is an answer', () => {
    expect(curvePoints({ analysed: null, ...NOTHING_MORE })).toEqual([]);
  });

  it('stands in whole steps of six decibels around all that is shown', () => {
    const point = { f: 1000, reference: -3, now: -13 };
    expect(levelRange([point])).toEqual([-18, 6]);
    expect(levelRange([{ ...point, now: 7 }])).toEqual([-12, 12]);
    expect(levelRange([{ ...point, pins: [-100] }])).toEqual([-60, 6]);
    expect(levelRange([{ ...point, f: 15_000, now: -50 }])).toEqual([-12, 6]);
    expect(levelTicks(-12, 6)).toEqual([-12, -6, 0, 6]);
    expect(levelTicks(-60, 6)).toEqual([-54, -42, -30, -18, -6, 6]);
  });
});
