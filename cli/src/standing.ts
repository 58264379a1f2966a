import { applyEdits, goToPlace, mainRow, recallScene, routeRows, type Rig } from '@gullwind/core';
import { UsageError, type Options } from './options';

/** A rig as it is asked about: its scene recalled, at its place, and the row of the way that is looked at. */
export interface Standing {
  readonly rig: Rig;
  readonly rowId: string;
}

/** @throws UsageError where there is no such scene, place or way, with those that there are */
export function standAs(rig: Rig, { scene, place, way }: Options): Standing {
  const { scenes, places } = rig.electrical;
  let now = rig;
  if (place !== null) now = applyEdits(now, goToPlace(now, named('place', places, place)));
  if (scene !== null) now = applyEdits(now, recallScene(now, named('scene', scenes, scene)));
  const rows = routeRows(now).map(({ id }) => id);
  if (way !== null && !rows.includes(way))
    throw new UsageError(`There is no way “${way}”; there is ${rows.join(', ')}.`);
  return { rig: now, rowId: way ?? mainRow(now).id };
}

function named<T extends { readonly name: string }>(
  what: string,
  things: readonly T[],
  name: string,
): T {
  const found = things.find((thing) => thing.name === name);
  if (found) return found;
  const others = things.map((thing) => `“${thing.name}”`).join(', ');
  throw new UsageError(`There is no ${what} “${name}”; there is ${others || 'none'}.`);
}
