import type { Case } from './case';
import type { PowerNeed } from './powerNeed';

/** A device as a thing: its case, and what feeds it. */
export interface Body extends Case, PowerNeed {
  /** What goes first, in the words of who mends it. */
  readonly fails: string;
}
