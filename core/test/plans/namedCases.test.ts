import { adviseRig, heed } from '../../src/judgements';
import {
  deviceOfClass,
  entered,
  guitarOfClass,
  cableOfClass,
  type Device,
  type CableClass,
} from '../../src/gear';
import {
  choosePlans,
  sayLeaveAlone,
  sayMoves,
  searchPlans,
  type MoveAction,
  type PlanSearch,
  type Proposal,
} from '../../src/plans';
import {
  NO_BRIEF,
  newRig,
  type ApproachKind,
  type Brief,
  type Rig,
  withElectrical,
} from '../../src/rig';
import { withRowOf } from '../rig/straightRow';

/// Rigs that practitioners know the answer to, and why it is the answer.

const cable = (id: string, lengthM: number, kind: CableClass = 'ordinary') =>
  cableOfClass(kind, id, entered(lengthM));

/** A first cable, pedals on 0.4 m patches, a last cable. */
function board(firstM: number, devices: readonly Device[], lastM: number): Rig {
  const patches = devices.slice(1).map((_, i) => cable(`l${i + 2}`, 0.4));
  const last = devices.length === 0 ? [] : [cable(`l${devices.length + 1}`, lastM)];
  return withRowOf(newRig('case'), devices, [cable('l1', firstM), ...patches, ...last]);
}

const drives = (count: number): readonly Device[] =>
  Array.from({ length: count }, (_, i) => ({
    ...deviceOfClass('drive', `d${i + 1}`),
    name: `drive ${i + 1}`,
  }));

const under = (rig: Rig, kind: ApproachKind, brief: Partial<Brief> = {}): Rig => ({
  ...withElectrical(rig, { approach: { ...rig.electrical.approach, kind } }),
  texts: { ...rig.texts, brief: { ...NO_BRIEF, ...brief } },
});

interface Solved {
  readonly search: PlanSearch;
  readonly proposals: readonly Proposal[];
  readonly advised: Proposal;
}

function solve(rig: Rig): Solved {
  const work = searchPlans(rig, []);
  for (;;) {
    const step = work.next();
    if (!step.done) continue;
    const isFine = heed(adviseRig(rig, [], 'metric'), []).first?.kind === 'fine';
    const proposals = choosePlans(step.value.front, step.value.asItIs, { isFine });
    return {
      search: step.value,
      proposals,
      advised: proposals.find(({ isAdvised }) => isAdvised)!,
    };
  }
}

const actionsOf = ({ plan }: Proposal): readonly MoveAction[] =>
  plan.moves.map(({ action }) => action);
const has = (proposal: Proposal, kind: MoveAction['kind'], more: object = {}): boolean =>
  actionsOf(proposal).some(
    (action) =>
      action.kind === kind &&
      Object.entries(more).every(([key, value]) => action[key as keyof MoveAction] === value),
  );
const atDestination = (proposal: Proposal): boolean => has(proposal, 'buffer', { before: null });

const TRUE_BYPASS = board(5, drives(7), 9);

test('a true-bypass board: one buffer right after the first cable, then a lower-capacitance first cable', () => {
  // All that the pickup drives is 5 + 2.4 + 9 m. After a first buffer 11 m are nothing to 150 Ω, and the
  // largest thing left is the first cable itself.
  const { proposals, advised } = solve(under(TRUE_BYPASS, 'clear'));
  const one = proposals.find(({ plan }) => plan.moves.length === 1 && plan.effort.boxes === 1)!;
  expect(actionsOf(one)).toMatchObject([{ kind: 'buffer', before: 'd1' }]);
  const next = proposals[proposals.indexOf(one) + 1]!;
  expect(has(next, 'buffer', { before: 'd1' })).toBe(true);
  const further = actionsOf(next).filter(({ kind }) => kind !== 'buffer');
  expect(further).toHaveLength(1);
  expect(['cableKind', 'cableLength']).toContain(further[0]!.kind);
  expect(has(advised, 'cableKind')).toBe(true);
  expect(advised.plan.moves.find(({ action }) => action.kind === 'cableKind')!.claims).toEqual([
    'kind l1',
  ]);
});

