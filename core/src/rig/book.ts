import { assumed, type Sourced } from '../gear';

/// What goes into the book of a rig beyond the rig itself: the songs, what its owner has learnt, what flies with it.

/** One song of the evening, in the order of the list. What it names may be out of the rig for now. */
export interface Song {
  readonly id: string;
  readonly title: string;
  /** Which guitar; null is the one before. */
  readonly guitar: string | null;
  /** Null is the scene before. */
  readonly scene: string | null;
  /** In anybody's words: "E A D G B E", "drop D". */
  readonly tuning: string;
  readonly note: string;
}

export interface Book {
  readonly songs: readonly Song[];
  /** By thing that was walked through with the owner, the day. */
  readonly walked: Readonly<Record<string, string>>;
  /** Of the case and what lies in it beside the board. */
  readonly caseKg: Sourced;
}

export const NO_BOOK: Book = { songs: [], walked: {}, caseKg: assumed(6) };
