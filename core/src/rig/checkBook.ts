import { FIELD_RULES, LONGEST_NAME, LONGEST_NOTE } from '../gear';
import type { Book } from './book';
import { checkSourced } from './checkField';
import { isDay } from './day';
import type { RigProblem } from './rigProblem';

export const LONGEST_TUNING = 40;

/** What the case of a board may weigh: as much as a thing on it. */
export const CASE_MASS = { ...FIELD_RULES.device['body.massKg'], label: 'Mass of the case' };

/** Titles, days and the mass of the case. */
export function* checkBook({ songs, walked, caseKg }: Book): Generator<RigProblem> {
  for (const [i, { title, tuning, note }] of songs.entries()) {
    const path = `book.songs[${i}]`;
    if (title.trim() === '')
      yield {
        path: `${path}.title`,
        message: 'Title: it is empty; at least 1 character is needed.',
      };
    for (const [field, text, most] of [
      ['title', title, LONGEST_NAME],
      ['tuning', tuning, LONGEST_TUNING],
      ['note', note, LONGEST_NOTE],
    ] as const)
      if (text.length > most)
        yield {
          path: `${path}.${field}`,
          message: `Song ${i + 1}, ${field}: ${text.length} characters, at most ${most}.`,
        };
  }
  for (const [thing, day] of Object.entries(walked))
    if (!isDay(day))
      yield {
        path: `book.walked.${thing}`,
        message: `Walked through: “${day}” is not a day such as 2026-11-25.`,
      };
  const problem = checkSourced(CASE_MASS, caseKg);
  if (problem) yield { path: 'book.caseKg', message: problem.message };
}
