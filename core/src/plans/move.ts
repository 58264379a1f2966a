import type { BypassChoice, Device, Cable } from '../gear';

/** What a move takes, beyond its effect on the sound. */
export interface Effort {
  readonly minutes: number;
  readonly solders: boolean;
  /** In the workshop's own money. */
  readonly cost: number;
  /** A price that nobody has entered: usual for such a thing. */
  readonly isCostAssumed: boolean;
  /** Boxes that come onto the board. */
  readonly boxes: number;
  readonly buys: readonly string[];
}

/** One change that a player or builder could make. Places are named by what stands there. */
export type MoveAction =
  /** A buffer or splitter before a device of the main row; null is at its end. */
  | { readonly kind: 'buffer'; readonly before: string | null; readonly device: Device }
  /** A pedal that is owned already, left off for the sake of its buffered bypass. */
  | { readonly kind: 'ownPedal'; readonly before: string | null; readonly device: Device }
  | { readonly kind: 'bypass'; readonly device: string; readonly to: BypassChoice }
  | { readonly kind: 'shift'; readonly device: string; readonly before: string | null }
  /** Cables of another kind, as long as they are now; a made-up piece is as long as it is. */
  | {
      readonly kind: 'cableKind';
      readonly cables: readonly string[];
      readonly like: Cable;
      readonly isPiece: boolean;
    }
  | { readonly kind: 'cableLength'; readonly cable: string; readonly lengthM: number }
  /** A hardwired bypass rebuilt as a true one. */
  | { readonly kind: 'convert'; readonly device: string }
  /** A pedal into a true-bypass loop, whose switch acts together with its own. */
  | { readonly kind: 'loopOut'; readonly device: string }
  | { readonly kind: 'pot'; readonly device: string; readonly potOhm: number }
  /** A passive volume with a buffer built in before its track: a powered one. */
  | { readonly kind: 'activate'; readonly device: string }
  /** A buffer in a loop of a switcher, before the first pedal there: in the way only while that is switched in. */
  | { readonly kind: 'loopBuffer'; readonly before: string; readonly device: Device }
  /** A capacitor at the first input after the pickup: to the wanted resonance, or to what the reference cable had. */
  | { readonly kind: 'capacitor'; readonly goal: 'resonance' | 'reference' }
  /** A coil and a resistor ahead of a fuzz that something low drives. */
  | { readonly kind: 'pickupSimulator'; readonly device: string }
  | { readonly kind: 'removeBuffer'; readonly device: string };

export type MoveKind = MoveAction['kind'];

export interface Move {
  /** Names it among the moves of a rig: "buffer d3 g-harbour". */
  readonly key: string;
  readonly action: MoveAction;
  readonly effort: Effort;
  /** Two moves that claim the same thing exclude each other. */
  readonly claims: readonly string[];
  /** What has to be so for it to be possible, where nobody has said: "if 3 m reaches". */
  readonly condition: string | null;
  /** The rule or school it goes against, in a sentence. */
  readonly against: string | null;
}

/** Moves are made in this order, whatever order they are found in. */
export const WORKING_ORDER: readonly MoveKind[] = [
  'removeBuffer',
  'shift',
  'buffer',
  'ownPedal',
  'bypass',
  'convert',
  'loopOut',
  'pot',
  'activate',
  'loopBuffer',
  'cableKind',
  'cableLength',
  'capacitor',
  'pickupSimulator',
];

export const excludeEachOther = (a: Move, b: Move): boolean =>
  a.claims.some((claim) => b.claims.includes(claim));
