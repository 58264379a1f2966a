import type { Sourced } from '../gear';
import type { Song } from './book';
import type { Edit } from './edits';
import { freshId } from './ids';
import type { Rig } from './rig';

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
