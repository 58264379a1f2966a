import type { FieldRule } from './fields';
import type { GearKind, Things } from './gearItem';

/// What is known of a kind of gear, from which everything else about it is made.

type Words = readonly (string | boolean)[];

/** The classes of a kind: each gives a thing with typical values, all of them assumed. */
export interface Classes {
  /** The field of a thing that says its class; null where the class is only where it starts. */
  readonly field: string | null;
  /** By class, what people call it. */
  readonly labels: Readonly<Record<string, string>>;
  /** Where nobody says. */
  readonly usual: string;
}

/** One line of a plain form: a number or a choice by its path. */
export interface FormLine {
  readonly path: string;
  readonly label: string;
  /** Of a choice: what its words are called; in this order. */
  readonly words?: readonly (readonly [word: string | boolean, label: string])[];
}

/** Places of one sort on a thing: jacks, foot-switches, slats, openings. */
export interface PlaceList {
  readonly most: number;
  readonly words: Readonly<Record<string, readonly string[]>>;
  /** In the order in which they are written. */
  readonly numbers: readonly string[];
  /** What its numbers may be, by their key; a place in m where nothing is said. */
  readonly rules?: Readonly<Record<string, FieldRule>>;
  /** So many of the last numbers may be left out, and are 0 then. */
  readonly optional?: number;
}

export interface GearDescriptor<K extends GearKind = GearKind> {
  readonly kind: K;
  readonly one: string;
  readonly many: string;
  /** It stands in the way of a signal, and so in a rig. */
  readonly isForRigs: boolean;
  readonly classes: Classes;
  /** @param name as its class where it is not given */
  readonly blank: (of: string, name?: string) => Things[K];
  /** What its typical values are typical of. */
  readonly assumedFrom: (thing: Things[K]) => string;
  readonly numbers: Readonly<Record<string, FieldRule>>;
  /** Words and yes/no that can be chosen, by path. */
  readonly choices: Readonly<Record<string, Words>>;
  /** Words that only its class or shape decides, by path. */
  readonly fixed: Readonly<Record<string, Words>>;
  /** Whole numbers up to this, by path. */
  readonly counts: Readonly<Record<string, number>>;
  /** Words anybody writes, up to this many characters, by path. */
  readonly texts: Readonly<Record<string, number>>;
  /** Places on it, each of plain numbers in m and words, by path. */
  readonly lists: Readonly<Record<string, PlaceList>>;
  /** Parts of it that may not be there: as null, or not at all. */
  readonly groups: Readonly<Record<string, 'nullable' | 'optional'>>;
  /** The plain form; null where a form of its own knows what depends on what. */
  readonly form: readonly FormLine[] | null;
}
