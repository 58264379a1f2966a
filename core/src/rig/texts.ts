import { NO_BRIEF, type Brief } from './brief';

/** What is said of a rig in words, and what its player said of it. */
export interface Texts {
  readonly name: string;
  readonly player: string;
  readonly note: string;
  readonly brief: Brief;
  /** Judgements that are not to be said again. */
  readonly dismissed: readonly string[];
}

export const textsOf = (name: string): Texts => ({
  name,
  player: '',
  note: '',
  brief: NO_BRIEF,
  dismissed: [],
});
