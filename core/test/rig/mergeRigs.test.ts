import fc from 'fast-check';
import { deviceOfClass, entered } from '../../src/gear';
import {
  applyEdit,
  applyEdits,
  checkRig,
  insertDevice,
  mainRow,
  mergeRigs,
  newRig,
  removeDevice,
  setCableLength,
  toggleSwitch,
  type Edit,
  type Rig,
} from '../../src/rig';
import { editOf, randomRig, recipe, type Recipe } from './randomRig';

const rename = (to: string): Edit => ({ kind: 'rename', target: { of: 'rig' }, to });

const withPedals = (): Rig => {
  const rig = newRig('both');
  const one = applyEdits(rig, insertDevice(rig, 0, deviceOfClass('drive', '', 'one')));
  return applyEdits(one, insertDevice(one, 1, deviceOfClass('delay', '', 'two')));
};

const base = withPedals();
const [first, second, third] = mainRow(base).cables.map((cable) => cable!.id) as [
  string,
  string,
  string,
];

test('what one changed comes to what the other changed', () => {
  const mine = applyEdits(base, setCableLength(first, 7));
  const theirs = applyEdits(base, setCableLength(third, 3), rename('theirs'));
  const merged = mergeRigs(base, mine, theirs)!;
  expect(merged).toEqual(applyEdits(mine, setCableLength(third, 3), rename('theirs')));
});

test('a pedal put in and a cable made longer beside it', () => {
  const mine = applyEdits(base, insertDevice(base, 2, deviceOfClass('reverb', '', 'three')));
  const theirs = applyEdits(base, setCableLength(first, 9));
  const merged = mergeRigs(base, mine, theirs)!;
  expect(mainRow(merged).devices.map(({ name }) => name)).toEqual(['one', 'two', 'three']);
  expect(mainRow(merged).cables[0]!.lengthM).toEqual(entered(9));
  expect(merged.nextIds).toEqual(mine.nextIds);
});

test.each<[string, (rig: Rig) => Rig, (rig: Rig) => Rig]>([
  [
    'the same cable',
    (rig) => applyEdits(rig, setCableLength(second, 1)),
    (rig) => applyEdits(rig, setCableLength(second, 2)),
  ],
  [
    'a pedal taken out and renamed',
    (rig) => applyEdits(rig, removeDevice(rig, 'd1')),
    (rig) => applyEdits(rig, { kind: 'rename', target: { of: 'device', id: 'd1' }, to: 'another' }),
  ],
  [
    'two pedals put in',
    (rig) => applyEdits(rig, insertDevice(rig, 0, deviceOfClass('boost', '', 'mine'))),
    (rig) => applyEdits(rig, insertDevice(rig, 2, deviceOfClass('reverb', '', 'theirs'))),
  ],
  ['the name', (rig) => applyEdits(rig, rename('a')), (rig) => applyEdits(rig, rename('b'))],
])('%s is a clash', (_, here, there) => {
  const theirs = there(base);
  expect(mergeRigs(base, here(base), theirs)).toBeNull();
  expect(mergeRigs(base, theirs, here(base))).toBeNull();
});

test('the same change by both is no clash', () => {
  const [mine, theirs] = [1, 2].map(() => applyEdits(base, setCableLength(first, 4)));
  expect(mergeRigs(base, mine!, theirs!)).toEqual(mine);
});

test('foot-switches of both count', () => {
  const mine = applyEdits(base, toggleSwitch(base, 'd1'), rename('mine'));
  const theirs = applyEdits(base, toggleSwitch(base, 'd2'));
  const { positions } = mergeRigs(base, mine, theirs)!.state;
  expect([positions.d1, positions.d2]).toEqual([true, true]);
});

const edited = (rig: Rig, recipes: readonly Recipe[]) => {
  const edits: Edit[] = [];
  let now = rig;
  for (const step of recipes) {
    const edit = editOf(now, step);
    const result = applyEdit(now, edit);
    if (result.kind === 'refused') continue;
    edits.push(edit);
    now = result.rig;
  }
  return { rig: now, edits };
};

const few = fc.array(recipe, { maxLength: 3 });

test('for random hands: a rig that is whole, the same whoever merges, nothing lost where only one was at it', () => {
  let merges = 0;
  fc.assert(
    fc.property(randomRig, few, few, (start, here, there) => {
      const [mine, theirs] = [edited(start, here).rig, edited(start, there).rig];
      expect(mergeRigs(start, mine, start)).toEqual(mine);
      expect(mergeRigs(start, start, theirs)).toEqual(theirs);
      const merged = mergeRigs(start, mine, theirs);
      const other = mergeRigs(start, theirs, mine);
      expect(merged === null).toBe(other === null);
      if (!merged || !other) return;
      merges++;
      expect(checkRig(merged)).toEqual([]);
      expect({ ...merged, state: null }).toEqual({ ...other, state: null });
    }),
    { numRuns: 300 },
  );
  expect(merges).toBeGreaterThan(60);
});

/** Edits of one thing; an insertion says of its neighbours what they are anyway, which a merge does not repeat. */
const SIMPLE: readonly Recipe['kind'][] = [
  'set',
  'choose',
  'rename',
  'describe',
  'replace',
  'move',
  'connect',
  'stand',
  'laying',
  'brief',
];
const simple = few.map((recipes) => recipes.filter(({ kind }) => SIMPLE.includes(kind)));

test('a merge is what the edits of one make of the rig of the other, wherever they can be made there', () => {
  let compared = 0;
  fc.assert(
    fc.property(randomRig, simple, few, (start, here, there) => {
      const mine = edited(start, here);
      const theirs = edited(start, there).rig;
      const merged = mergeRigs(start, mine.rig, theirs);
      if (!merged) return;
      let onTheirs = theirs;
      for (const edit of mine.edits) {
        const result = applyEdit(onTheirs, edit);
        if (result.kind === 'refused') return;
        onTheirs = result.rig;
      }
      compared++;
      expect({ ...merged, state: null, nextIds: null }).toEqual({
        ...onTheirs,
        state: null,
        nextIds: null,
      });
    }),
    { numRuns: 300 },
  );
  expect(compared).toBeGreaterThan(60);
});
