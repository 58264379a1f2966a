import { findDevice, mainRow } from './chain';
import { addAmpLoop } from './composeBranch';
import { insertDevice, linkSwitch } from './composeEdit';
import type { Row } from './electrical';
import type { Edit } from './edits';
import type { Rig } from './rig';
import { Steps } from './steps';
import { cutText } from './cutText';

/// A pedal in four cables: guitar to its input, its send to the amp; the amp's send to its return, its output to the
/// amp's return. Each half is a device with its own input and output, and one foot-switch moves both.

const LONGEST = 80;
const SECOND_HALF = ', second half';

const loopRow = (rig: Rig): Row | undefined =>
  rig.electrical.rows.find(
    ({ at }) => at.kind === 'ampLoop' && at.destination === rig.electrical.destinations[0]!.id,
  );

/** The second half of a pedal, where it has one. */
export function secondHalfOf(rig: Rig, deviceId: string): string | null {
  const link = rig.electrical.links.find((one) => one.includes(deviceId));
  const other = loopRow(rig)?.devices.find(
    ({ id, deviceClass }) => id !== deviceId && link?.includes(id) && deviceClass === 'gate',
  );
  return other?.id ?? null;
}

/** Whether a pedal of the main row can have its second half in the amp's effects loop. */
export function canSplit(rig: Rig, deviceId: string): boolean {
  const device = mainRow(rig).devices.find(({ id }) => id === deviceId);
  return (
    device?.deviceClass === 'gate' &&
    device.insert === 'none' &&
    rig.electrical.destinations[0]!.kind === 'amp' &&
    secondHalfOf(rig, deviceId) === null
  );
}

/** Puts the second half of a pedal into the amp's effects loop, first in it; the loop is used from then on. */
export function splitIntoLoop(rig: Rig, deviceId: string): Edit {
  const device = findDevice(rig, deviceId)!;
  const steps = new Steps(rig);
  if (!loopRow(rig)) steps.do((now) => addAmpLoop(now, now.electrical.destinations[0]!.id));
  const half = {
    ...device,
    name: `${cutText(device.name, LONGEST - SECOND_HALF.length)}${SECOND_HALF}`,
    sideJack: 'none' as const,
  };
  const before = new Set(loopRow(steps.rig)!.devices.map(({ id }) => id));
  return steps
    .do((now) => insertDevice(now, 0, half, loopRow(now)!.id))
    .do((now) => {
      const added = loopRow(now)!.devices.find(({ id }) => !before.has(id))!;
      return linkSwitch(now, added.id, deviceId);
    }).edit;
}
