import type { Device, End, Guitar, Lead, Sourced } from '../gear';
import type { Pin, PinnedRig, Rig, Row, Scene, Situation, Standing } from './rig';

/** A part of a rig that an edit speaks of. */
export type Target =
  | { readonly of: 'reference' | 'approach' }
  | { readonly of: 'guitar' | 'device' | 'lead' | 'end'; readonly id: string };

/** What else has a name. */
export type NamedTarget =
  | Target
  | { readonly of: 'rig' }
  | { readonly of: 'scene' | 'situation' | 'pin'; readonly id: string };

/**
 * A change to a rig as a small serialisable value. `applyEdit` yields the new rig and the edit that
 * takes it back.
 */
export type Edit =
  /** One number of one part. */
  | { readonly kind: 'set'; readonly target: Target; readonly field: string; readonly to: Sourced }
  /** One word or yes/no of one part. */
  | {
      readonly kind: 'choose';
      readonly target: Target;
      readonly field: string;
      readonly to: string | boolean;
    }
  | { readonly kind: 'rename'; readonly target: NamedTarget; readonly to: string }
  | { readonly kind: 'describe'; readonly field: 'player' | 'note'; readonly to: string }
  /** A whole part by another, under the same id. */
  | { readonly kind: 'replace'; readonly part: ReplacedPart }
  /**
   * `remove` devices of a row from index `at` on, and the leads around them (`at` … `at + remove`), give
   * way to these devices and leads (one lead more than devices).
   */
  | {
      readonly kind: 'splice';
      readonly row: string;
      readonly at: number;
      readonly remove: number;
      readonly devices: readonly Device[];
      readonly leads: readonly (Lead | null)[];
      readonly positions: Standing['positions'];
    }
  /** The device at one index of a row goes to another; leads stay where they are. */
  | { readonly kind: 'move'; readonly row: string; readonly from: number; readonly to: number }
  /** One hop of a row gets a lead, or loses it. */
  | {
      readonly kind: 'hop';
      readonly row: string;
      readonly at: number;
      readonly lead: Lead | null;
    }
  /** Entries of a list give way to others. */
  | ListEdit
  | { readonly kind: 'assign'; readonly field: 'links'; readonly to: Rig['links'] }
  | { readonly kind: 'assign'; readonly field: 'silenced'; readonly to: Rig['silenced'] }
  | { readonly kind: 'assign'; readonly field: 'brief'; readonly to: Rig['brief'] }
  /** Switches by id, the guitar that plays, the power. */
  | ({ readonly kind: 'stamp' } & Partial<Standing>)
  /** Everything but the pins as it was when it was pinned. */
  | { readonly kind: 'restore'; readonly rig: PinnedRig }
  /** Several as one: all or none. */
  | { readonly kind: 'group'; readonly edits: readonly Edit[] };

export interface Lists {
  readonly guitars: Guitar;
  readonly rows: Row;
  readonly ends: End;
  readonly scenes: Scene;
  readonly situations: Situation;
  readonly pins: Pin;
}

export type ListEdit = {
  readonly [K in keyof Lists]: {
    readonly kind: 'list';
    readonly of: K;
    readonly at: number;
    readonly remove: number;
    readonly insert: readonly Lists[K][];
  };
}[keyof Lists];

export type ReplacedPart =
  | { readonly of: 'guitar'; readonly to: Guitar }
  | { readonly of: 'end'; readonly to: End }
  | { readonly of: 'device'; readonly to: Device }
  | { readonly of: 'lead'; readonly to: Lead };

export type EditResult =
  | { readonly kind: 'ok'; readonly rig: Rig; readonly inverse: Edit }
  | { readonly kind: 'refused'; readonly message: string };
