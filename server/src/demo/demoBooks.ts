import { addSong, applyEdits, changeSong, walk, type Rig, type Song } from '@gullwind/core';

/// What goes into the books of the demo rigs: the evening of the puppet opera, song by song.

/** What is said of a song; what is not, is as before. */
type Sung = { readonly title: string } & { readonly [K in keyof Song]?: Song[K] | undefined };

const sung = (rig: Rig, songs: readonly Sung[]): Rig =>
  songs.reduce((now, { title, ...more }) => {
    const added = applyEdits(now, addSong(now, title));
    return applyEdits(added, changeSong(added, added.book.songs.at(-1)!.id, said(more)));
  }, rig);

const said = (more: Omit<Sung, 'title'>): Partial<Song> =>
  Object.fromEntries(Object.entries(more).filter(([, value]) => value !== undefined));

const walked = (rig: Rig, things: readonly string[], day: string): Rig =>
  things.reduce((now, thing) => applyEdits(now, walk(now, thing, day)), rig);

/** The storm: every scene of the board once, and back. */
export const bookOfStorm = (rig: Rig): Rig => {
  const [calm, swell, storm] = rig.electrical.scenes.map(({ id }) => id);
  return sung(rig, [
    { title: 'Overture on the quay', scene: calm, tuning: 'B E A D F# B' },
    { title: 'The sea rises', scene: swell },
    { title: 'The storm scene', scene: storm, note: 'thunder sheet is the cue' },
    { title: 'Lament of the lamplighter', scene: calm },
    { title: 'Finale', scene: storm, note: 'all puppets on' },
  ]);
};

/** The tavern: bass, and the ukulele for two songs. */
export const bookOfTavern = (rig: Rig): Rig => {
  const [bass, ukulele] = rig.electrical.guitars.map(({ id }) => id);
  const songs = sung(rig, [
    { title: 'Tavern, first song', guitar: bass, tuning: 'E A D G' },
    { title: 'The miller’s cat', guitar: ukulele, tuning: 'G C E A' },
    { title: 'Ballad of the eel', guitar: ukulele, tuning: 'G C E A' },
    { title: 'Tavern, last song', guitar: bass, tuning: 'E A D G', note: 'slow' },
  ]);
  return walked(songs, ['straight', 'onOff', 'mute', 'cable'], '2026-11-20');
};
