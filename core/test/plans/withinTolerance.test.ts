import { deviceOfClass } from '../../src/gear';
import {
  choosePlans,
  findWithinTolerance,
  sayLeaveAlone,
  searchToEnd,
  type Move,
  type RankedPlan,
} from '../../src/plans';
import { finish } from '../../src/tolerance';
import { NOTHING } from '../../src/plans/efforts';
import { applyEdits, insertDevice, mainRow, newRig, setCableLength, type Rig } from '../../src/rig';

let board: Rig = applyEdits(newRig('sure'), setCableLength('l1', 6));
for (let i = 0; i < 4; i++)
  board = applyEdits(
    board,
    insertDevice(board, mainRow(board).devices.length, deviceOfClass('drive', '')),
  );
const { front, asItIs } = searchToEnd(board, []);
const [best] = front;

const isWithin = (rig: Rig, plan: RankedPlan, now: RankedPlan): boolean =>
  finish(findWithinTolerance(rig, [plan], now))[0]!;

/** A cable shortened by so little that nobody could tell, said to bring a decibel. */
const slight: RankedPlan = {
  moves: [
    {
      key: 'slight',
      action: { kind: 'cableLength', cable: 'l1', lengthM: 5.999 },
      effort: { ...NOTHING, minutes: 1 },
      claims: [],
      condition: null,
      against: null,
    } satisfies Move,
  ],
  effort: { ...NOTHING, minutes: 1 },
  score: {
    goal: asItIs.score.goal - 1,
    terms: { ...asItIs.score.terms, distance: asItIs.score.terms.distance - 1 },
  },
};

test('a buffer after a long cable is far outside the tolerance band', () => {
  expect(isWithin(board, best!, asItIs)).toBe(false);
  expect(isWithin(board, asItIs, asItIs)).toBe(false);
});

test('what is drawn at decides: nothing changes outside the band', () => {
  const still: RankedPlan = {
    ...slight,
    moves: [{ ...slight.moves[0]!, action: { kind: 'bypass', device: 'd1', to: 'buffered' } }],
  };
  // The choice acts only where a bypass is switchable: the circuit is the same in every draw.
  expect(isWithin(board, still, asItIs)).toBe(true);
});

test('a gain in spread or structure is not drawn at', () => {
  const inSpread: RankedPlan = {
    ...slight,
    score: {
      goal: asItIs.score.goal - 1,
      terms: { ...asItIs.score.terms, spread: asItIs.score.terms.spread - 4 },
    },
  };
  expect(isWithin(board, inSpread, asItIs)).toBe(false);
});

test('what lies inside the band is shown but not advised, and leaving it alone says why', () => {
  const shown = choosePlans([slight, asItIs], asItIs, {
    isUnsure: (plan) => plan === slight,
  });
  expect(shown.map(({ isAdvised }) => isAdvised)).toEqual([true, false]);
  expect(sayLeaveAlone(shown[0]!, slight)).toMatch(/inside what nobody has measured/u);
  expect(choosePlans([slight, asItIs], asItIs)[1]!.isAdvised).toBe(true);
});

test('many plans in one go: the same answers, with its progress from nothing to all', () => {
  const plans = [asItIs, best!, slight];
  const work = findWithinTolerance(board, plans, asItIs);
  const said: number[] = [];
  let step = work.next();
  for (; !step.done; step = work.next()) said.push(step.value.done / step.value.of);
  expect(step.value).toEqual(plans.map((plan) => isWithin(board, plan, asItIs)));
  expect(said).toEqual([...said].sort((a, b) => a - b));
  expect(said.length).toBeGreaterThan(2);
  expect(said.every((share) => share >= 0 && share < 1)).toBe(true);
});
