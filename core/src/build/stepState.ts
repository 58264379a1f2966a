import type { WorkDone } from './records';
import type { Step } from './step';

/** A cable that is there already and serves for another. */
export interface Reuse {
  /** The step by which it was cut. */
  readonly of: WorkDone;
  /** How much longer it is than it has to be, m. */
  readonly spareM: number;
}

/** How far a step is. */
export interface StepState {
  readonly step: Step;
  readonly isDone: boolean;
  /** It was done, for what is another now. */
  readonly was: WorkDone | null;
  /** A cable that is there already and serves: nothing is cut, and no plug put on. */
  readonly reuses: Reuse | null;
  /** What of it is still to be done: of ties that were cut again only those. */
  readonly leftMinutes: number;
  /** Its pieces that are still to be done. */
  readonly left: readonly string[];
  /** Parts that it waits for, by key. */
  readonly waitsFor: readonly string[];
}

/** A step as far as it can be told by itself. */
export type PlainState = Omit<StepState, 'reuses' | 'waitsFor'>;
