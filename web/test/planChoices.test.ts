import { keyOfPlan, newRig, WEIGHT_NAMES, type Edit, type Proposal } from '@gullwind/core';
import {
  curvesOf,
  lineOf,
  lookedAt,
  NO_PROPOSALS,
  ORDERS,
  pinToggled,
  proposalsOf,
  sayEffort,
  showGoal,
  showTerm,
  sortedBy,
  takenOver,
  waysOf,
  withMinutes,
} from '../src/features/plans/model/proposals';

/// Which plan is looked at, in which order they stand, and what using one does.

const NO_EFFORT = {
  ...{ minutes: 0, cost: 0, buys: [], isCostAssumed: false, solders: false, boxes: 0 },
};

const proposal = (key: string, minutes: number, cost: number, goal: number, isAdvised = false) =>
  ({
    plan: {
      moves: key === '' ? [] : [{ key }],
      score: { goal, terms: {} },
      effort: { ...NO_EFFORT, minutes, cost },
    },
    isAdvised,
    isFine: false,
  }) as unknown as Proposal;

const leave = proposal('', 0, 0, 9);
const buffer = proposal('buffer', 20, 60, 2, true);
const shorter = proposal('shorter', 35, 10, 4);
const both = proposal('both', 50, 70, 0.5);
const all = [leave, buffer, shorter, both];
const keysOf = (some: readonly Proposal[]) => some.map(({ plan }) => keyOfPlan(plan));

test('sorted by what each takes, the least first', () => {
  expect(keysOf(sortedBy(all, 'burden'))).toEqual(['', 'shorter', 'buffer', 'both']);
  expect(keysOf(sortedBy(all, 'cost'))).toEqual(['', 'shorter', 'buffer', 'both']);
  expect(keysOf(sortedBy(all, 'work'))).toEqual(['', 'buffer', 'shorter', 'both']);
  expect(keysOf(sortedBy(all, 'effect'))).toEqual(['both', 'buffer', 'shorter', '']);
  expect(Object.keys(ORDERS)).toEqual(['burden', 'cost', 'work', 'effect']);
});

test('what was chosen is looked at while it is there, else what is advised', () => {
  expect(lookedAt(all, 'both')).toBe(both);
  expect(lookedAt(all, 'gone')).toBe(buffer);
  expect(lookedAt(all, null)).toBe(buffer);
  expect(lookedAt([leave, both], 'gone')).toBeNull();
});

test('three at most stand side by side: the first goes, another press takes one away', () => {
  const three = ['a', 'b', 'c'].reduce<readonly string[]>(pinToggled, []);
  expect(three).toEqual(['a', 'b', 'c']);
  expect(pinToggled(three, 'd')).toEqual(['b', 'c', 'd']);
  expect(pinToggled(three, 'b')).toEqual(['a', 'c']);
});

test('nothing is proposed before leaving it alone is known', () => {
  expect(proposalsOf([buffer.plan], {})).toBe(NO_PROPOSALS);
  expect(keysOf(proposalsOf([leave.plan, buffer.plan], {}))).toContain('');
});

test('the minutes of Build take the place of those that were estimated', () => {
  const onBoard = new Map([['buffer', { rework: { minutes: 33 } }]]) as never;
  const [first, second] = withMinutes([leave, buffer], onBoard);
  expect(first).toBe(leave);
  expect(second!.plan.effort).toEqual({ ...buffer.plan.effort, minutes: 33 });
});

describe('using a plan', () => {
  const edit = { kind: 'group', edits: [] } as Edit;
  const fitted = { kind: 'group', edits: [edit] } as Edit;

  test('does it with the board where there is one', () => {
    const { plan } = buffer;
    expect(takenOver({ plan, edit }, null)).toBe(edit);
    expect(takenOver({ plan, edit }, { edit: fitted })).toBe(fitted);
  });

  test('does nothing before it is known, nor where it is to leave it alone', () => {
    expect(takenOver(null, { edit: fitted })).toBeNull();
    expect(takenOver(undefined, null)).toBeNull();
    expect(takenOver({ plan: leave.plan, edit }, { edit: fitted })).toBeNull();
  });
});

describe('as it is and with the plan', () => {
  const [before, after] = [newRig('before'), newRig('after')];
  const sounding = { kind: 'sounding', nowDb: 'as it is' };
  const changed = { kind: 'sounding', nowDb: 'changed' };
  const detail = { plan: buffer.plan, rig: after, before: sounding, after: changed } as never;

  test('each way is drawn of its own rig, as it is first', () => {
    const { ways, rowId } = waysOf(before, detail);
    expect(ways.map(({ title, rig }) => [title, rig.texts.name])).toEqual([
      ['As it is', 'before'],
      ['With the plan', 'after'],
    ]);
    expect(ways.map(({ analysed }) => analysed.rig)).toEqual([before, after]);
    expect(ways.map(({ analysed }) => analysed.analyses[rowId])).toEqual([sounding, changed]);
    const alone = waysOf(before, { ...(detail as object), plan: leave.plan } as never);
    expect(alone.ways.map(({ name }) => name)).toEqual(['before']);
  });

  test('the curve of the plan is drawn over the one of before', () => {
    const curves = curvesOf(detail);
    expect(curves.now).toEqual({ rig: after, analysis: changed });
    expect(curves.nowName).toBe('with the plan');
    expect(curves.behind).toEqual([{ id: 'before', name: 'as it is', nowDb: 'as it is' }]);
    for (const change of [{ plan: leave.plan }, { before: { kind: 'silent' } }]) {
      const { nowName, behind } = curvesOf({ ...(detail as object), ...change } as never);
      expect([nowName, behind]).toEqual(['now', []]);
    }
  });
});

test('work and money in words', () => {
  expect(sayEffort(NO_EFFORT)).toBe('nothing to do');
  expect(sayEffort({ ...NO_EFFORT, minutes: 15 })).toBe('15 min · nothing to buy');
  const bought = { ...NO_EFFORT, minutes: 22, solders: true, cost: 80, isCostAssumed: true };
  expect(sayEffort(bought)).toBe('22 min, soldering · about 80');
  expect(sayEffort({ ...bought, isCostAssumed: false, boxes: 1 })).toBe(
    '22 min, soldering · 80 · 1 box more',
  );
  expect(sayEffort({ ...bought, boxes: 2 })).toBe('22 min, soldering · about 80 · 2 boxes more');
});

test('a goal that cannot be reached is a dash, and no line', () => {
  expect([1.234, 0, Infinity].map(showGoal)).toEqual(['1.23', '0.00', '–']);
  expect([1.5, Infinity].map(lineOf)).toEqual([1.5, 0]);
  const shown = WEIGHT_NAMES.map((name) => showTerm(name, 1.25));
  expect(shown).toContain('1.25 st');
  expect(shown).toContain('1.25 dB');
  for (const text of shown) expect(text).toMatch(/^1\.(?:25 \S+|3)$/u);
});
