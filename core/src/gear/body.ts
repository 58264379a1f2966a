import { assumed, type Sourced } from './sourced';

/// What a pedal is as a thing on a board: its case, where its jacks are, what feeds it.

/** Where on its case something is, seen from the player. */
export type CaseSide = 'left' | 'right' | 'top' | 'front';
export type Polarity = 'centreNegative' | 'centrePositive' | 'ac' | 'none';

export interface Body {
  readonly widthM: Sourced;
  readonly depthM: Sourced;
  /** Without knobs. */
  readonly heightM: Sourced;
  readonly supplyV: Sourced;
  readonly supplyA: Sourced;
  readonly polarity: Polarity;
  readonly inputAt: CaseSide;
  readonly outputAt: CaseSide;
  readonly powerAt: CaseSide;
  /** What goes first, in the words of who mends it. */
  readonly fails: string;
}

/** A case of the usual size with jacks at both sides, fed by 9 V with the minus in the middle. */
export const typicalBody = (): Body => ({
  widthM: assumed(0.07),
  depthM: assumed(0.12),
  heightM: assumed(0.05),
  supplyV: assumed(9),
  supplyA: assumed(0.03),
  polarity: 'centreNegative',
  inputAt: 'right',
  outputAt: 'left',
  powerAt: 'top',
  fails: '',
});