test('a buffer at the end: only under bookends', () => {
  for (const kind of ['clear', 'oneBuffer', 'steady'] as const)
    expect(solve(under(TRUE_BYPASS, kind)).proposals.some(atDestination)).toBe(false);
  expect(atDestination(solve(under(TRUE_BYPASS, 'bookends')).advised)).toBe(true);
});

test('a buffer at the end: also where a driver of many kΩ makes it worth half a decibel', () => {
  // The last drive is on all night and gives from 40 kΩ into 18 m: its own output cable dulls it.
  const weak: Device = {
    ...deviceOfClass('drive', 'd7'),
    on: { ...deviceOfClass('drive', 'd7').on, rOutOhm: entered(40e3) },
  };
  const rig = board(1.5, [...drives(6), weak], 18);
  const { advised } = solve(under(rig, 'clear', { uses: { d7: 'leftOn' } }));
  expect(atDestination(advised)).toBe(true);
});

const FUZZ = deviceOfClass('lowImpedanceFuzz', 'd9');

test('with a low-impedance fuzz first: the buffer goes after it', () => {
  const rig = board(5, [FUZZ, ...drives(6)], 9);
  const { advised, search } = solve(under(rig, 'clear'));
  expect(has(advised, 'buffer', { before: 'd1' })).toBe(true);
  // Nothing that drives is ever stood before it.
  expect(
    search.moves.some(({ action }) => action.kind === 'buffer' && action.before === 'd9'),
  ).toBe(false);
});

test('wah before a low-impedance fuzz: a buffer between them, or the fuzz first', () => {
  const wah = { ...deviceOfClass('wah', 'd8'), bypass: 'true' as const };
  const rig = board(3, [wah, FUZZ, ...drives(2)], 4);
  const { proposals, search, advised } = solve(under(rig, 'clear'));
  expect(search.asItIs.score.terms.rules).toBe(1);
  expect(advised.plan.score.terms.rules).toBe(0);
  const cures = proposals.filter(({ plan }) => plan.score.terms.rules === 0);
  expect(
    cures.every(
      (cure) =>
        has(cure, 'shift', { device: 'd9' }) ||
        has(cure, 'shift', { device: 'd8' }) ||
        has(cure, 'buffer', { before: 'd9' }),
    ),
  ).toBe(true);
  // With the order kept only the buffer is left.
  const kept = solve(under(rig, 'clear', { keepsOrder: true })).advised;
  expect(has(kept, 'buffer', { before: 'd9' })).toBe(true);
});

test('something buffered that has to stay before a fuzz: a pickup simulator', () => {
  const tuner = { ...deviceOfClass('tuner', 'd8'), bypass: 'buffered' as const };
  const rig = board(3, [tuner, FUZZ, ...drives(2)], 4);
  const free = solve(under(rig, 'clear')).advised;
  expect(free.plan.score.terms.rules).toBe(0);
  const { advised } = solve(under(rig, 'clear', { keepsOrder: true }));
  expect(has(advised, 'pickupSimulator', { device: 'd9' })).toBe(true);
  expect(advised.plan.score.terms.rules).toBe(0);
});

test('a dull dark guitar on a 10 m cable: shorter or lower-capacitance cable, no box', () => {
  const dark = { ...board(10, [], 0), guitars: [guitarOfClass('hotHumbucker', 'dark')] };
  const { advised } = solve(under(dark, 'clear'));
  expect(actionsOf(advised).every(({ kind }) => kind.startsWith('cable'))).toBe(true);
  expect(advised.plan.moves.length).toBeGreaterThan(0);
  const free = solve(under(dark, 'clear', { nothingBought: true })).advised;
  expect(actionsOf(free)).toMatchObject([{ kind: 'cableLength', cable: 'l1' }]);
  expect(free.plan.effort).toMatchObject({ cost: 0, buys: [] });
});

