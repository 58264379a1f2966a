import type { Supply } from '../gear';

/** A device or fixture on an outlet of a supply. */
export interface PowerFeed {
  readonly consumer: string;
  readonly supply: string;
  /** Counted from 0. */
  readonly outlet: number;
}

/** What feeds what. */
export interface Power {
  readonly supplies: readonly Supply[];
  readonly feeds: readonly PowerFeed[];
}

export const NO_POWER: Power = { supplies: [], feeds: [] };
