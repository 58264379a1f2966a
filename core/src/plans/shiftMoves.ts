import { wantsPickup, type Device } from '../gear';
import { offRole } from '../path';
import { mainRow, type Rig } from '../rig';
import { MINUTES, NOTHING } from './efforts';
import type { Move } from './move';
import { orderBreaks } from './order';

/**
 * Pedals of the main row whose place matters to the signal while they are off, each to the places where it
 * would matter most, as far as those are no less usual than the one it has. One with a buffered bypass that is
 * not left on may go to the first place that the fuzzes allow even against the usual order.
 */
export function shiftMoves(rig: Rig): readonly Move[] {
  const { devices } = mainRow(rig);
  if (rig.texts.brief.keepsOrder) return [];
  const breaks = orderBreaks(devices);
  return devices.flatMap((device, from): readonly Move[] => {
    if (!mayMove(rig, device)) return [];
    const rest = devices.toSpliced(from, 1);
    return placesFor(device, rest)
      .filter((to) => to !== from && !passesJoint(devices, from, to))
      .flatMap((to): readonly Move[] => {
        const isUsual = orderBreaks(rest.toSpliced(to, 0, device)) <= breaks;
        const isStopgap = drivesOff(device) && rig.texts.brief.uses[device.id] !== 'leftOn';
        if (!isUsual && !isStopgap) return [];
        return [shift(device, rest[to]?.id ?? null, isUsual)];
      });
  });
}

/** Where among the others a pedal could help: a buffer anywhere after the fuzzes, the rest in one place. */
function placesFor(device: Device, rest: readonly Device[]): readonly number[] {
  const afterFuzz = rest.findLastIndex(wantsPickup) + 1;
  if (wantsPickup(device)) return [0];
  if (device.deviceClass === 'buffer')
    return Array.from({ length: rest.length + 1 - afterFuzz }, (_, i) => afterFuzz + i);
  if (drivesOff(device)) return [afterFuzz];
  const shelter = rest.findIndex(drivesOff) + 1;
  const places = [...(shelter > 0 ? [shelter] : []), ...(isWah(device) ? [afterFuzz] : [])];
  return [...new Set(places)];
}

const isWah = ({ deviceClass }: Device): boolean => deviceClass === 'wah';

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
  if (isJoint(device) || rig.texts.brief.keptDevices.includes(device.id)) return false;
  return (
    drivesOff(device) ||
    device.bypass === 'hardwired' ||
    device.pot !== null ||
    wantsPickup(device) ||
    isWah(device)
  );
}

/** What divides or joins the way is not passed. */
function passesJoint(devices: readonly Device[], from: number, to: number): boolean {
  return devices.slice(Math.min(from, to), Math.max(from, to) + 1).some(isJoint);
}

/** Drives while it is off. */
const drivesOff = (device: Device): boolean =>
  device.bypass === 'alwaysOn' || offRole(device) === 'driver';
