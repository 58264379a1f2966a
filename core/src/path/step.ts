import type { Load, PathElement, Source } from '../circuit';

/** What of a rig a step belongs to. */
export interface Place {
  readonly kind: 'source' | 'lead' | 'device' | 'end';
  /** Id of the guitar, lead, device or end; of a lead that is missing, the id of its row. */
  readonly id: string;
  /** Which part of a device: all of it, its send or return, an open loop, its key input, its stand-in. */
  readonly part: 'whole' | 'front' | 'back' | 'openLoop' | 'key' | 'standIn';
  /** The hop of a missing lead in its row, the loop of a switcher; else 0. */
  readonly index: number;
}

export const placeOf = (
  kind: Place['kind'],
  id: string,
  part: Place['part'] = 'whole',
  index = 0,
): Place => ({ kind, id, part, index });

/** One thing a signal meets on its way, in order. */
export type Step =
  /** Passive: part of the section that runs through it. */
  | {
      readonly kind: 'wire';
      readonly place: Place;
      readonly elements: readonly PathElement[];
      readonly leadM: number;
    }
  /** Ends a section at its input and begins the next at its output. */
  | {
      readonly kind: 'driver';
      readonly place: Place;
      readonly engaged: boolean;
      readonly load: Load;
      readonly source: Source;
    }
  /** Nothing comes through, though its input still loads the line. */
  | { readonly kind: 'mute'; readonly place: Place; readonly load: Load }
  /** A lead that is not there. */
  | { readonly kind: 'gap'; readonly place: Place }
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
