import { isSameSourced, type Cable, type Destination } from '../gear';
import isEqual from 'fast-deep-equal';
import { addTo, group } from './composeBranch';
import type { Edit } from './edits';
import { allCables, findCable, withElectrical } from './chain';
import type { Electrical, Place, Row } from './electrical';
import { freshId } from './ids';
import { remember } from './remember';
import type { Rig } from './rig';

/// Home, rehearsal, the big stage: the same rig with other cables and, where it is named, another amp.

/** What is longer goes from the board to somewhere, m. */
const LONGEST_PATCH_M = 1;

export const isPatch = ({ lengthM }: Cable): boolean => lengthM.value <= LONGEST_PATCH_M;

/** A cable at other lengths, each made once. */
const lengthsOfCable = remember((_: Cable) => new Map<number, Cable>());

/** A cable as long as it is at a place. */
export function cableAt(cable: Cable, { lengths }: Place): Cable {
  const lengthM = lengths[cable.id];
  if (!lengthM || lengthM.value === cable.lengthM.value || cable.lengthM.from === 'laid')
    return cable;
  const made = lengthsOfCable(cable);
  let other = made.get(lengthM.value);
  if (!other) made.set(lengthM.value, (other = { ...cable, lengthM }));
  return other;
}

const ownDestination = ({ ownDestination: own, destinations }: Electrical): Destination =>
  own ?? destinations[0]!;

const isOwn = ({ destination, loop }: Place): boolean => !destination && !loop;

/** What stands at each place for a destination, each made once. */
const hired = remember((_: Destination) => new WeakMap<Place, Destination>());

/** What the main row is plugged into at a place. */
export function destinationAt(electrical: Electrical, place: Place): Destination {
  const own = ownDestination(electrical);
  if (isOwn(place)) return own;
  const known = hired(own);
  let there = known.get(place);
  if (!there) {
    there = { ...(place.destination ?? own), id: own.id, ...place.loop };
    known.set(place, there);
  }
  return there;
}

/** A chain as it is set up at a place; what does not change stays the same object. */
export function atPlace<C extends { readonly electrical: Electrical }>(chain: C, place: Place): C {
  const { electrical } = chain;
  const lay = (row: Row): Row => {
    const cables = row.cables.map((cable) => cable && cableAt(cable, place));
    return cables.some((cable, i) => cable !== row.cables[i]) ? { ...row, cables } : row;
  };
  const there = destinationAt(electrical, place);
  const [first, ...rest] = electrical.destinations;
  return withElectrical(chain, {
    rows: electrical.rows.map(lay),
    ...(there === first ? {} : { destinations: [there, ...rest] }),
  });
}

/** Cables as laid on a board are the same everywhere: they belong to no place. */
const lengthsOf = (rig: Rig): Place['lengths'] =>
  Object.fromEntries(
    allCables(rig)
      .filter(({ lengthM }) => lengthM.from !== 'laid')
      .map(({ id, lengthM }) => [id, lengthM]),
  );

/** Keeps the cables as they are, and the amp if it is not the rig's own, under the name of a place. */
export function keepPlace(rig: Rig, name: string): Edit {
  const { ownDestination: own, destinations } = rig.electrical;
  const place: Place = {
    id: freshId(rig, 'w'),
    name,
    lengths: lengthsOf(rig),
    destination: own && destinations[0]!,
    loop: null,
  };
  return addTo(rig, 'places', [place]);
}

const replacePlace = (rig: Rig, id: string, change: Partial<Place>): Edit => {
  const at = rig.electrical.places.findIndex((place) => place.id === id);
  const insert = [{ ...rig.electrical.places[at]!, ...change }];
  return { kind: 'list', of: 'places', at, remove: 1, insert };
};

/** Gives a place the lengths that the cables have now. */
export const measureOutPlace = (rig: Rig, id: string): Edit =>
  replacePlace(rig, id, { lengths: lengthsOf(rig) });

/** What a place is plugged into: an amp or loop of its own, or the rig's own again (null). */
export const plugInAtPlace = (
  rig: Rig,
  id: string,
  change: Partial<Pick<Place, 'destination' | 'loop'>>,
): Edit => replacePlace(rig, id, change);

/** Lays every cable that a place names, and that is still there, at the length it has there; plugs in what stands there. */
export function goToPlace(rig: Rig, place: Place): Edit {
  const { electrical } = rig;
  const edits = Object.entries(place.lengths).flatMap(([id, to]): Edit[] => {
    const cable = findCable(rig, id);
    if (!cable || cable.lengthM.from === 'laid') return [];
    return [{ kind: 'set', target: { of: 'cable', id }, field: 'lengthM', to }];
  });
  const there = destinationAt(electrical, place);
  if (there === electrical.destinations[0]) return group({ kind: 'group', edits });
  const own = isOwn(place) ? null : ownDestination(electrical);
  return group(
    ...edits,
    { kind: 'replace', part: { of: 'destination', to: there } },
    { kind: 'assign', field: 'ownDestination', to: own },
  );
}

/** The place at which the rig is set up as it is now. */
export const placeNow = (rig: Rig): Place | undefined =>
  rig.electrical.places.find(
    (place) =>
      isEqual(destinationAt(rig.electrical, place), rig.electrical.destinations[0]) &&
      Object.entries(place.lengths).every(([id, length]) => {
        const cable = findCable(rig, id);
        return !cable || cable.lengthM.from === 'laid' || isSameSourced(cable.lengthM, length);
      }),
  );
