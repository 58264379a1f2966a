import { picofarad } from './guitar';
import { assumed, type Provenance, type Sourced } from './sourced';

/// What a rig is built with and the signal does not pass through by itself: plugs, boards, mounts.

export type PlugShape = 'straight' | 'angled' | 'pancake' | 'coupler';
export type PlugJoint = 'soldered' | 'screwOn';

export interface Plug {
  readonly id: string;
  readonly name: string;
  readonly shape: PlugShape;
  readonly joint: PlugJoint;
  /** How far it stands out from the jack; of a coupler, half of what is between two jacks. */
  readonly beyondM: Sourced;
  /** Across, on both sides of the jack. */
  readonly acrossM: Sourced;
  /** From the jack along the case to where the cable leaves an angled one; 0 for one that goes straight out. */
  readonly reachM: Sourced;
  readonly plugF: Sourced;
}

interface PlugRule {
  readonly label: string;
  readonly beyondM: number;
  readonly acrossM: number;
  readonly reachM: number;
}

export const PLUG_SHAPES: Readonly<Record<PlugShape, PlugRule>> = {
  straight: { label: 'straight plug', beyondM: 0.055, acrossM: 0.015, reachM: 0 },
  angled: { label: 'angled plug', beyondM: 0.03, acrossM: 0.016, reachM: 0.03 },
  pancake: { label: 'pancake plug', beyondM: 0.02, acrossM: 0.022, reachM: 0.026 },
  coupler: { label: 'coupler', beyondM: 0.012, acrossM: 0.016, reachM: 0 },
};

export const plugOfShape = (shape: PlugShape, name: string): Plug => ({
  id: 'x1',
  name,
  shape,
  joint: 'soldered',
  beyondM: assumed(PLUG_SHAPES[shape].beyondM),
  acrossM: assumed(PLUG_SHAPES[shape].acrossM),
  reachM: assumed(PLUG_SHAPES[shape].reachM),
  plugF: assumed(picofarad(15)),
});

export type BoardSurface = 'rows' | 'plate' | 'mesh';

/** A board of rows: one of its slats, m from the front edge of the board. */
export interface Slat {
  readonly frontM: number;
  readonly backM: number;
}

/** Where a plate lets cables through: a round hole of a width, or a slot. Its middle, m. */
export interface Opening {
  readonly shape: 'round' | 'slot';
  readonly xM: number;
  readonly yM: number;
  readonly widthM: number;
  /** Of a slot; a round one is as deep as it is wide. */
  readonly depthM: number;
}

export interface Board {
  readonly id: string;
  readonly name: string;
  readonly widthM: Sourced;
  readonly depthM: Sourced;
  /** Free height below its surface. */
  readonly belowM: Sourced;
  readonly thicknessM: Sourced;
  /** How much higher its back edge stands than its front edge. */
  readonly riseM: Sourced;
  /** What stands up at its front edge. */
  readonly lipM: Sourced;
  readonly surface: BoardSurface;
  /** Of a board of rows, from front to back. */
  readonly slats: readonly Slat[];
  /** Of a plate. */
  readonly openings: readonly Opening[];
  /** Where the places of slats and openings are from. */
  readonly placesFrom: Provenance;
}

export const MOST_SLATS = 16;
export const MOST_OPENINGS = 60;

/** Slats of 50 mm with gaps of 20 mm between, as many as there is room for. */
export function spaceSlats(depthM: number): readonly Slat[] {
  const [slat, gap] = [0.05, 0.02];
  const count = Math.max(1, Math.min(MOST_SLATS, Math.floor((depthM + gap) / (slat + gap))));
  const pitch = count === 1 ? 0 : (depthM - slat) / (count - 1);
  const round = (m: number) => Math.round(m * 1000) / 1000;
  return Array.from({ length: count }, (_, i) => ({
    frontM: round(i * pitch),
    backM: Math.min(depthM, round(i * pitch + Math.min(slat, depthM))),
  }));
}

export const typicalBoard = (name: string): Board => ({
  id: 'x1',
  name,
  widthM: assumed(0.6),
  depthM: assumed(0.32),
  belowM: assumed(0.04),
  thicknessM: assumed(0.006),
  riseM: assumed(0),
  lipM: assumed(0),
  surface: 'rows',
  slats: spaceSlats(0.32),
  openings: [],
  placesFrom: 'assumed',
});

/** What cables are tied down with. */
export interface Mount {
  readonly id: string;
  readonly name: string;
  /** Of its foot, across the lane. */
  readonly footM: Sourced;
  /** The thickest bundle that its tie holds. */
  readonly holdsM: Sourced;
}

export const MOUNT_SIZES = {
  small: { label: 'small mount', footM: 0.013, holdsM: 0.012 },
  middle: { label: 'middle mount', footM: 0.02, holdsM: 0.02 },
  large: { label: 'large mount', footM: 0.028, holdsM: 0.03 },
} as const;

export type MountSize = keyof typeof MOUNT_SIZES;

export const mountOfSize = (size: MountSize, name: string = MOUNT_SIZES[size].label): Mount => ({
  id: 'x1',
  name,
  footM: assumed(MOUNT_SIZES[size].footM),
  holdsM: assumed(MOUNT_SIZES[size].holdsM),
});
