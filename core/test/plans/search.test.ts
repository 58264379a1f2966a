import fc from 'fast-check';
import { deviceOfClass, entered } from '../../src/gear';
import { comparePlans, type Placed } from '../../src/plans/front';
import { excludeEachOther } from '../../src/plans/move';
import {
  effortOf,
  findMoves,
  makeMoves,
  searchPlans,
  weightsOf,
  type PlanSearch,
  type SearchOptions,
} from '../../src/plans';
import {
  applyEdit,
  applyEdits,
  editBrief,
  insertDevice,
  keepScene,
  keepPlace,
  linkSwitch,
  mainRow,
  newRig,
  setCableLength,
  toggleSwitch,
  type ApproachKind,
  type Rig,
  withElectrical,
} from '../../src/rig';
import { randomRig } from '../rig/randomRig';
import { scoreAfresh } from './scoreAfresh';
import { devicesOf, withRowOf, cablesOf } from '../rig/straightRow';

const finishSearch = (rig: Rig, options: SearchOptions = {}): PlanSearch => {
  const work = searchPlans(rig, [], options);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
};

/** Few pedals, two places, one scene: small enough to try everything by hand. */
const smallRig = fc
  .tuple(
    randomRig,
    fc.constantFrom<ApproachKind>('clear', 'bookends', 'oneBuffer', 'steady', 'shaped'),
    fc.boolean(),
  )
  .map(([whole, kind, hasPlaces]): Rig => {
    const devices = devicesOf(whole).slice(0, 2);
    const cables = cablesOf(whole).slice(0, devices.length + 1);
    const positions = Object.fromEntries(
      Object.entries(whole.state.positions).filter(([id]) => devices.some((d) => d.id === id)),
    );
    const short = withRowOf({ ...whole, state: { ...whole.state, positions } }, devices, cables);
    let rig: Rig = withElectrical(short, { approach: { ...short.electrical.approach, kind } });
    rig = applyEdits(rig, keepScene(rig, 'as it stands'));
    if (!hasPlaces) return rig;
    rig = applyEdits(rig, keepPlace(rig, 'here'));
    const far = setCableLength(mainRow(rig).cables[0]!.id, 9);
    return applyEdits(rig, far, keepPlace(applyEdits(rig, far), 'far'));
  });

/** All plans of up to two moves, each scored afresh; those that nothing beats. */
function bruteFront(rig: Rig): readonly Placed[] {
  const moves = findMoves(rig);
  const choices: (readonly number[])[] = [[], ...moves.map((_, i) => [i])];
  for (const [i, a] of moves.entries())
    for (const [j, b] of moves.entries())
      if (i < j && !excludeEachOther(a, b)) choices.push([i, j]);
  const plans = choices.flatMap((places): readonly Placed[] => {
    const made = makeMoves(
      rig,
      places.map((place) => moves[place]!),
    );
    if (places.length > 0 && !made) return [];
    const chosen = places.map((place) => moves[place]!);
    const score = scoreAfresh(made?.rig ?? rig, weightsOf(rig));
    return [{ moves: chosen, places, score, effort: effortOf(chosen) }];
  });
  const atMost = (a: Placed, b: Placed) =>
    Math.round(a.score.goal * 1e6) <= Math.round(b.score.goal * 1e6) &&
    a.effort.minutes <= b.effort.minutes &&
    a.effort.cost <= b.effort.cost;
  return plans
    .filter(
      (plan) =>
        !plans.some(
          (other) =>
            other !== plan &&
            atMost(other, plan) &&
            (!atMost(plan, other) || comparePlans(other, plan) < 0),
        ),
    )
    .sort(comparePlans);
}

