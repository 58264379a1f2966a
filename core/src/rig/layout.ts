import type { Board, Plug, Sourced } from '../gear';

/// What a rig is as a thing on a board. The signal feels none of it but by the lengths of its cables, which come
/// into the electrical part by edits of their own.

/** Something on a board that no signal passes through: a foot controller, a strip, a pick tin, reserved space. */
export interface Fixture {
  readonly id: string;
  readonly name: string;
  readonly widthM: Sourced;
  readonly depthM: Sourced;
  readonly heightM: Sourced;
}

/** One end of a cable: the jack it is in, and its plug. Null is not given. */
export interface CableEnd {
  readonly jack: JackKind | null;
  readonly plug: Omit<Plug, 'id'> | null;
}

export type JackKind = 'in' | 'out' | 'side' | 'send' | 'return';
export const JACK_KINDS: readonly JackKind[] = ['in', 'out', 'side', 'send', 'return'];

/** Both ends of a cable, from the guitar's side to the amp's. */
export interface CableEnds {
  readonly from: CableEnd;
  readonly to: CableEnd;
}

export interface Layout {
  readonly boards: readonly Board[];
  readonly fixtures: readonly Fixture[];
  /** By cable; one that is not named here has not been spoken of. It may be out of the rig for now. */
  readonly ends: Readonly<Record<string, CableEnds>>;
}

export const NO_LAYOUT: Layout = { boards: [], fixtures: [], ends: {} };
