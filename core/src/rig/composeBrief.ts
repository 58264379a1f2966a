import { deviceOfClass, entered, cableOfClass, type Device, type Sourced } from '../gear';
import { removeDevice } from './composeEdit';
import type { Brief } from './brief';
import type { Edit } from './edits';
import { mainRow } from './chain';
import type { Scene } from './electrical';
import { freshId } from './ids';
import type { Rig } from './rig';

/// Edits for what a player says of a rig before anything is planned.

/** From the guitar to a transmitter, m. */
const TO_TRANSMITTER_M = 0.5;

export const editBrief = ({ texts }: Rig, change: Partial<Brief>): Edit => ({
  kind: 'assign',
  field: 'brief',
  to: { ...texts.brief, ...change },
});

/** The wireless pair by which the guitar arrives, if it does. */
export const wirelessOf = (rig: Rig): Device | undefined =>
  mainRow(rig).devices.find(({ deviceClass }) => deviceClass === 'wireless');

/** A wireless pair first: a short cable to the transmitter, the cable that was there from the receiver on. */
export function arriveByWireless(rig: Rig): Edit {
  const row = mainRow(rig);
  const short = cableOfClass(
    'ordinary',
    freshId(rig, 'l'),
    entered(TO_TRANSMITTER_M),
    'to the transmitter',
  );
  return {
    kind: 'splice',
    row: row.id,
    at: 0,
    remove: 0,
    devices: [deviceOfClass('wireless', freshId(rig, 'd'))],
    cables: [short, row.cables[0]!],
    positions: {},
  };
}

/** Without the wireless pair: the longer of the two cables at it stays. */
export function arriveByCable(rig: Rig): Edit {
  const wireless = wirelessOf(rig);
  if (!wireless) throw new Error('the guitar arrives by a cable already');
  return removeDevice(rig, wireless.id);
}

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
