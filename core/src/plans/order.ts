import { patchCable, wantsPickup, type Device, type DeviceClass } from '../gear';
import { offRole } from '../path';
import { freshId, mainRow, type Edit, type Rig, type Row } from '../rig';

/// Where pedals usually stand, and why. Other orders are a choice, not an error.

/** Where practitioners differ. */
export interface Conventions {
  /** Modulation, delay and reverb go in the amp's effects loop, where there is one. */
  readonly timeInLoop: boolean;
  /** Modulation stands before the drives, which then distort what it does. */
  readonly modulationFirst: boolean;
  /** A passive volume stands after the drives instead of at the pickup. */
  readonly volumeAfterDrives: boolean;
}

export const USUAL_CONVENTIONS: Conventions = {
  timeInLoop: true,
  modulationFirst: false,
  volumeAfterDrives: false,
};

export interface ProposedPlace {
  readonly device: string;
  readonly row: 'main' | 'ampLoop';
  readonly reason: string;
}

interface Usual {
  /** Small is early; null stays after what it stands after now. */
  readonly rank: number | null;
  readonly reason: string;
}

const STAYS: Usual = { rank: null, reason: 'It divides or joins the way: it stays where it is.' };

const USUAL: Readonly<Record<DeviceClass, Usual>> = {
  wireless: { rank: 0, reason: 'It takes the place of the first cable.' },
  tuner: {
    rank: 10,
    reason: 'It hears the guitar alone, and its mute silences everything after it.',
  },
  lowImpedanceFuzz: {
    rank: 20,
    reason: 'It wants the pickup itself: nothing that drives may stand before it.',
  },
  wah: {
    rank: 30,
    reason:
      'It answers best to the pickup; after a low-impedance fuzz, which would load its output.',
  },
  passiveVolume: { rank: 32, reason: 'Its large track suits the pickup.' },
  buffer: { rank: 34, reason: 'As soon after the pickup as what wants the pickup allows.' },
  octave: { rank: 40, reason: 'It tracks best on the clean signal.' },
  compressor: {
    rank: 50,
    reason: 'It evens out the playing; after the drives it would raise their noise.',
  },
  fuzz: { rank: 58, reason: 'The roughest of the drives comes first.' },
  boost: { rank: 60, reason: 'It pushes the drives after it.' },
  drive: { rank: 60, reason: 'Drives come before what repeats or moves their sound.' },
  preamp: { rank: 64, reason: 'It sums up the drives.' },
  equaliser: { rank: 66, reason: 'It trims what the drives have made.' },
  gate: {
    rank: 70,
    reason: 'After what makes the noise, before what ought to ring on.',
  },
  poweredVolume: {
    rank: 72,
    reason: 'After the drives it fades without cleaning them up; repeats ring on after it.',
  },
  modulation: { rank: 80, reason: 'It moves the finished sound.' },
  delay: { rank: 90, reason: 'It repeats the finished sound.' },
  reverb: { rank: 100, reason: 'The room comes last.' },
  tap: STAYS,
  passiveSplitter: STAYS,
  bufferedSplitter: STAYS,
  selector: STAYS,
  switcher: STAYS,
};

const TIME_CLASSES: readonly DeviceClass[] = ['modulation', 'delay', 'reverb'];

function usualPlace(device: Device, hasFuzz: boolean, conventions: Conventions): Usual {
  const { deviceClass } = device;
  const drives = offRole(device) === 'driver' || device.bypass === 'alwaysOn';
  if (deviceClass === 'tuner' && drives && hasFuzz)
    return {
      rank: 35,
      reason: 'Its bypass is buffered: after the fuzz, which wants the pickup, ahead of the rest.',
    };
  if (deviceClass === 'modulation' && conventions.modulationFirst)
    return { rank: 55, reason: 'Before the drives, which then distort what it does.' };
  if (deviceClass === 'passiveVolume' && conventions.volumeAfterDrives)
    return { rank: 73, reason: 'After the drives, where it fades without cleaning them up.' };
  return USUAL[deviceClass];
}

