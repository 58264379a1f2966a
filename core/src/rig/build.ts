/// How a rig is built: the habits of who builds it, and its parts that are bought. What has been done and measured is
/// no part of the document: it happened, and is kept beside it.

export const BUILD_WORDS = {
  joints: ['soldered', 'screwOn'],
  strand: ['stranded', 'solid'],
  dcEnds: ['newAtSupply', 'asBought'],
  lanes: ['together', 'apart'],
  change: ['fixed', 'modular'],
  spares: ['none', 'oneEach', 'halfMore', 'twice'],
} as const;

type WordsOf<K extends keyof typeof BUILD_WORDS> = (typeof BUILD_WORDS)[K][number];

/** The habits. */
export interface BuildWays {
  readonly joints: WordsOf<'joints'>;
  /** Of the audio cable by the metre. */
  readonly strand: WordsOf<'strand'>;
  /** Moulded DC plugs stay at the pedal and get a new end at the supply, or DC cables are used as bought. */
  readonly dcEnds: WordsOf<'dcEnds'>;
  /** Audio and power in one lane or in lanes apart. */
  readonly lanes: WordsOf<'lanes'>;
  /** Tied for good, or so that parts come out again. */
  readonly change: WordsOf<'change'>;
  readonly spares: WordsOf<'spares'>;
}

/** What is known of one kind of part that is needed, by its key. */
export interface PartAtHand {
  readonly key: string;
  /** How many are in the workshop. */
  readonly owned: number;
  /** How many are on their way. */
  readonly ordered: number;
  /** Of those ordered, how many have come. */
  readonly arrived: number;
  /** Who buys it, in anybody's words. */
  readonly buyer: string;
}

export interface Build {
  readonly ways: BuildWays;
  readonly parts: readonly PartAtHand[];
}

export const USUAL_WAYS: BuildWays = {
  joints: 'soldered',
  strand: 'stranded',
  dcEnds: 'newAtSupply',
  lanes: 'apart',
  change: 'fixed',
  spares: 'oneEach',
};

export const NOTHING_BUILT: Build = { ways: USUAL_WAYS, parts: [] };

export const MOST_PARTS = 200;
export const MOST_OF_A_PART = 10_000;
export const LONGEST_PART_KEY = 200;
