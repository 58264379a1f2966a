import type { Polarity } from './body';
import { picofarad } from './guitar';
import { assumed, type Sourced } from './sourced';

/// What a rig is built with and the signal does not pass through by itself: plugs, supplies, boards.

export type PlugShape = 'straight' | 'angled' | 'pancake';
export type PlugJoint = 'soldered' | 'screwOn';

export interface Plug {
  readonly id: string;
  readonly name: string;
  readonly shape: PlugShape;
  readonly joint: PlugJoint;
  /** How far it stands out from the jack. */
  readonly beyondM: Sourced;
  readonly plugF: Sourced;
}

export const PLUG_SHAPES: Readonly<Record<PlugShape, { label: string; beyondM: number }>> = {
  straight: { label: 'straight plug', beyondM: 0.055 },
  angled: { label: 'angled plug', beyondM: 0.03 },
  pancake: { label: 'pancake plug', beyondM: 0.02 },
};

export const plugOfShape = (shape: PlugShape, name: string): Plug => ({
  id: 'x1',
  name,
  shape,
  joint: 'soldered',
  beyondM: assumed(PLUG_SHAPES[shape].beyondM),
  plugF: assumed(picofarad(15)),
});

/** Outlets that are all alike; a brick with two kinds of them is two entries. */
export interface Supply {
  readonly id: string;
  readonly name: string;
  readonly outlets: Sourced;
  readonly outletV: Sourced;
  /** Each. */
  readonly outletA: Sourced;
  readonly polarity: Polarity;
  /** No outlet shares its ground with another. */
  readonly isolated: boolean;
}

export const typicalSupply = (name: string): Supply => ({
  id: 'x1',
  name,
  outlets: assumed(6),
  outletV: assumed(9),
  outletA: assumed(0.1),
  polarity: 'centreNegative',
  isolated: true,
});

export type BoardSurface = 'rows' | 'plate' | 'mesh';

export interface Board {
  readonly id: string;
  readonly name: string;
  readonly widthM: Sourced;
  readonly depthM: Sourced;
  /** Free height below its surface. */
  readonly belowM: Sourced;
  readonly surface: BoardSurface;
}

export const typicalBoard = (name: string): Board => ({
  id: 'x1',
  name,
  widthM: assumed(0.6),
  depthM: assumed(0.32),
  belowM: assumed(0.04),
  surface: 'rows',
});
