import type { Load, PathElement, Source } from '../circuit';

/** What of a rig a step belongs to. */
export interface Spot {
  readonly kind: 'source' | 'cable' | 'device' | 'destination';
  /** Id of the guitar, cable, device or end; of a cable that is missing, the id of its row. */
  readonly id: string;
  /** Which part of a device: all of it, its send or return, an open loop, its key input, its pickup simulator. */
  readonly part: 'whole' | 'front' | 'back' | 'openLoop' | 'key' | 'pickupSimulator';
  /** The connection of a missing cable in its row, the loop of a switcher; else 0. */
  readonly index: number;
}

export const spotOf = (
  kind: Spot['kind'],
  id: string,
  part: Spot['part'] = 'whole',
  index = 0,
): Spot => ({ kind, id, part, index });

/** Why nothing comes through. */
export type MuteReason =
  /** A device that mutes is on. */
  | 'engaged'
  /** A passive volume stands at its heel. */
  | 'closed'
  | 'unpowered'
  /** It stands in a loop that is open. */
  | 'openLoop'
  /** The guitar that this line begins at is not the one that plays. */
  | 'notPlaying'
  /** No guitar is chosen. */
  | 'noGuitar'
  /** A way that is left out of a count, by the switch on it. */
  | 'avoided';

/** One thing a signal meets on its way, in order. */
export type Step =
  /** Passive: part of the section that runs through it. */
  | {
      readonly kind: 'wire';
      readonly spot: Spot;
      readonly elements: readonly PathElement[];
      readonly cableM: number;
    }
  /** Ends a section at its input and begins the next at its output. */
  | {
      readonly kind: 'driver';
      readonly spot: Spot;
      readonly engaged: boolean;
      readonly load: Load;
      readonly source: Source;
    }
  /** Nothing comes through, though its input still loads the line. */
  | {
      readonly kind: 'mute';
      readonly spot: Spot;
      readonly load: Load;
      readonly why: MuteReason;
    }
  /** A cable that is not there. */
  | { readonly kind: 'gap'; readonly spot: Spot }
  /** Where a side jack's way leaves the line. */
  | { readonly kind: 'side'; readonly device: string; readonly isDriven: boolean }
  /** A switch and both ways it can send the signal. */
  | Choice;

export interface Choice {
  readonly kind: 'choice';
  readonly switchId: string;
  readonly off: readonly Step[];
  readonly on: readonly Step[];
}

/** Steps that are left once every switch stands and every side way is counted as a load. */
export type SettledStep = Exclude<Step, { kind: 'choice' | 'side' }>;
