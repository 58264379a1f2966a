import { analyseRig, lengthBudgets, type BudgetBaseline } from '../../src/figures';
import { deviceOfClass } from '../../src/gear';
import { routeOf } from '../../src/path';
import {
  applyEdits,
  insertBuffer,
  insertDevice,
  newRig,
  setCableLength,
  type Rig,
} from '../../src/rig';
import { cablesOf, pathOf } from '../rig/straightRow';

const budgetOf = (rig: Rig, cable: number, dropDb: number, baseline: BudgetBaseline) =>
  lengthBudgets(routeOf(rig), pathOf(rig), cablesOf(rig)[cable]!.id, [dropDb], baseline)[0]!;

const treble = (rig: Rig): number => {
  const analysis = analyseRig(rig);
  return analysis.kind === 'sounding' ? analysis.figures.trebleDb : NaN;
};

const row = (): Rig =>
  applyEdits(
    newRig('row'),
    setCableLength('l1', 6),
    insertDevice(newRig('row'), 0, deviceOfClass('drive', '')),
  );

test('at the budget treble is down by the drop, and a little further it is past it', () => {
  for (const dropDb of [0.5, 1, 3]) {
    const rig = newRig('one cable');
    const budget = budgetOf(rig, 0, dropDb, 'straightIn');
    if (budget.kind !== 'upTo') throw new Error(budget.kind);
    expect(treble(applyEdits(rig, setCableLength('l1', budget.lengthM)))).toBeCloseTo(-dropDb, 2);
    expect(treble(applyEdits(rig, setCableLength('l1', budget.lengthM + 0.1)))).toBeLessThan(
      -dropDb,
    );
  }
});

test('a bright coil gains before it loses: the budget is the longest length, not the first that falls short', () => {
  const rig = newRig('bright');
  const withoutCable = treble(applyEdits(rig, setCableLength('l1', 0)));
  expect(withoutCable).toBeLessThan(0);
  // With no drop allowed a cable of no length is below straight in, and some longer ones are not.
  const budget = budgetOf(rig, 0, 0, 'straightIn');
  expect(budget.kind === 'upTo' && budget.lengthM).toBeGreaterThan(2);
});

test('against the cable as it is, no drop is the length it has', () => {
  const budget = budgetOf(applyEdits(newRig('as it is'), setCableLength('l1', 9)), 0, 0, 'asItIs');
  expect(budget.kind === 'upTo' && budget.lengthM).toBeCloseTo(9, 2);
});

test('after a good buffer the longest cable there is still holds; after a long cable none does', () => {
  const rig = row();
  const buffered = applyEdits(rig, setCableLength('l1', 3), insertBuffer(rig, 0));
  expect(budgetOf(buffered, 2, 3, 'straightIn')).toEqual({ kind: 'beyond', lengthM: 100 });
  const long = applyEdits(rig, setCableLength('l1', 60));
  expect(budgetOf(long, 1, 0.5, 'straightIn')).toEqual({ kind: 'outOfReach' });
});

test('a muted board has no budget', () => {
  const rig = applyEdits(
    newRig('tuning'),
    insertDevice(newRig('tuning'), 0, deviceOfClass('tuner', '')),
    { kind: 'switch', positions: { d1: true } },
  );
  expect(budgetOf(rig, 0, 1, 'straightIn')).toEqual({ kind: 'muted' });
});
