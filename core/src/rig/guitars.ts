import {
  deviceOfClass,
  DEVICE_CLASSES,
  LONGEST_NAME,
  type Cable,
  type Device,
  type Guitar,
} from '../gear';
import { findDevice, mainRow } from './chain';
import { addTo, group, removeRows } from './composeBranch';
import { insertDevice, removeDevice, setCableLength } from './composeEdit';
import { cutText } from './cutText';
import type { Edit } from './edits';
import type { Row } from './electrical';
import { freshId } from './ids';
import type { Rig } from './rig';
import { Steps } from './steps';
import { usualCable, usualPatch } from './usualLengths';

/// Guitars and how each arrives: the first one in the main row, every other by a way of its own into a selector, or by
/// the first one's cable where it is plugged in instead.

export type Arrival = 'cable' | 'wireless' | 'shared';

/** Up to a wireless transmitter, m. */
const TO_TRANSMITTER_M = 0.5;
/** A guitar's own cable, m. */
const OWN_CABLE_M = 6;

/** The row that a guitar plays into; null where it shares the first one's cable. */
export function rowOfGuitar(rig: Rig, guitarId: string): Row | null {
  if (rig.electrical.guitars[0]!.id === guitarId) return mainRow(rig);
  const own = rig.electrical.rows.find(({ at }) => at.kind === 'guitar' && at.guitar === guitarId);
  return own ?? null;
}

const isWireless = ({ deviceClass }: Device): boolean => deviceClass === 'wireless';

/** The wireless pair that a guitar arrives by, if it does; the first guitar's unless named. */
export function wirelessOf(
  rig: Rig,
  guitarId: string = rig.electrical.guitars[0]!.id,
): Device | undefined {
  return rowOfGuitar(rig, guitarId)?.devices.find(isWireless);
}

export function arrivalOf(rig: Rig, guitarId: string): Arrival {
  if (rowOfGuitar(rig, guitarId) === null) return 'shared';
  return wirelessOf(rig, guitarId) ? 'wireless' : 'cable';
}

/**
 * How a guitar is to arrive. For a way of its own there is a selector, put in where there is none yet.
 *
 * @throws Error where the first guitar is to share its own cable
 */
export function arriveBy(rig: Rig, guitarId: string, by: Arrival): Edit {
  const steps = new Steps(rig);
  const row = rowOfGuitar(rig, guitarId);
  if (by === 'shared') {
    if (rig.electrical.guitars[0]!.id === guitarId)
      throw new Error('the first guitar has the cable that others share');
    return group(...(row ? removeRows(rig, [row]) : []));
  }
  if (row === null) steps.do((now) => ownRow(now, guitarId));
  const wireless = wirelessOf(steps.rig, guitarId);
  if (by === 'wireless' && !wireless) steps.do((now) => wirelessFirst(now, guitarId));
  if (by === 'cable' && wireless) steps.do((now) => removeDevice(now, wireless.id));
  return steps.edit;
}

/** A wireless pair first: a short cable to the transmitter, the cable that was there from the receiver on. */
function wirelessFirst(rig: Rig, guitarId: string): Edit {
  const row = rowOfGuitar(rig, guitarId)!;
  const id = freshId(rig, 'l');
  const short = usualCable(rig, id, TO_TRANSMITTER_M, 'to the transmitter');
  return {
    kind: 'splice',
    row: row.id,
    at: 0,
    remove: 0,
    devices: [deviceOfClass('wireless', freshId(rig, 'd'), nameOfWireless(rig, guitarId))],
    cables: [short, row.cables[0]!],
    positions: {},
  };
}

/** The second pair and those after it are told apart by their guitars. */
function nameOfWireless(rig: Rig, guitarId: string): string {
  const { label } = DEVICE_CLASSES.wireless;
  const { guitars, rows } = rig.electrical;
  const hasOne = rows.some(({ devices }) => devices.some(isWireless));
  const { name } = guitars.find(({ id }) => id === guitarId)!;
  return hasOne ? cutText(`${label}, ${name}`, LONGEST_NAME) : label;
}

const isSelector = ({ deviceClass }: Device): boolean => deviceClass === 'selector';

