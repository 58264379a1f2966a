import type { End } from './plugs';
import type { Point } from './rect';

/// What is in the way of what: found, and left to people to settle.

/** A case with its plugs may not be there; or a foot meets more than it should; or it is only to be known. */
export type Weight = 'hard' | 'foot' | 'note';

/** A part of a thing: its case, or the plug of a cable in it. */
export interface Solid {
  readonly thing: string;
  readonly plug: { readonly cable: string; readonly end: End } | null;
}

export type Conflict = {
  /** The same problem has the same key before and after a change. */
  readonly key: string;
  readonly weight: Weight;
  /** Where on the stage, m. */
  readonly at: Point;
} & (
  | {
      readonly kind: 'overlap';
      readonly one: Solid;
      readonly other: Solid;
      /** How much room is missing between both, m. */
      readonly missingM: number;
    }
  | {
      readonly kind: 'overhang' | 'below' | 'support';
      readonly thing: string;
      readonly missingM: number;
    }
  | { readonly kind: 'noJack'; readonly thing: string; readonly cable: string }
  | { readonly kind: 'noWay'; readonly cable: string; readonly things: readonly string[] }
  | { readonly kind: 'tooShort' | 'tooLong'; readonly cable: string; readonly missingM: number }
  | { readonly kind: 'coupler'; readonly cable: string; readonly missingM: number }
  | {
      /** A foot on one switch meets another box. */
      readonly kind: 'foot';
      readonly thing: string;
      readonly other: string;
      readonly freeM: number;
      readonly wantedM: number;
      readonly isHit: boolean;
    }
  | {
      /** On its way to a switch the foot does not pass over what stands before it. */
      readonly kind: 'stepOver';
      readonly thing: string;
      readonly other: string;
      readonly missingM: number;
    }
);

/** Things whose standing has to do with it. */
export function thingsIn(conflict: Conflict): readonly string[] {
  switch (conflict.kind) {
    case 'overlap':
      return [conflict.one.thing, conflict.other.thing];
    case 'foot':
    case 'stepOver':
      return [conflict.thing, conflict.other];
    case 'noWay':
      return conflict.things;
    case 'tooShort':
    case 'tooLong':
    case 'coupler':
      return [];
    default:
      return [conflict.thing];
  }
}
