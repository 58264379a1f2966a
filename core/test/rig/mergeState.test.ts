import {
  applyEdits,
  insertBuffer,
  isSameState,
  mergeState,
  newRig,
  type Edit,
  type SwitchState,
} from '../../src';

const switchable = (id: string): Edit => ({
  kind: 'choose',
  target: { of: 'device', id },
  field: 'bypass',
  to: 'true',
});
const one = applyEdits(newRig('two pedals'), insertBuffer(newRig('one'), 0), switchable('d1'));
const rig = applyEdits(one, insertBuffer(one, 0), switchable('d2'));

const state = (change: Partial<SwitchState>): SwitchState => ({
  positions: {},
  playing: 'g1',
  unpowered: [],
  ...change,
});

test('what either hand changed stands, and mine where both did', () => {
  const before = state({ positions: { d1: true } });
  const mine = state({ positions: { d1: false, d2: true } });
  const theirs = state({ positions: { d1: true, d2: false }, playing: null, unpowered: ['d2'] });
  expect(mergeState(rig, before, mine, theirs)).toEqual(
    state({ positions: { d1: false, d2: true }, playing: null, unpowered: ['d2'] }),
  );
  const bothOff = state({ positions: { d1: false } });
  expect(mergeState(rig, before, bothOff, bothOff)).toEqual(bothOff);
});

test('what one hand alone changed is that hand’s state itself', () => {
  const before = state({});
  const changed = state({ positions: { d2: true } });
  expect(mergeState(rig, before, changed, state({}))).toBe(changed);
  expect(mergeState(rig, before, state({}), changed)).toBe(changed);
});

test('switches, guitars and devices that the rig has not are left out', () => {
  const theirs = state({ positions: { d1: true, d9: true }, playing: 'g9', unpowered: ['d9'] });
  expect(mergeState(rig, state({}), state({}), theirs)).toEqual(state({ positions: { d1: true } }));
});

test('a switch that is named and off is as one that is not named', () => {
  expect(isSameState(state({ positions: { d1: false } }), state({}))).toBe(true);
  expect(isSameState(state({ unpowered: ['d1', 'd2'] }), state({ unpowered: ['d2', 'd1'] }))).toBe(
    true,
  );
  for (const other of [
    state({ positions: { d1: true } }),
    state({ playing: null }),
    state({ unpowered: ['d1'] }),
  ])
    expect(isSameState(other, state({}))).toBe(false);
});