export const selectorOf = (rig: Rig): Device | undefined => mainRow(rig).devices.find(isSelector);

/** A selector where the first guitar arrives: after its wireless pair, if it has one. */
function insertSelector(rig: Rig): Edit {
  const wireless = wirelessOf(rig);
  const gap = wireless ? mainRow(rig).devices.indexOf(wireless) + 1 : 0;
  return insertDevice(rig, gap, deviceOfClass('selector', '', 'guitar selector'));
}

function ownRow(rig: Rig, guitarId: string): Edit {
  const steps = new Steps(rig);
  if (!selectorOf(rig)) steps.do(insertSelector);
  return steps.do((now) => {
    const row: Row = {
      id: freshId(now, 'r'),
      at: { kind: 'guitar', guitar: guitarId, selector: selectorOf(now)!.id },
      devices: [],
      cables: [usualCable(now, freshId(now, 'l'), OWN_CABLE_M, 'cable')],
    };
    return addTo(now, 'rows', [row]);
  }).edit;
}

/** Another guitar; it plays from now on. */
export function addGuitar(rig: Rig, guitar: Guitar, by: Arrival = 'shared'): Edit {
  const id = freshId(rig, 'g');
  const steps = new Steps(rig).do((now) => addTo(now, 'guitars', [{ ...guitar, id }]));
  if (by !== 'shared') steps.do((now) => arriveBy(now, id, by));
  return steps.do(() => ({ kind: 'switch', playing: id })).edit;
}

export type ReceiverPlace = 'board' | 'rack';

/** Up to here from a receiver it stands on the board, m. */
const ON_THE_BOARD_M = 1.5;

/** Where the receiver of a guitar's wireless pair stands; null where there is none. */
export function receiverAt(rig: Rig, guitarId: string): ReceiverPlace | null {
  const after = cableAfterReceiver(rig, guitarId);
  if (!after) return null;
  return after.lengthM.value <= ON_THE_BOARD_M ? 'board' : 'rack';
}

function cableAfterReceiver(rig: Rig, guitarId: string): Cable | null {
  const row = rowOfGuitar(rig, guitarId);
  const wireless = wirelessOf(rig, guitarId);
  if (!row || !wireless) return null;
  return row.cables[row.devices.indexOf(wireless) + 1] ?? null;
}

/**
 * A receiver on the board reaches it by a patch; in the rack beside the amp it sends the signal to the board by a cable as
 * long as the one that brings it back: the way to the rack counts twice.
 */
export function placeReceiver(rig: Rig, guitarId: string, to: ReceiverPlace): Edit {
  const after = cableAfterReceiver(rig, guitarId);
  if (!after) throw new Error('there is no receiver');
  const back = mainRow(rig).cables.at(-1)?.lengthM.value ?? OWN_CABLE_M;
  const patch = usualPatch(rig, after.id).lengthM.value;
  return setCableLength(after.id, to === 'rack' ? Math.max(back, 2 * ON_THE_BOARD_M) : patch);
}

/** Takes a guitar out, with its row; the first one stays. */
export function removeGuitar(rig: Rig, id: string): Edit {
  const at = rig.electrical.guitars.findIndex((guitar) => guitar.id === id);
  const row = rowOfGuitar(rig, id);
  const playing = rig.state.playing === id ? rig.electrical.guitars[0]!.id : rig.state.playing;
  return group({ kind: 'switch', playing }, ...(row ? removeRows(rig, [row]) : []), {
    kind: 'list',
    of: 'guitars',
    at,
    remove: 1,
    insert: [],
  });
}

/** The guitars that can be chosen at a selector: the first one at its own input, the others by rows of their own. */
export function inputsOf(rig: Rig, selectorId: string): readonly Guitar[] {
  if (!findDevice(rig, selectorId)) return [];
  const { guitars, rows } = rig.electrical;
  const joined = rows.flatMap(({ at }) =>
    at.kind === 'guitar' && at.selector === selectorId ? [at.guitar] : [],
  );
  return guitars.filter(({ id }, i) => i === 0 || joined.includes(id));
}
