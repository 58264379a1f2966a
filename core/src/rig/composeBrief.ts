import type { Sourced } from '../gear';
import type { Brief } from './brief';
import type { Edit } from './edits';
import type { Scene } from './electrical';
import type { Rig } from './rig';

/// Edits for what a player says of a rig before anything is planned.

export const editBrief = ({ texts }: Rig, change: Partial<Brief>): Edit => ({
  kind: 'assign',
  field: 'brief',
  to: { ...texts.brief, ...change },
});

/** How long a cable is at one place; elsewhere it stays as it is. */
export function setLengthAt(rig: Rig, placeId: string, cableId: string, to: Sourced): Edit {
  const at = rig.electrical.places.findIndex(({ id }) => id === placeId);
  const place = rig.electrical.places[at]!;
  const insert = [{ ...place, lengths: { ...place.lengths, [cableId]: to } }];
  return { kind: 'list', of: 'places', at, remove: 1, insert };
}

/** Puts one switch on or off in a scene. */
export function switchInScene(rig: Rig, sceneId: string, switchId: string, on: boolean): Edit {
  const at = rig.electrical.scenes.findIndex(({ id }) => id === sceneId);
  const scene = rig.electrical.scenes[at]!;
  const { [switchId]: _, ...rest } = scene.state.positions;
  const positions = on ? { ...rest, [switchId]: true } : rest;
  const insert: readonly Scene[] = [{ ...scene, state: { ...scene.state, positions } }];
  return { kind: 'list', of: 'scenes', at, remove: 1, insert };
}
