import { wantsPickup, type Device } from '../gear';
import { offRole } from '../path';
import { mainRow, type Rig } from '../rig';
import { MINUTES, NOTHING } from './efforts';
import type { Move } from './move';
import { orderBreaks } from './order';

/**
 * Pedals of the main row whose place matters to the signal while they are off, each to every place that is no
 * less usual than the one it has; one with a buffered bypass that is not left on also to the first place that
 * the fuzzes allow, against the usual order.
 */
export function shiftMoves(rig: Rig): readonly Move[] {
  const { devices } = mainRow(rig);
  if (rig.brief.keepsOrder) return [];
  const breaks = orderBreaks(devices);
  return devices.flatMap((device, from): readonly Move[] => {
    if (!mayMove(rig, device)) return [];
    const rest = devices.toSpliced(from, 1);
    const earliest = firstFreePlace(rest);
    return devices.flatMap((_, to): readonly Move[] => {
      if (to === from || passesJoint(devices, from, to)) return [];
      if (drivesOff(device) && to < earliest && !wantsPickup(device)) return [];
      const isUsual = orderBreaks(rest.toSpliced(to, 0, device)) <= breaks;
      const isStopgap =
        drivesOff(device) && to === earliest && rig.brief.uses[device.id] !== 'leftOn';
      if (!isUsual && !isStopgap) return [];
      return [shift(device, rest[to]?.id ?? null, isUsual)];
    });
  });
}

const shift = ({ id, name }: Device, before: string | null, isUsual: boolean): Move => ({
  key: `shift ${id} ${before ?? 'end'}`,
  action: { kind: 'shift', device: id, before },
  effort: { ...NOTHING, minutes: MINUTES.shiftBox },
  claims: [`place ${id}`],
  condition: null,
  against: isUsual ? null : `The usual order: ${name} would act ahead of pedals it mostly follows.`,
});

const JOINTS: readonly Device['deviceClass'][] = [
  'tap',
  'passiveSplitter',
  'bufferedSplitter',
  'selector',
  'switcher',
  'wireless',
];

const isJoint = ({ deviceClass }: Device): boolean => JOINTS.includes(deviceClass);

function mayMove(rig: Rig, device: Device): boolean {
  if (isJoint(device) || rig.brief.keptDevices.includes(device.id)) return false;
  return (
    drivesOff(device) ||
    device.bypass === 'loaded' ||
    device.pot !== null ||
    wantsPickup(device) ||
    device.deviceClass === 'wah'
  );
}

/** What divides or joins the way is not passed. */
function passesJoint(devices: readonly Device[], from: number, to: number): boolean {
  return devices.slice(Math.min(from, to), Math.max(from, to) + 1).some(isJoint);
}

/** Drives while it is off. */
const drivesOff = (device: Device): boolean =>
  device.bypass === 'alwaysOn' || offRole(device) === 'driver';

const firstFreePlace = (rest: readonly Device[]): number => rest.findLastIndex(wantsPickup) + 1;