/** The row of the main amp's effects loop, where it is used. */
const loopRowOf = (rig: Rig): Row | undefined =>
  rig.electrical.rows.find(
    ({ at }) => at.kind === 'ampLoop' && at.destination === rig.electrical.destinations[0]!.id,
  );

/** Ranks of a row of devices; what stays takes the rank of what it stands after. */
function ranksOf(devices: readonly Device[], conventions: Conventions): readonly number[] {
  const hasFuzz = devices.some(wantsPickup);
  let before = 0;
  return devices.map(
    (device) => (before = usualPlace(device, hasFuzz, conventions).rank ?? before),
  );
}

/** Every pedal of the main row and the amp's loop in a usual order, with the reason for its place. */
export function proposeOrder(
  rig: Rig,
  conventions: Conventions = USUAL_CONVENTIONS,
): readonly ProposedPlace[] {
  const loop = loopRowOf(rig);
  const devices = [...mainRow(rig).devices, ...(loop?.devices ?? [])];
  const hasFuzz = devices.some(wantsPickup);
  const ranks = ranksOf(devices, conventions);
  const goesInLoop = ({ deviceClass }: Device): boolean =>
    loop !== undefined && conventions.timeInLoop && TIME_CLASSES.includes(deviceClass);
  return devices
    .map((device, i) => ({ device, rank: ranks[i]! + (goesInLoop(device) ? 1000 : 0) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ device }): ProposedPlace => {
      const { reason } = usualPlace(device, hasFuzz, conventions);
      const inLoop = goesInLoop(device);
      return {
        device: device.id,
        row: inLoop ? 'ampLoop' : 'main',
        reason: inLoop ? `${reason} In the loop it comes after the amp’s own drive.` : reason,
      };
    });
}

/** How many pairs of pedals stand the other way round than is usual. */
export function orderBreaks(devices: readonly Device[]): number {
  const ranks = ranksOf(devices, USUAL_CONVENTIONS);
  let breaks = 0;
  for (const [i, rank] of ranks.entries())
    for (const later of ranks.slice(i + 1)) if (rank > later) breaks++;
  return breaks;
}

/** Puts the pedals in this order. Long cables stay at the ends of their rows; patches stay between. */
export function orderEdit(
  rig: Rig,
  places: readonly Pick<ProposedPlace, 'device' | 'row'>[],
): Edit {
  const loop = loopRowOf(rig);
  const rows = loop ? [mainRow(rig), loop] : [mainRow(rig)];
  const all = new Map(rows.flatMap(({ devices }) => devices.map((device) => [device.id, device])));
  const taken: string[] = [];
  const splices = rows.map((row): Edit => {
    const wanted = places
      .filter((place) => (place.row === 'ampLoop') === (row === loop))
      .flatMap(({ device }) => all.get(device) ?? []);
    return {
      kind: 'splice',
      row: row.id,
      at: 0,
      remove: row.devices.length,
      devices: wanted,
      cables: cablesFor(rig, row, wanted.length, taken),
      positions: Object.fromEntries(
        Object.entries(rig.state.positions).filter(([id]) =>
          wanted.some((device) => id === device.id || id.startsWith(`${device.id}.`)),
        ),
      ),
    };
  });
  return splices.length === 1 ? splices[0]! : { kind: 'group', edits: splices };
}

/** The cables of a row for another number of devices: first and last stay, patches come or go between. */
function cablesFor(rig: Rig, { cables }: Row, devices: number, taken: string[]): Row['cables'] {
  const wanted = devices + 1;
  if (wanted === cables.length) return cables;
  const [first, last] = [cables[0]!, cables.at(-1)!];
  if (wanted === 1) return [last];
  const patches = [...cables.slice(1, -1)].slice(0, Math.max(0, wanted - 2));
  while (patches.length < wanted - 2) {
    const patch = patchCable(freshId(rig, 'l', taken.length));
    taken.push(patch.id);
    patches.push(patch);
  }
  if (cables.length > 1) return [first, ...patches, last];
  const id = freshId(rig, 'l', taken.length);
  taken.push(id);
  return [first, ...patches, first && { ...first, id }];
}
