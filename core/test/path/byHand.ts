import {
  compileSection,
  createLadderState,
  gridOf,
  solveLadder,
  type Load,
  type PathElement,
  type PickupSource,
  type Section,
  type Source,
} from '../../src/circuit';
import { deviceOfClass, entered, cableOfClass, type Device, type Cable } from '../../src/gear';
import { drivePath, routeOf } from '../../src/path';
import {
  newRig,
  type Rig,
  type Row,
  type SwitchState,
  type Electrical,
  withElectrical,
} from '../../src/rig';
import { solveBackwards } from '../circuit/backwards';
import { apart, c, mul, type Complex } from '../circuit/complex';

/// Rigs and sections written out by hand, to hold one against the other.

export const grid = gridOf(Float64Array.of(60, 400, 1500, 4000, 12000));

export const cable = (id: string, lengthM: number): Cable =>
  cableOfClass('ordinary', id, entered(lengthM));
/** A cable of 110 pF/m with two plugs of 15 pF. */
export const cableC = (lengthM: number): PathElement => shuntC(110e-12 * lengthM + 30e-12);
export const shuntC = (cF: number): PathElement => ({ kind: 'shunt', rOhm: null, cF });
/** A bypassed pedal, or any passive box. */
export const WIRE: readonly PathElement[] = [{ kind: 'series', rOhm: 0.1 }, shuntC(25e-12)];
export const AMP: Load = { rOhm: 1e6, cF: 0, grid: { stopperOhm: 34e3, millerF: 100e-12 } };
export const into = (rOhm: number, cF: number): Load => ({ rOhm, cF, grid: null });
export const from = (rOutOhm: number, gain = 1): Source => ({ kind: 'voltage', rOutOhm, gain });

export const pots = (potOhm: number) => ({
  wiring: 'modern' as const,
  volume: { potOhm, wiper: 1, reversed: false },
  tone: { potOhm, cF: 22e-9, remaining: 1, noLoad: false },
  bleed: null,
});
export const BRIGHT: PickupSource = {
  kind: 'pickup',
  lH: 2.2,
  rDcOhm: 5800,
  cWindingF: 110e-12,
  rEddyOhm: 1e6,
  controls: pots(250e3),
};

export function response(sections: readonly Section[]): readonly Complex[] {
  const out = new Float64Array(2 * grid.omega.length);
  const state = createLadderState(grid.omega.length);
  return sections
    .map((section) => {
      solveLadder(compileSection(section), section.load, grid, out, state);
      return Array.from(grid.omega, (_, i) => c(out[2 * i]!, out[2 * i + 1]!));
    })
    .reduce((all, one) => all.map((h, i) => mul(h, one[i]!)));
}

/** The rig on its way to an end is these sections. */
export function expectWay(rig: Rig, byHand: readonly Section[], rowId?: string): void {
  const path = drivePath(routeOf(rig, rowId));
  expect(path.interrupted).toBeNull();
  expect(path.sections).toHaveLength(byHand.length);
  response(path.sections.map(({ circuit }) => circuit)).forEach((h, i) => {
    const wanted = byHand.reduce((all, s) => mul(all, solveBackwards(s, grid.omega[i]!)), c(1));
    expect(apart(h, wanted)).toBeLessThan(1e-9);
  });
}

export const base = newRig('by hand');
export const mainOf = (devices: readonly Device[], cables: readonly (Cable | null)[]): Row => ({
  id: 'r1',
  at: { kind: 'main' },
  devices,
  cables,
});
export const rigOf = (
  rows: readonly Row[],
  { state = base.state, ...more }: Partial<Electrical> & { readonly state?: SwitchState } = {},
): Rig => ({ ...withElectrical(base, { rows, ...more }), state });
export const box = (
  name: Parameters<typeof deviceOfClass>[0],
  id: string,
  more: Partial<Device> = {},
) => ({
  ...deviceOfClass(name, id),
  ...more,
});
export const state = (
  positions: SwitchState['positions'],
  more: Partial<SwitchState> = {},
): SwitchState => ({
  ...base.state,
  positions,
  ...more,
});
