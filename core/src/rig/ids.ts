import { allCables, allDevices } from './chain';
import type { NextIds, Rig, RigParts } from './rig';

/// Every part of a rig has an id: a letter for what it is, and a number from the counter of that letter.

export type IdPrefix =
  'g' | 'd' | 'l' | 'r' | 'e' | 's' | 'w' | 'p' | 'b' | 'f' | 'u' | 'k' | 'm' | 'n' | 'c';

const nextOf = (nextIds: NextIds, letter: string): number => nextIds[letter] ?? 1;

/** An id that no part has or ever had. @param ahead how many were taken from the same rig already */
export const freshId = ({ nextIds }: Pick<Rig, 'nextIds'>, prefix: IdPrefix, ahead = 0): string =>
  `${prefix}${nextOf(nextIds, prefix) + ahead}`;

const NUMBERED = /^([a-z])([1-9]\d{0,8})$/u;

/** Counters above these ids, and not below what they were; the same ones where they are already. */
function above(nextIds: NextIds, ids: readonly string[]): NextIds {
  let next: Record<string, number> | null = null;
  for (const id of ids) {
    const match = NUMBERED.exec(id);
    if (!match) continue;
    const [letter, number] = [match[1]!, Number(match[2])];
    if (number < nextOf(next ?? nextIds, letter)) continue;
    next ??= { ...nextIds };
    next[letter] = number + 1;
  }
  return next ?? nextIds;
}

/** A rig whose counters are above these ids, once they are in it. */
export function claimIds(rig: Rig, ids: readonly string[]): Rig {
  const nextIds = above(rig.nextIds, ids);
  return nextIds === rig.nextIds ? rig : { ...rig, nextIds };
}

/** A rig put in the place of another: no id that either has given is given again. */
export function keepCounters(rig: Rig, before: Pick<Rig, 'nextIds'>): Rig {
  const isBehind = ([letter, next]: readonly [string, number]) =>
    next > nextOf(rig.nextIds, letter);
  const ahead = Object.entries(before.nextIds).filter(isBehind);
  return ahead.length === 0
    ? rig
    : { ...rig, nextIds: { ...rig.nextIds, ...Object.fromEntries(ahead) } };
}

/** Every id in the parts of a rig, pins aside. */
export function idsIn(parts: RigParts): readonly string[] {
  const { electrical, layout, power, book } = parts;
  const things = [
    ...electrical.guitars,
    ...electrical.rows,
    ...electrical.destinations,
    ...electrical.scenes,
    ...electrical.places,
    ...allDevices(parts),
    ...allCables(parts),
    ...layout.boards,
    ...layout.fixtures,
    ...layout.lanes,
    ...layout.controls,
    ...layout.looms,
    ...power.supplies,
    ...power.feeds,
    ...book.songs,
  ];
  return things.map(({ id }) => id);
}

const leading = (id: string): string => id.split('.')[0]!;

/** The least that the counters of a rig may be: above every id that it has, pinned ones included. */
export const leastNextIds = (rig: Pick<Rig, keyof RigParts | 'pins'>): NextIds =>
  above({}, [
    ...[rig, ...rig.pins.map((pin) => pin.rig)].flatMap(idsIn),
    ...rig.pins.map(({ id }) => id),
  ]);

/** Counters for a rig that has none yet: above every id that it has, pinned ones and those that a scene or the brief still speaks of included. */
export function nextIdsOf(rig: Pick<Rig, keyof RigParts | 'pins'>): NextIds {
  const spoken = (parts: RigParts): readonly string[] => [
    ...idsIn(parts),
    ...parts.electrical.scenes.flatMap(({ state }) => Object.keys(state.positions)),
    ...parts.electrical.places.flatMap(({ lengths }) => Object.keys(lengths)),
    ...Object.keys(parts.texts.brief.uses),
    ...Object.keys(parts.texts.brief.reach),
    ...parts.texts.brief.keptDevices,
    ...parts.texts.brief.keptCables,
    ...parts.texts.brief.uncounted,
    ...Object.keys(parts.layout.ends),
    ...Object.keys(parts.layout.placements),
    ...parts.power.feeds.flatMap(({ consumer, supply }) => [consumer, supply]),
    ...parts.power.apart,
  ];
  const ids = [rig, ...rig.pins.map((pin) => pin.rig)].flatMap(spoken);
  const all = [...ids, ...rig.pins.map(({ id }) => id)];
  return above({}, all.map(leading));
}
