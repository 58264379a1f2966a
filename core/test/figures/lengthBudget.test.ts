import { analyseRig, lengthBudgets, type BudgetBaseline } from '../../src/figures';
import { deviceOfClass } from '../../src/gear';
import { routeOf } from '../../src/path';
import {
  applyEdits,
  insertBuffer,
  insertDevice,
  newRig,
  setLeadLength,
  type Rig,
} from '../../src/rig';
import { leadsOf, pathOf } from '../rig/straightRow';

const budgetOf = (rig: Rig, lead: number, dropDb: number, baseline: BudgetBaseline) =>
  lengthBudgets(routeOf(rig), pathOf(rig), leadsOf(rig)[lead]!.id, [dropDb], baseline)[0]!;

const treble = (rig: Rig): number => {
  const analysis = analyseRig(rig);
  return analysis.kind === 'sounding' ? analysis.figures.trebleDb : NaN;
};

const row = (): Rig =>
  applyEdits(
    newRig('row'),
    setLeadLength('l1', 6),
    insertDevice(newRig('row'), 0, deviceOfClass('drive', '')),
  );

test('at the budget treble is down by the drop, and a little further it is past it', () => {
  for (const dropDb of [0.5, 1, 3]) {
    const rig = newRig('one lead');
    const budget = budgetOf(rig, 0, dropDb, 'straightIn');
    if (budget.kind !== 'upTo') throw new Error(budget.kind);
    expect(treble(applyEdits(rig, setLeadLength('l1', budget.lengthM)))).toBeCloseTo(-dropDb, 2);
    expect(treble(applyEdits(rig, setLeadLength('l1', budget.lengthM + 0.1)))).toBeLessThan(
      -dropDb,
    );
  }
});

test('a bright coil gains before it loses: the budget is the longest length, not the first that falls short', () => {
  const rig = newRig('bright');
  const withoutLead = treble(applyEdits(rig, setLeadLength('l1', 0)));
  expect(withoutLead).toBeLessThan(0);
  // With no drop allowed a lead of no length is below straight in, and some longer ones are not.
  const budget = budgetOf(rig, 0, 0, 'straightIn');
  expect(budget.kind === 'upTo' && budget.lengthM).toBeGreaterThan(2);
});

test('against the lead as it is, no drop is the length it has', () => {
  const budget = budgetOf(applyEdits(newRig('as it is'), setLeadLength('l1', 9)), 0, 0, 'asItIs');
  expect(budget.kind === 'upTo' && budget.lengthM).toBeCloseTo(9, 2);
});

test('behind a good buffer the longest lead there is still holds; behind a long lead none does', () => {
  const rig = row();
  const buffered = applyEdits(rig, setLeadLength('l1', 3), insertBuffer(rig, 0));
  expect(budgetOf(buffered, 2, 3, 'straightIn')).toEqual({ kind: 'beyond', lengthM: 100 });
  const long = applyEdits(rig, setLeadLength('l1', 60));
  expect(budgetOf(long, 1, 0.5, 'straightIn')).toEqual({ kind: 'outOfReach' });
});

test('a muted board has no budget', () => {
  const rig = applyEdits(
    newRig('tuning'),
    insertDevice(newRig('tuning'), 0, deviceOfClass('tuner', '')),
    { kind: 'stamp', positions: { d1: true } },
  );
  expect(budgetOf(rig, 0, 1, 'straightIn')).toEqual({ kind: 'muted' });
});
