import { deviceOfClass, entered, cableOfClass, type DeviceClass } from '../../src/gear';
import { measureRig } from '../../src/figures';
import {
  choosePlans,
  countedScenes,
  detailOfPlan,
  effortOf,
  findMoves,
  sayAgainst,
  sayLeaveAlone,
  sayMoves,
  sayWhyBetter,
  sayWorse,
  searchToEnd,
  weightsOf,
  type Move,
  type RankedPlan,
  type Terms,
} from '../../src/plans';
import { NOTHING } from '../../src/plans/efforts';
import {
  applyEdit,
  applyEdits,
  insertDevice,
  keepScene,
  keepPlace,
  mainRow,
  newRig,
  setCableLength,
  goToPlace,
  toggleSwitch,
  type Rig,
  withElectrical,
} from '../../src/rig';

/// What plans say to people, and what they show when they are looked at closely.

const rowOf = (...names: readonly DeviceClass[]): Rig =>
  names.reduce(
    (rig, name) =>
      applyEdits(
        rig,
        insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '', name)),
      ),
    newRig('words'),
  );

const move = (action: Move['action'], more: Partial<Move> = {}): Move => ({
  key: action.kind,
  action,
  effort: NOTHING,
  claims: [],
  condition: null,
  against: null,
  ...more,
});

const NO_TERMS: Terms = {
  distance: 0,
  spread: 0,
  level: 0,
  resonance: 0,
  ends: 0,
  buffers: 0,
  rules: 0,
};

const planOf = (
  goal: number,
  terms: Partial<Terms> = {},
  moves: readonly Move[] = [],
): RankedPlan => ({
  moves,
  score: { goal, terms: { ...NO_TERMS, ...terms } },
  effort: effortOf(moves),
});

const say = (rig: Rig, ...moves: readonly Move[]) => sayMoves(rig, planOf(0, {}, moves), 'metric');

const rig = rowOf('drive', 'wah', 'passiveVolume', 'delay');
const BUFFER = deviceOfClass('buffer', '', 'buffer');

test.each<[string, Move['action'], string]>([
  [
    'first',
    { kind: 'buffer', before: 'd1', device: BUFFER },
    'Stand an ordinary buffer first, before drive',
  ],
  [
    'between',
    { kind: 'buffer', before: 'd2', device: BUFFER },
    'Stand an ordinary buffer between drive and wah',
  ],
  [
    'at the end',
    { kind: 'buffer', before: null, device: BUFFER },
    'Stand an ordinary buffer at the end, after delay',
  ],
  [
    'an owned pedal',
    { kind: 'ownPedal', before: 'd1', device: { ...BUFFER, name: 'Eddy' } },
    'Put your Eddy first, before drive and leave it off: its bypass is a buffer',
  ],
  ['a shift', { kind: 'shift', device: 'd4', before: 'd1' }, 'Move delay first, before drive'],
  [
    'a shift to the end',
    { kind: 'shift', device: 'd1', before: null },
    'Move drive to the end, after delay',
  ],
  [
    'a bypass',
    { kind: 'bypass', device: 'd1', to: 'buffered' },
    'Set the bypass of drive to buffered',
  ],
  ['a rebuilt wah', { kind: 'convert', device: 'd2' }, 'Have wah rebuilt to true bypass'],
  ['a loop', { kind: 'loopOut', device: 'd2' }, 'Put wah into a true-bypass loop'],
  [
    'a track',
    { kind: 'pot', device: 'd3', potOhm: 500e3 },
    'Put a 500\u00a0kΩ track into passiveVolume',
  ],
  [
    'an active volume',
    { kind: 'activate', device: 'd3' },
    'Make passiveVolume active: a buffer before its track',
  ],
  [
    'a buffer in a loop',
    { kind: 'loopBuffer', before: 'd2', device: BUFFER },
    'Stand an ordinary buffer in the loop of wah, before it',
  ],
  [
    'a cable by class',
    {
      kind: 'cableKind',
      cables: ['l1'],
      like: cableOfClass('low', 'l1', entered(6)),
      isPiece: false,
    },
    'Change the cable in for a low capacitance cable (85\u00a0pF/m)',
  ],
  [
    'patches',
    {
      kind: 'cableKind',
      cables: ['l2', 'l3'],
      like: cableOfClass('low', 'l1', entered(6)),
      isPiece: false,
    },
    'Change the 2 patches for a low capacitance cable (85\u00a0pF/m)',
  ],
  ['a cut', { kind: 'cableLength', cable: 'l1', lengthM: 4 }, 'Shorten the cable in to 4\u00a0m'],
  [
    'a longer cable',
    { kind: 'cableLength', cable: 'l1', lengthM: 9 },
    'Lengthen the cable in to 9\u00a0m',
  ],
  [
    'a capacitor',
    { kind: 'capacitor', goal: 'resonance' },
    'Add a capacitor in the plug of the patch to delay, to 3\u00a0kHz',
  ],
  [
    'a pickup simulator',
    { kind: 'pickupSimulator', device: 'd1' },
    'Fit a pickup simulator ahead of drive',
  ],
  ['taken out', { kind: 'removeBuffer', device: 'd1' }, 'Take drive out'],
])('a move in words: %s', (_, action, words) => {
  expect(say(rig, move(action))).toEqual([words]);
});

