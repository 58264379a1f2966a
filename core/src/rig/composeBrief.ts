import { deviceOfClass, entered, leadOfClass, type Device, type Sourced } from '../gear';
import { removeDevice } from './composeEdit';
import type { Brief } from './brief';
import type { Edit } from './edit';
import { freshId, mainRow, type Rig, type Scene } from './rig';

/// Edits for what a player says of a rig before anything is planned.

/** From the guitar to a transmitter, m. */
const TO_TRANSMITTER_M = 0.5;

export const editBrief = ({ brief }: Rig, change: Partial<Brief>): Edit => ({
  kind: 'assign',
  field: 'brief',
  to: { ...brief, ...change },
});

/** The wireless pair by which the guitar arrives, if it does. */
export const wirelessOf = (rig: Rig): Device | undefined =>
  mainRow(rig).devices.find(({ deviceClass }) => deviceClass === 'wireless');

/** A wireless pair first: a short lead to the transmitter, the lead that was there from the receiver on. */
export function arriveByWireless(rig: Rig): Edit {
  const row = mainRow(rig);
  const short = leadOfClass(
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
    leads: [short, row.leads[0]!],
    positions: {},
  };
}

/** Without the wireless pair: the longer of the two leads at it stays. */
export function arriveByLead(rig: Rig): Edit {
  const wireless = wirelessOf(rig);
  if (!wireless) throw new Error('the guitar arrives by a lead already');
  return removeDevice(rig, wireless.id);
}

/** How long a lead is at one place; elsewhere it stays as it is. */
export function setLengthAt(rig: Rig, placeId: string, leadId: string, to: Sourced): Edit {
  const at = rig.situations.findIndex(({ id }) => id === placeId);
  const place = rig.situations[at]!;
  const insert = [{ ...place, lengths: { ...place.lengths, [leadId]: to } }];
  return { kind: 'list', of: 'situations', at, remove: 1, insert };
}

/** Puts one switch on or off in a scene. */
export function stampInScene(rig: Rig, sceneId: string, switchId: string, on: boolean): Edit {
  const at = rig.scenes.findIndex(({ id }) => id === sceneId);
  const scene = rig.scenes[at]!;
  const { [switchId]: _, ...rest } = scene.standing.positions;
  const positions = on ? { ...rest, [switchId]: true } : rest;
  const insert: readonly Scene[] = [{ ...scene, standing: { ...scene.standing, positions } }];
  return { kind: 'list', of: 'scenes', at, remove: 1, insert };
}
