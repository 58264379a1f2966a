import type { Book } from './book';
import type { Build } from './build';
import type { Electrical } from './electrical';
import type { Layout } from './layout';
import type { Power } from './power';
import type { SwitchState } from './switchState';
import type { Texts } from './texts';

export const RIG_FORMAT = 7;
export const MOST_DEVICES = 64;
export const MOST_PINS = 4;
export const MOST_PLACEMENTS = 200;

/** How many of each list a rig may have. */
export const MOST = {
  guitars: 8,
  rows: 40,
  destinations: 8,
  scenes: 24,
  places: 12,
  boards: 4,
  fixtures: 40,
  lanes: 24,
  controls: 80,
  looms: 12,
  supplies: 12,
  feeds: 100,
  songs: 60,
  pins: MOST_PINS,
} as const;

/** What a rig is, in parts with lives of their own. */
export interface RigParts {
  readonly electrical: Electrical;
  readonly state: SwitchState;
  readonly layout: Layout;
  readonly power: Power;
  readonly build: Build;
  readonly book: Book;
  readonly texts: Texts;
}

/** A state of the rig kept to compare with. */
export interface Pin {
  readonly id: string;
  readonly name: string;
  readonly rig: RigParts;
}

/** By letter, the number of the next id: it only ever grows, so that no id is used twice. */
export type NextIds = Readonly<Record<string, number>>;

/** The document of a rig. */
export interface Rig extends RigParts {
  readonly format: typeof RIG_FORMAT;
  readonly nextIds: NextIds;
  readonly pins: readonly Pin[];
}

/** The parts of a rig without its pins. */
export const partsOf = ({
  electrical,
  state,
  layout,
  power,
  build,
  book,
  texts,
}: Rig): RigParts => ({
  electrical,
  state,
  layout,
  power,
  build,
  book,
  texts,
});