test('the same best plans in the same order as trying every one of them afresh', () => {
  fc.assert(
    fc.property(smallRig, (rig) => {
      const search = finishSearch(rig);
      const brute = bruteFront(rig);
      expect(search.front.map(({ moves }) => moves.map(({ key }) => key))).toEqual(
        brute.map(({ moves }) => moves.map(({ key }) => key)),
      );
      for (const [i, { score }] of search.front.entries()) {
        expect(score.goal).toBeCloseTo(brute[i]!.score.goal, 6);
        for (const [term, value] of Object.entries(score.terms))
          expect(value).toBeCloseTo(brute[i]!.score.terms[term as keyof typeof score.terms], 6);
      }
    }),
    { seed: 5, numRuns: 8 },
  );
}, 120_000);

test('every move is an edit that leaves a whole rig, and its inverse takes it back', () => {
  fc.assert(
    fc.property(smallRig, (rig) => {
      for (const move of findMoves(rig)) {
        const made = makeMoves(rig, [move]);
        if (!made) continue;
        const result = applyEdit(rig, made.edit);
        if (result.kind === 'refused') throw new Error(`${move.key}: ${result.message}`);
        expect(result.rig).toEqual(made.rig);
        const { nextIds } = result.rig;
        const back = { kind: 'ok', rig: { ...rig, nextIds } };
        expect(applyEdit(result.rig, result.inverse)).toMatchObject(back);
      }
    }),
    { seed: 6, numRuns: 30 },
  );
});

const [small] = fc.sample(
  smallRig.filter((rig) => devicesOf(rig).length === 2 && rig.electrical.approach.kind === 'clear'),
  { seed: 9, numRuns: 1 },
);

test('plans of three: all of them where there is time, and otherwise it says how many', () => {
  const pairs = finishSearch(small!, { mostMoves: 2 });
  expect(pairs).toMatchObject({ exactUpTo: 2, beyond: null });
  const few = finishSearch(small!, { mostMoves: 3, mostTriples: 10 });
  expect(few).toMatchObject({ exactUpTo: 2, beyond: { moves: 3, looked: 10 } });
  expect(few.beyond!.of).toBeGreaterThan(10);
  const all = finishSearch(small!, { mostMoves: 3, mostTriples: 1e6 });
  expect(all).toMatchObject({ exactUpTo: 3, beyond: null });
  expect(all.looked - pairs.looked).toBe(few.beyond!.of);
  expect(all.front[0]!.score.goal).toBeLessThanOrEqual(pairs.front[0]!.score.goal + 1e-9);
});

test('what it says on the way: how far it is, and the best so far', () => {
  const work = searchPlans(small!, [], { chunk: 20 });
  const goals: number[] = [];
  let done = 0;
  for (let step = work.next(); !step.done; step = work.next()) {
    expect(step.value.done).toBeLessThanOrEqual(step.value.of);
    goals.push(step.value.front[0]!.score.goal);
    done++;
  }
  expect(done).toBeGreaterThan(5);
  expect(goals).toEqual([...goals].sort((a, b) => b - a));
});

test('it is the same each time', () => {
  expect(finishSearch(small!)).toEqual(finishSearch(small!));
});

test('a liked cable that stays as it is: the capacitor goes in the next one on the way', () => {
  let rig = newRig('liked');
  for (const name of ['drive', 'buffer'] as const)
    rig = applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '')));
  rig = applyEdits(rig, setCableLength('l1', 1.5));
  const [first, patch] = mainRow(rig).cables.map((cable) => cable!.id);
  const fit = (of: Rig) =>
    makeMoves(of, [findMoves(of).find(({ action }) => action.kind === 'capacitor')!]);
  const added = (of: Rig | undefined) =>
    of && mainRow(of).cables.flatMap((cable) => (cable!.added ? [cable!.id] : []));
  expect(added(fit(rig)?.rig)).toEqual([patch]);
  const keeps = (...ids: readonly string[]) => applyEdits(rig, editBrief(rig, { keptCables: ids }));
  expect(added(fit(keeps(first!))?.rig)).toEqual([patch]);
  expect(added(fit(keeps(patch!))?.rig)).toEqual([first]);
  expect(fit(keeps(first!, patch!))).toBeNull();
});