test('a condition is said with its move', () => {
  const cut = move(
    { kind: 'cableLength', cable: 'l1', lengthM: 4 },
    { condition: 'if it still reaches' },
  );
  expect(say(rig, cut)).toEqual(['Shorten the cable in to 4\u00a0m, if it still reaches']);
});

test('moves are told in working order, each of the rig as it is by then', () => {
  const buffer = move({ kind: 'buffer', before: 'd2', device: BUFFER });
  const shift = move({ kind: 'shift', device: 'd1', before: null });
  expect(say(rig, buffer, shift)).toEqual([
    'Move drive to the end, after delay',
    'Stand an ordinary buffer first, before wah',
  ]);
});

const weights = weightsOf(rig);

test('why a plan is better names what brought most, and what it takes more or less', () => {
  const next = planOf(3, { distance: 2, spread: 4 });
  const dear = move(
    { kind: 'convert', device: 'd2' },
    { effort: { ...NOTHING, minutes: 45, cost: 12 } },
  );
  const plan = planOf(1, { distance: 0.5, spread: 2, level: 0.5 }, [dear]);
  expect(sayWhyBetter(plan, next, weights)).toBe(
    'Distance from straight in 0.50 dB instead of 2.00 dB, spread 2.00 dB instead of 4.00 dB, for 45 minutes more and 12 more to pay.',
  );
  expect(sayWhyBetter(plan, plan, weights)).toBe('It changes nothing that counts here.');
});

test('what gets worse, and who would object', () => {
  const asItIs = planOf(3, { level: 0.1, buffers: 0, ends: 0 });
  const against = 'The usual order: delay would act ahead of pedals it mostly follows.';
  const plan = planOf(1, { level: 0.4, buffers: 1, ends: 1 }, [
    move({ kind: 'buffer', before: 'd1', device: BUFFER }, { against }),
  ]);
  expect(sayWorse(plan, asItIs)).toEqual([
    'Level off: 0.40 dB instead of 0.10 dB',
    'Ends without a low impedance: 1.0 instead of 0.0',
    'Buffers beyond the first: 1.0 instead of 0.0',
  ]);
  const objections = sayAgainst(rig, plan, asItIs);
  expect(objections[0]).toBe(against);
  expect(objections.join(' ')).toMatch(/shaped school.*one good buffer.*Bookends/u);
  const own = withElectrical(rig, {
    approach: { ...rig.electrical.approach, kind: 'bookends' },
  });
  expect(sayAgainst(own, plan, asItIs).join(' ')).not.toMatch(/Bookends/u);
  expect(sayAgainst(rig, planOf(1, {}, plan.moves), asItIs).join(' ')).not.toMatch(/Bookends/u);
  expect(sayWorse(asItIs, asItIs)).toEqual([]);
});

const box = move(
  { kind: 'buffer', before: 'd1', device: BUFFER },
  { effort: { ...NOTHING, minutes: 15, cost: 80, boxes: 1 } },
);
const cable = move(
  {
    kind: 'cableKind',
    cables: ['l1'],
    like: cableOfClass('low', 'l1', entered(6)),
    isPiece: false,
  },
  { effort: { ...NOTHING, minutes: 2, cost: 30 } },
);

test('what is shown rises from leaving it alone, and a box has to be worth half a decibel', () => {
  const alone = planOf(4);
  const small = planOf(3.7, {}, [cable]);
  const dear = planOf(3.4, {}, [box]);
  const good = planOf(1, {}, [box, cable]);
  const shown = choosePlans([good, dear, small, alone], alone);
  expect(shown.map(({ plan }) => plan)).toEqual([alone, small, good]);
  expect(shown.map(({ isAdvised }) => isAdvised)).toEqual([false, false, true]);
});

