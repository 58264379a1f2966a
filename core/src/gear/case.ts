import type { Provenance } from './sourced';
import { assumed, type Sourced } from './sourced';

/// What a thing is as it stands on a board: its case, where its jacks and foot-switches are. Seen from the player: x to
/// the right of its front left corner, y to the back of it.

export type CaseSide = 'left' | 'right' | 'back' | 'front';
export const CASE_SIDES: readonly CaseSide[] = ['right', 'left', 'back', 'front'];

/** What plugs into a jack. Several of a kind are told apart by their order in the case. */
export type JackKind =
  'in' | 'out' | 'side' | 'send' | 'return' | 'power' | 'midi' | 'control' | 'expression' | 'usb';

export const JACK_KINDS: readonly JackKind[] = [
  'in',
  'out',
  'side',
  'send',
  'return',
  'power',
  'midi',
  'control',
  'expression',
  'usb',
];

export interface CaseJack {
  readonly kind: JackKind;
  readonly side: CaseSide;
  /** Along its side, m: from the left at front and back, from the front at left and right. */
  readonly alongM: number;
}

export interface CaseSwitch {
  readonly xM: number;
  readonly yM: number;
}

export interface Case {
  readonly widthM: Sourced;
  readonly depthM: Sourced;
  /** Without knobs. */
  readonly heightM: Sourced;
  readonly massKg: Sourced;
  readonly jacks: readonly CaseJack[];
  readonly switches: readonly CaseSwitch[];
  /** Where the places of jacks and switches are from. */
  readonly placesFrom: Provenance;
}

export const MOST_JACKS = 40;
export const MOST_SWITCHES = 16;

/** Where a jack at a side stands when nobody has held a rule to it: this share of the depth from the front. */
const SIDE_SHARE = 0.62;
/** How far behind the front edge a foot-switch is, m. */
const SWITCH_BEHIND_M = 0.022;

/**
 * Jacks at their usual places: one alone at the left or right at 62 % of the depth, several of a side evenly spaced.
 *
 * @param sizeM width and depth of the case
 */
export function spaceJacks(
  wanted: readonly (readonly [JackKind, CaseSide])[],
  [widthM, depthM]: readonly [number, number],
): readonly CaseJack[] {
  const places = { left: 0, right: 0, back: 0, front: 0 };
  return wanted.map(([kind, side]) => {
    const many = wanted.filter((jack) => jack[1] === side).length;
    const isBeside = side === 'left' || side === 'right';
    const share = isBeside && many === 1 ? SIDE_SHARE : ++places[side] / (many + 1);
    return { kind, side, alongM: millimetres(share * (isBeside ? depthM : widthM)) };
  });
}

/** A case of another size: places that nobody has measured move with it. */
export function resized<C extends Case>(
  body: C,
  size: Partial<Pick<Case, 'widthM' | 'depthM'>>,
): C {
  const next = { ...body, ...size };
  if (body.placesFrom !== 'assumed') return next;
  const sizeM = [next.widthM.value, next.depthM.value] as const;
  return {
    ...next,
    jacks: spaceJacks(
      body.jacks.map(({ kind, side }) => [kind, side] as const),
      sizeM,
    ),
    switches: spaceSwitches(body.switches.length, sizeM),
  };
}

/** Foot-switches in a row behind the front edge. */
export const spaceSwitches = (
  count: number,
  [widthM, depthM]: readonly [number, number],
): readonly CaseSwitch[] =>
  Array.from({ length: count }, (_, i) => ({
    xM: millimetres(((i + 1) / (count + 1)) * widthM),
    yM: Math.min(SWITCH_BEHIND_M, millimetres(depthM / 2)),
  }));

const millimetres = (m: number): number => Math.round(m * 1000) / 1000;

/** What is usual for the cases of one class: size in m, mass in kg, how many foot-switches. */
export interface CaseRule {
  readonly sizeM: readonly [width: number, depth: number, height: number];
  readonly massKg: number;
  readonly switches: number;
}

/** A case of which nothing has been measured. */
export function typicalCase(
  { sizeM, massKg, switches }: CaseRule,
  jacks: readonly (readonly [JackKind, CaseSide])[],
): Case {
  const [widthM, depthM, heightM] = sizeM;
  return {
    widthM: assumed(widthM),
    depthM: assumed(depthM),
    heightM: assumed(heightM),
    massKg: assumed(massKg),
    jacks: spaceJacks(jacks, [widthM, depthM]),
    switches: spaceSwitches(switches, [widthM, depthM]),
    placesFrom: 'assumed',
  };
}
