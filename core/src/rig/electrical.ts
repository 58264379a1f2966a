import type { Cable, Destination, Device, Guitar, ReferenceCable, Sourced } from '../gear';
import type { SwitchState } from './switchState';

/// The electrical part of a rig: all that the signal feels, and nothing else. Whoever computes takes this part
/// and a state of its switches, and remembers by their identity: what a rig looks like or is called is not in it.

/** Where a row begins and ends. */
export type RowPlace =
  /** From the first guitar to the first destination. */
  | { readonly kind: 'main' }
  /** From another guitar into a selector on the main row. */
  | { readonly kind: 'guitar'; readonly guitar: string; readonly selector: string }
  /** From the side jack of a device to a destination, or to the key input of a device. */
  | { readonly kind: 'side'; readonly device: string; readonly to: SideGoal }
  /** From the send of one loop of a device back to its return. */
  | { readonly kind: 'loop'; readonly device: string; readonly loop: number }
  /** From an amp's effects send to its return. */
  | { readonly kind: 'ampLoop'; readonly destination: string };

export type SideGoal =
  | { readonly kind: 'destination'; readonly destination: string }
  | { readonly kind: 'key'; readonly device: string };

/**
 * Devices one after the other. `cables[i]` arrives at `devices[i]`, the last one where the row ends, so
 * there is always one connection more than devices. Null is a cable that still has to be made.
 */
export interface Row {
  readonly id: string;
  readonly at: RowPlace;
  readonly devices: readonly Device[];
  readonly cables: readonly (Cable | null)[];
}

/** A named state of the switches. It may name a pedal that is out of the rig for now. */
export interface Scene {
  readonly id: string;
  readonly name: string;
  readonly state: SwitchState;
}

/** An amp's effects loop by itself. */
export type AmpLoop = Pick<Destination, 'sendOhm' | 'returnOhm' | 'returnF'>;

/**
 * Where a rig is played: how long its cables are there, and what it is plugged into. A cable that it does not
 * name stays as it is; cables as laid on a board belong to no place.
 */
export interface Place {
  readonly id: string;
  readonly name: string;
  /** By cable. */
  readonly lengths: Readonly<Record<string, Sourced>>;
  /** What stands there instead of the rig's own first destination (a hired amp); null is the rig's own. */
  readonly destination: Destination | null;
  /** The effects loop there, where it is not that of the destination. */
  readonly loop: AmpLoop | null;
}

/** How a practitioner thinks about buffers and loss; judgements are made against it. */
export type ApproachKind = 'clear' | 'bookends' | 'oneBuffer' | 'steady' | 'shaped';

export interface Approach {
  readonly kind: ApproachKind;
  /** Where "shaped" wants the resonance, Hz. */
  readonly wantedHz: Sourced;
}

export interface Electrical {
  /** The first one plays into the main row; one without a row of its own takes the first one's cable. */
  readonly guitars: readonly Guitar[];
  /** The first one is the main row. */
  readonly rows: readonly Row[];
  /** The first one ends the main row. */
  readonly destinations: readonly Destination[];
  /** The rig's own first destination while that of a place stands in its stead; null while it is its own. */
  readonly ownDestination: Destination | null;
  readonly reference: ReferenceCable;
  readonly approach: Approach;
  readonly scenes: readonly Scene[];
  readonly places: readonly Place[];
  /** Switch ids that act together. */
  readonly links: readonly (readonly string[])[];
}