test('a pedal that switches with another one still does once it is looped out', () => {
  let rig = newRig('linked');
  for (const name of ['wah', 'drive'] as const)
    rig = applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, deviceOfClass(name, '')));
  rig = applyEdits(rig, linkSwitch(rig, 'd1', 'd2'), toggleSwitch(rig, 'd1'));
  rig = applyEdits(rig, keepScene(rig, 'on'));
  const loop = findMoves(rig).find(({ action }) => action.kind === 'loopOut')!;
  const made = makeMoves(rig, [loop])!.rig;
  expect(made.electrical.links).toEqual([['d2', 'd1', 'd3.0']]);
  expect(made.electrical.scenes[0]!.state.positions['d3.0']).toBe(true);
  expect(made.state.positions['d3.0']).toBe(true);
});

test('a move of what is not there any more does nothing', () => {
  const empty = newRig('empty');
  for (const move of findMoves(small!)) {
    const made = makeMoves(empty, [move]);
    // Only its cables and the end of its row are there.
    if (made) expect(move.key).toMatch(/^(kind|length|capacitor|buffer end)/u);
  }
});

test('what the brief rules out is not among the moves', () => {
  const { brief } = small!.texts;
  const withBrief = (change: Partial<typeof brief>): Rig => ({
    ...small!,
    texts: { ...small!.texts, brief: { ...brief, ...change } },
  });
  const all = findMoves(small!);
  expect(all.some(({ effort }) => effort.solders)).toBe(true);
  expect(findMoves(withBrief({ noSoldering: true })).some(({ effort }) => effort.solders)).toBe(
    false,
  );
  expect(
    findMoves(withBrief({ nothingBought: true })).some(
      ({ effort }) => effort.cost > 0 || effort.buys.length > 0,
    ),
  ).toBe(false);
  expect(
    Math.max(...findMoves(withBrief({ mostMoney: 30 })).map(({ effort }) => effort.cost)),
  ).toBeLessThanOrEqual(30);
  expect(findMoves(withBrief({ mostBoxes: 0 })).some(({ effort }) => effort.boxes > 0)).toBe(false);
  const first = mainRow(small!).cables[0]!.id;
  const kept = findMoves(withBrief({ keptCables: [first] }));
  expect(kept.some(({ claims }) => claims.includes(`kind ${first}`))).toBe(false);
  const reach = findMoves(withBrief({ reach: { [first]: entered(0.5) } }));
  const lengths = reach.flatMap(({ action }) =>
    action.kind === 'cableLength' && action.cable === first ? [action.lengthM] : [],
  );
  expect(Math.min(...lengths)).toBe(0.5);
});

test('a cable is shortened where it is longer than that, and nowhere made longer', () => {
  let rig = newRig('places');
  for (const [name, lengthM] of [
    ['near', 2],
    ['far', 12],
  ] as const) {
    rig = applyEdits(rig, setCableLength('l1', lengthM));
    rig = applyEdits(rig, keepPlace(rig, name));
  }
  rig = applyEdits(rig, editBrief(rig, { reach: { l1: entered(4) } }));
  const cut = findMoves(rig).find(({ key }) => key === 'length l1 4')!;
  const made = makeMoves(rig, [cut])!.rig;
  expect(mainRow(made).cables[0]!.lengthM.value).toBe(4);
  expect(made.electrical.places.map(({ lengths }) => lengths.l1!.value)).toEqual([2, 4]);
  expect(cut.condition).toBeNull();
});

test('two pairs that are each too dear together stay out of a plan', () => {
  const { brief } = small!.texts;
  const { texts } = small!;
  const rig = { ...small!, texts: { ...texts, brief: { ...brief, mostMoney: 90, mostBoxes: 1 } } };
  for (const { effort } of finishSearch(rig).front) {
    expect(effort.cost).toBeLessThanOrEqual(90);
    expect(effort.boxes).toBeLessThanOrEqual(1);
  }
});
