import type { Board, Destination, Fixture, Guitar, Supply } from '../../gear';
import type { Place, Row, Scene } from '../electrical';
import { claimIds } from '../ids';
import type { Song } from '../book';
import type { ControlCable, Lane, Loom } from '../layout';
import type { PowerFeed } from '../power';
import type { Pin, Rig } from '../rig';
import { done, refused, type EditKind, type Touched } from './editKind';

/** Lists whose entries can give way to others. */
export interface Lists {
  readonly guitars: Guitar;
  readonly rows: Row;
  readonly destinations: Destination;
  readonly scenes: Scene;
  readonly places: Place;
  readonly boards: Board;
  readonly fixtures: Fixture;
  readonly lanes: Lane;
  readonly controls: ControlCable;
  readonly looms: Loom;
  readonly supplies: Supply;
  readonly feeds: PowerFeed;
  readonly songs: Song;
  readonly pins: Pin;
}

const PART_OF: Readonly<Record<keyof Lists, Touched>> = {
  guitars: 'electrical',
  rows: 'electrical',
  destinations: 'electrical',
  scenes: 'electrical',
  places: 'electrical',
  boards: 'layout',
  fixtures: 'layout',
  lanes: 'layout',
  controls: 'layout',
  looms: 'layout',
  supplies: 'power',
  feeds: 'power',
  songs: 'book',
  pins: 'pins',
};

/** Entries of a list give way to others. */
export type ListEdit = {
  readonly [K in keyof Lists]: {
    readonly kind: 'list';
    readonly of: K;
    readonly at: number;
    readonly remove: number;
    readonly insert: readonly Lists[K][];
  };
}[keyof Lists];

/** The entries of a list, wherever in the document it is. */
export const listOf = <K extends keyof Lists>(rig: Rig, of: K): readonly Lists[K][] =>
  (of === 'pins'
    ? rig.pins
    : (rig[PART_OF[of]] as unknown as Readonly<Record<string, unknown>>)[
        of
      ]) as readonly Lists[K][];

function withList(rig: Rig, of: keyof Lists, list: readonly unknown[]): Rig {
  if (of === 'pins') return { ...rig, pins: list as Rig['pins'] };
  const part = PART_OF[of];
  return { ...rig, [part]: { ...rig[part], [of]: list } };
}

/** An entry may hold further parts: the devices and cables of a row. */
function idsOfEntry(entry: Lists[keyof Lists]): readonly string[] {
  if (!('id' in entry)) return [];
  if (!('devices' in entry)) return [entry.id];
  const cables = entry.cables.filter((cable) => cable !== null);
  return [entry, ...entry.devices, ...cables].map(({ id }) => id);
}

export const LIST: EditKind<ListEdit> = {
  isStructural: true,
  touches: ({ of }) => [PART_OF[of]],
  apply: (rig, edit) => {
    const { of, at, remove, insert } = edit;
    const before: readonly unknown[] = listOf(rig, of);
    if (at < 0 || remove < 0 || at + remove > before.length)
      return refused(`Places ${at} to ${at + remove} are not among ${before.length} ${of}.`);
    const next = withList(rig, of, before.toSpliced(at, remove, ...(insert as readonly unknown[])));
    const inverse = {
      ...edit,
      remove: insert.length,
      insert: before.slice(at, at + remove),
    } as ListEdit;
    return done(
      claimIds(next, (insert as readonly Lists[keyof Lists][]).flatMap(idsOfEntry)),
      inverse,
    );
  },
};
