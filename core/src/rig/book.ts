import type { Sourced } from '../gear';
import { FIELD_RULES, LONGEST_NAME, LONGEST_NOTE, assumed } from '../gear';
import { checkSourced } from './checkField';
import { isDay } from './day';
import type { Edit } from './edits';
import { freshId } from './ids';
import type { Rig } from './rig';
import type { RigProblem } from './rigProblem';

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

/** A song at the end of the list, with the guitar and scene of the one before it. */
export function addSong({ book, nextIds }: Rig, title: string): Edit {
  const song: Song = {
    id: freshId({ nextIds }, 'c'),
    title,
    guitar: null,
    scene: null,
    tuning: book.songs.at(-1)?.tuning ?? '',
    note: '',
  };
  return { kind: 'list', of: 'songs', at: book.songs.length, remove: 0, insert: [song] };
}

/** One song as it is now; null takes it off the list. */
export function changeSong({ book }: Rig, id: string, change: Partial<Song> | null): Edit {
  const at = book.songs.findIndex((song) => song.id === id);
  const insert = change ? [{ ...book.songs[at]!, ...change }] : [];
  return { kind: 'list', of: 'songs', at, remove: 1, insert };
}

/** A song one place up or down. */
export function moveSong({ book }: Rig, id: string, by: 1 | -1): Edit | null {
  const at = book.songs.findIndex((song) => song.id === id);
  const first = by === 1 ? at : at - 1;
  const [one, other] = [book.songs[first], book.songs[first + 1]];
  if (!one || !other) return null;
  return { kind: 'list', of: 'songs', at: first, remove: 2, insert: [other, one] };
}

/** Whether a thing was walked through, and when; null is not yet. */
export function walk({ book }: Rig, thing: string, day: string | null): Edit {
  const { [thing]: _, ...rest } = book.walked;
  return { kind: 'assign', field: 'walked', to: day === null ? rest : { ...rest, [thing]: day } };
}

export const setCaseMass = (to: Sourced): Edit => ({ kind: 'assign', field: 'caseKg', to });