test('half a decibel left, or half a decibel to gain: it is left alone', () => {
  for (const goal of [0.45, 3]) {
    const alone = planOf(goal);
    const better = planOf(goal - 0.44, {}, [cable]);
    const [first] = choosePlans([better, alone], alone);
    expect(first).toMatchObject({ plan: alone, isAdvised: true });
  }
});

test('of two as good the one that nobody has to confirm is advised', () => {
  const alone = planOf(4);
  const unsure = planOf(1, {}, [
    { ...cable, condition: 'if it still reaches', effort: { ...cable.effort, cost: 0 } },
  ]);
  const sure = planOf(1.1, {}, [cable]);
  const advised = choosePlans([unsure, sure, alone], alone).find(({ isAdvised }) => isAdvised);
  expect(advised!.plan).toBe(sure);
});

test('of two as good the one that nobody objects to is advised', () => {
  const alone = planOf(4);
  const stopgap = planOf(1.2, {}, [
    move(
      { kind: 'shift', device: 'd4', before: 'd1' },
      { against: 'The usual order.', effort: { ...NOTHING, minutes: 10 } },
    ),
  ]);
  const added = planOf(1.2, {}, [box]);
  const shown = choosePlans([stopgap, added, alone], alone);
  expect(shown.map(({ plan }) => plan)).toEqual([alone, stopgap, added]);
  expect(shown.map(({ isAdvised }) => isAdvised)).toEqual([false, false, true]);
});

test('where no plan is better, that is said', () => {
  const alone = planOf(1.3);
  const [only] = choosePlans([alone], alone);
  expect(sayLeaveAlone(only!, alone)).toMatch(/No plan within the limits is better\.$/u);
});

test('a rig that is fine is left alone, whatever a plan would win; that it is fine is said of no other', () => {
  const alone = planOf(4);
  const better = planOf(1, {}, [cable]);
  const shown = choosePlans([better, alone], alone, { isFine: true });
  expect(shown.map(({ isAdvised, isFine }) => [isAdvised, isFine])).toEqual([
    [true, true],
    [false, false],
  ]);
  expect(sayLeaveAlone(shown[0]!, better)).toMatch(/^It’s fine, leave it: /u);
  for (const best of [better, planOf(3.8, {}, [cable]), alone])
    expect(sayLeaveAlone(choosePlans([best, alone], alone)[0]!, best)).not.toMatch(/fine/u);
});

describe('a plan looked at closely', () => {
  let board = rowOf('drive', 'delay');
  board = applyEdits(board, keepPlace(board, 'home'), setCableLength('l1', 9));
  board = applyEdits(board, keepPlace(board, 'stage'), toggleSwitch(board, 'd1'));
  board = applyEdits(board, keepScene(board, 'loud'));
  const [best] = searchToEnd(board, []).front;
  const detail = detailOfPlan(board, best!.moves)!;

  test('its edit makes the rig it shows, and its score is the one that was found', () => {
    expect(applyEdit(board, detail.edit)).toMatchObject({ kind: 'ok', rig: detail.rig });
    expect(detail.plan.score.goal).toBeCloseTo(best!.score.goal, 9);
  });

  test('every counted scene at every place, before and after', () => {
    expect(detail.cases.map(({ place, scene }) => [place, scene])).toEqual([
      ['home', 'loud'],
      ['stage', 'loud'],
    ]);
    for (const [i, { before, after }] of detail.cases.entries()) {
      const measure = (one: Rig) => {
        const there = applyEdits(one, goToPlace(one, one.electrical.places[i]!));
        const measured = measureRig({ ...there, state: countedScenes(one)[0]! });
        return measured.kind === 'sounding' ? measured.figures : null;
      };
      expect(before).toEqual(measure(board));
      expect(after).toEqual(measure(detail.rig));
    }
    const mean = detail.cases.reduce((sum, { after }) => sum + after!.distanceDb, 0) / 2;
    expect(mean).toBeCloseTo(detail.plan.score.terms.distance, 9);
  });

  test('leaving it alone is a plan too; what cannot be made has none', () => {
    expect(detailOfPlan(board, [])).toMatchObject({ rig: board, plan: { moves: [] } });
    const gone = move({ kind: 'removeBuffer', device: 'd99' });
    expect(detailOfPlan(board, [gone])).toBeNull();
    expect(findMoves(board).length).toBeGreaterThan(5);
  });
});
