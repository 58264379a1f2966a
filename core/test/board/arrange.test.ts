import fc from 'fast-check';
import { applyFollowing, curesOf, firstArrangement, layBoard } from '../../src/board';
import { applyEdits, editBrief, type Rig } from '../../src/rig';
import { emptyBoard, onBoard, rigOfClasses, thrownBoard } from './randomBoard';

const follow = (rig: Rig, edit: Parameters<typeof applyFollowing>[1]): Rig => {
  const result = applyFollowing(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return result.rig;
};

test('a first arrangement has no conflict, and places what it says', () => {
  let [placed, left] = [0, 0];
  fc.assert(
    fc.property(emptyBoard, (rig) => {
      const found = firstArrangement(rig);
      left += found.leftOver.length;
      if (!found.edit) return;
      placed += found.placed.length;
      const after = follow(rig, found.edit);
      const plan = layBoard(after);
      expect(plan.conflicts).toEqual([]);
      expect(plan.standings.map(({ thing }) => thing.id).sort()).toEqual([...found.placed].sort());
      expect(firstArrangement(rig)).toEqual(found);
    }),
    { seed: 71, numRuns: 30 },
  );
  // It would be no use if it gave up: most find a place.
  expect(placed).toBeGreaterThan(2 * left);
});

test('twelve pedals on a board of the usual kind all find a place; what stays on stands at the back', () => {
  const rig = onBoard(
    rigOfClasses(Array.from({ length: 12 }, () => 'drive' as const)),
    'rows',
    [0.9, 0.4],
  );
  const said = applyEdits(rig, editBrief(rig, { uses: { d3: 'leftOn', d9: 'leftOn' } }));
  const { edit, leftOver } = firstArrangement(said);
  expect(leftOver).toEqual([]);
  const { standings } = layBoard(follow(said, edit!));
  const front = (id: string) => standings.find(({ thing }) => thing.id === id)!.rect.y0;
  expect(front('d3')).toBeGreaterThan(front('d1'));
  expect(front('d9')).toBeGreaterThan(front('d2'));
  // In the order of the chain, from the right.
  const x = (id: string) => standings.find(({ thing }) => thing.id === id)!.rect.x0;
  expect(x('d2')).toBeLessThan(x('d1'));
});

test('what is offered as a cure cures, and nothing new is in the way afterwards', () => {
  let [conflicts, cured] = [0, 0];
  fc.assert(
    fc.property(thrownBoard, (rig) => {
      const plan = layBoard(rig);
      const before = new Set(plan.conflicts.map(({ key }) => key));
      for (const conflict of plan.conflicts.slice(0, 4)) {
        conflicts++;
        const cures = curesOf(rig, plan, conflict, 'metric');
        if (cures.length > 0) cured++;
        for (const { edit, says } of cures) {
          const after = layBoard(follow(rig, edit)).conflicts.map(({ key }) => key);
          expect([says, after]).not.toContainEqual(conflict.key);
          expect(after).not.toContain(conflict.key);
          expect(after.filter((key) => !before.has(key))).toEqual([]);
        }
      }
    }),
    { seed: 72, numRuns: 20 },
  );
  expect(conflicts).toBeGreaterThan(40);
  expect(cured).toBeGreaterThan(conflicts / 4);
});
