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

const letters = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** A text no longer than `most` UTF-16 units with its ending, cut between whole characters as people see them. */
export function cutText(text: string, most: number, ending = ''): string {
  const room = most - ending.length;
  if (text.length <= room) return text + ending;
  let kept = '';
  for (const { segment } of letters.segment(text)) {
    if (kept.length + segment.length > room) break;
    kept += segment;
  }
  return kept.trimEnd() + ending;
}