test('a glassy single coil under the shaped approach: a longer cable or a capacitor, to 3 kHz', () => {
  const glassy = board(3, [], 0);
  const { advised, search } = solve(under(glassy, 'shaped'));
  expect(search.asItIs.score.terms.resonance).toBeGreaterThan(3);
  expect(advised.plan.score.terms.resonance).toBeLessThan(0.5);
  expect(
    actionsOf(advised).every(
      ({ kind }) => kind === 'cableLength' || kind === 'capacitor' || kind === 'cableKind',
    ),
  ).toBe(true);
  expect(has(advised, 'cableLength') || has(advised, 'capacitor')).toBe(true);
  expect(search.moves.some(({ action }) => action.kind === 'buffer')).toBe(false);
});

test('active pickups: leave it alone', () => {
  const active = { ...guitarOfClass('coveredHumbucker', 'active'), kind: 'active' as const };
  const rig = withElectrical(TRUE_BYPASS, { guitars: [active] });
  const { advised, proposals } = solve(under(rig, 'clear'));
  expect(advised.plan.moves).toEqual([]);
  expect(sayLeaveAlone(advised, proposals.at(-1)!.plan)).toMatch(
    /^It’s fine, leave it: 0\.\d\d dB/u,
  );
});

test('an owned buffered delay at the end and nothing in front: it moves to the front, or something is added there', () => {
  const delay = deviceOfClass('delay', 'd8');
  const rig = board(5, [...drives(6), delay], 6);
  const { advised, proposals } = solve(under(rig, 'clear'));
  const toFront = (proposal: Proposal) => has(proposal, 'shift', { device: 'd8', before: 'd1' });
  // With a cable of very little capacitance one pedal further on is nearer to straight in by a hair.
  const addsInFront = (proposal: Proposal) =>
    has(proposal, 'buffer', { before: 'd1' }) || has(proposal, 'buffer', { before: 'd2' });
  // Both ways are shown; the one that nobody objects to is advised, the other says what it goes against.
  expect(addsInFront(advised)).toBe(true);
  const moved = proposals.find(toFront);
  expect(moved!.plan.moves.find(({ action }) => action.kind === 'shift')!.against).toMatch(
    /usual order/u,
  );
  // With the order kept only the box is left.
  const kept = solve(under(rig, 'clear', { keepsOrder: true }));
  expect(addsInFront(kept.advised)).toBe(true);
  expect(kept.proposals.some(toFront)).toBe(false);
});

test('a board that is already right: leave it alone, said with figures', () => {
  const buffer = deviceOfClass('buffer', 'd9', 'buffer');
  const good = board(3, [buffer, ...drives(4)], 6);
  const right: Rig = withRowOf(good, good.electrical.rows[0]!.devices, [
    cable('l1', 3),
    ...good.electrical.rows[0]!.cables.slice(1),
  ]);
  const { advised, proposals } = solve(under(right, 'oneBuffer'));
  expect(advised.plan.moves).toEqual([]);
  const said = sayLeaveAlone(advised, proposals.at(-1)!.plan);
  expect(said).toMatch(
    /^It’s fine, leave it: 0\.\d\d dB from straight in, 0\.\d\d dB by switching alone/u,
  );
});

test('a needless second buffer is taken out under one good buffer', () => {
  const [one, two] = [
    deviceOfClass('buffer', 'd8', 'first'),
    deviceOfClass('buffer', 'd9', 'second'),
  ];
  const rig = board(3, [one, ...drives(3), two], 4);
  const { advised } = solve(under(rig, 'oneBuffer'));
  expect(sayMoves(rig, advised.plan, 'metric')[0]).toMatch(/^Take (first|second) out$/u);
});

test('a hardwired wah at the pickup is rebuilt, looped out, or sheltered', () => {
  const wah = deviceOfClass('wah', 'd8');
  const rig = board(3, [wah, ...drives(2)], 4);
  const { search } = solve(under(rig, 'clear'));
  const kinds = new Set(search.moves.map(({ action }) => action.kind));
  expect(kinds.has('convert') && kinds.has('loopOut') && kinds.has('shift')).toBe(false);
  expect(kinds.has('convert') && kinds.has('loopOut')).toBe(true);
  const loop = search.front.find(({ moves }) =>
    moves.some(({ action }) => action.kind === 'loopOut'),
  );
  const converted = search.front.find(({ moves }) =>
    moves.some(({ action }) => action.kind === 'convert'),
  );
  expect(loop ?? converted).toBeDefined();
});
