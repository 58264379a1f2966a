import type { Amp, Device, Guitar, Lead, Sourced } from '../gear';
import type { Rig } from './rig';

/** A part of a rig that an edit speaks of. */
export type Target =
  | { readonly of: 'guitar' | 'amp' | 'reference' }
  | { readonly of: 'device' | 'lead'; readonly id: string };

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
  | {
      readonly kind: 'rename';
      readonly target: Target | { readonly of: 'rig' };
      readonly to: string;
    }
  | { readonly kind: 'describe'; readonly field: 'player' | 'note'; readonly to: string }
  /** A whole part by another, under the same id. */
  | { readonly kind: 'replace'; readonly part: ReplacedPart }
  /**
   * `remove` devices from index `at` on, and the leads around them (`at` … `at + remove`), give way to
   * these devices and leads (one lead more than devices).
   */
  | {
      readonly kind: 'splice';
      readonly at: number;
      readonly remove: number;
      readonly devices: readonly Device[];
      readonly leads: readonly Lead[];
      readonly positions: Readonly<Record<string, boolean>>;
    }
  /** The device at one index goes to another; leads stay where they are. */
  | { readonly kind: 'move'; readonly from: number; readonly to: number }
  /** Foot-switches by device id. */
  | { readonly kind: 'stamp'; readonly positions: Readonly<Record<string, boolean>> };

export type ReplacedPart =
  | { readonly of: 'guitar'; readonly to: Guitar }
  | { readonly of: 'amp'; readonly to: Amp }
  | { readonly of: 'device'; readonly to: Device }
  | { readonly of: 'lead'; readonly to: Lead };

export type EditResult =
  | { readonly kind: 'ok'; readonly rig: Rig; readonly inverse: Edit }
  | { readonly kind: 'refused'; readonly message: string };
