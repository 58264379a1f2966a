import type { Board, CaseSide, Fixture, JackKind, Mount, Plug, Sourced } from '../gear';
import { assumed } from '../gear';

/// What a rig is as a thing on a board. The signal feels none of it but by the lengths of its cables, which come
/// into the electrical part by edits of their own.

/** Degrees against the clock, seen from above. */
export type Turn = 0 | 90 | 180 | 270;
export const TURNS: readonly Turn[] = [0, 90, 180, 270];

export const BESIDE_PLACES = ['floor', 'rack', 'amp'] as const;
export type BesidePlace = (typeof BESIDE_PLACES)[number];

/** Where a thing stands on a board: the front left corner of its turned case, m from that of the board. */
export interface OnDeck {
  readonly at: 'deck';
  readonly board: string;
  readonly xM: number;
  readonly yM: number;
  readonly turn: Turn;
  /** What lifts it. */
  readonly riserM: number;
  /** Hung below the board. */
  readonly isUnder: boolean;
}

/** Unturned on top of a board, in whole millimetres, but for what is said otherwise. */
export const onDeck = (
  board: string,
  xM: number,
  yM: number,
  more: Partial<OnDeck> = {},
): OnDeck => ({
  at: 'deck',
  board,
  xM: Math.round(xM * 1000) / 1000,
  yM: Math.round(yM * 1000) / 1000,
  turn: 0,
  riserM: 0,
  isUnder: false,
  ...more,
});

/** Beside the boards, and how much cable goes there, each way. */
export interface Beside {
  readonly at: 'beside';
  readonly where: BesidePlace;
  readonly lengthM: number;
}

/** Of a board itself: where its front left corner is on the stage. */
export interface OnStage {
  readonly at: 'stage';
  readonly xM: number;
  readonly yM: number;
}

export type Placement = OnDeck | Beside | OnStage;

/** One end of a cable: the jack it is in, its plug, and to which side of the case an angled one lets the cable leave. Null is not given. */
export interface CableEnd {
  readonly jack: JackKind | null;
  readonly plug: Omit<Plug, 'id'> | null;
  readonly leaves: CaseSide | null;
}

export const NO_END: CableEnd = { jack: null, plug: null, leaves: null };

/** Both ends of a cable, from the guitar's side to the amp's. */
export interface CableEnds {
  readonly from: CableEnd;
  readonly to: CableEnd;
}

/** DC goes by the feeds of the power. */
export const CONTROL_KINDS = ['mains', 'midi', 'control', 'expression', 'usb'] as const;
export type ControlKind = (typeof CONTROL_KINDS)[number];

/** A jack of a thing: `nth` of the jacks of its kind, from 0. */
export interface JackOfThing {
  readonly thing: string;
  readonly nth: number;
}

/** A cable that carries no audio. */
export interface ControlCable {
  readonly id: string;
  readonly name: string;
  readonly carries: ControlKind;
  readonly from: JackOfThing;
  readonly to: JackOfThing;
  readonly lengthM: Sourced;
}

/** Several cables tied as one. */
export interface Loom {
  readonly id: string;
  readonly name: string;
  readonly cables: readonly string[];
}

export type Layer = 'top' | 'under';

/** A straight line of tie-downs, parallel to the front edge of a board. */
export interface Lane {
  readonly id: string;
  readonly name: string;
  readonly board: string;
  readonly layer: Layer;
  readonly yM: number;
  readonly fromM: number;
  readonly toM: number;
  readonly mount: Omit<Mount, 'id'> | null;
}

/** How this workshop lays cables, and how much room it wants. */
export interface Laying {
  /** Along lanes with few bends, or the shortest way. */
  readonly manner: 'tidy' | 'direct';
  /** Between cases. */
  readonly gapM: Sourced;
  /** Between a cable and what stands beside it. */
  readonly clearanceM: Sourced;
  readonly allowsOverhang: boolean;
  /** What a bend, a passage through the board, and a metre along a lane count as. */
  readonly bendM: Sourced;
  readonly passageM: Sourced;
  readonly laneShare: Sourced;
  /** Cable to spare at each end; to this step its length is rounded up. */
  readonly slackM: Sourced;
  readonly stepM: Sourced;
  /** A shoe: its width, and what it needs on each side to be free, and to be careful. */
  readonly shoeM: Sourced;
  readonly freeM: Sourced;
  readonly carefulM: Sourced;
  /** From mount to mount; a rig that changes often has every other one. */
  readonly pitchM: Sourced;
  readonly changesOften: boolean;
  /** What a plug is where none is given. */
  readonly usualPlug: 'straight' | 'angled' | 'pancake';
}

export const USUAL_LAYING: Laying = {
  manner: 'tidy',
  gapM: assumed(0.002),
  clearanceM: assumed(0.003),
  allowsOverhang: false,
  bendM: assumed(0.01),
  passageM: assumed(0.005),
  laneShare: assumed(0.7),
  slackM: assumed(0.015),
  stepM: assumed(0.005),
  shoeM: assumed(0.1),
  freeM: assumed(0.04),
  carefulM: assumed(0.015),
  pitchM: assumed(0.06),
  changesOften: false,
  usualPlug: 'pancake',
};

export interface Layout {
  /** Its decks. */
  readonly boards: readonly Board[];
  readonly fixtures: readonly Fixture[];
  /** By device, fixture, supply or board. What is not named here is not placed; it may be out of the rig for now. */
  readonly placements: Readonly<Record<string, Placement>>;
  /** By cable; one that is not named here has not been spoken of. It may be out of the rig for now. */
  readonly ends: Readonly<Record<string, CableEnds>>;
  readonly lanes: readonly Lane[];
  readonly controls: readonly ControlCable[];
  readonly looms: readonly Loom[];
  /** Devices and fixtures whose switches must never be missed. */
  readonly neverMissed: readonly string[];
  readonly laying: Laying;
}

export const NO_LAYOUT: Layout = {
  boards: [],
  fixtures: [],
  placements: {},
  ends: {},
  lanes: [],
  controls: [],
  looms: [],
  neverMissed: [],
  laying: USUAL_LAYING,
};
