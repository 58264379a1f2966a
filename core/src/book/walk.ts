import { allDevices, mainRow, hasSwitch, type Rig } from '../rig';

/// The ten things that the owner must have done once, with the builder beside.

export interface WalkThing {
  readonly id: string;
  readonly says: string;
  readonly caution: string;
}

/** What the things are called in this rig. */
interface Names {
  readonly middle: string;
  readonly mute: string | null;
  readonly supply: string;
  readonly fed: string;
}

function namesOf(rig: Rig): Names {
  const { devices } = mainRow(rig);
  const isFed = (id: string) => rig.power.feeds.some(({ consumer }) => consumer === id);
  const fed = allDevices(rig).find(({ id }) => isFed(id));
  return {
    middle: devices[Math.floor(devices.length / 2)]?.name ?? 'a pedal',
    mute: devices.find((device) => device.mutes && hasSwitch(device))?.name ?? null,
    supply: rig.power.supplies[0]?.name ?? 'the supply',
    fed: fed ? `the DC plug of ${fed.name}` : 'a DC plug',
  };
}

const TEN: readonly (readonly [id: string, says: (names: Names) => string, caution?: string])[] = [
  [
    'straight',
    () => 'Played straight into the amp, then through the board, and heard what the difference is.',
    'The amp is turned down before a plug is moved.',
  ],
  [
    'onOff',
    () => 'Switched all of it on and off in order: board first, amp last; amp first, board last.',
  ],
  ['scenes', () => 'Played every scene and every song of the cue sheet once, with the foot alone.'],
  [
    'mute',
    ({ mute }) =>
      `Changed guitars in silence: ${mute ? `${mute} on` : 'volume down'}, change, and back.`,
  ],
  [
    'bridge',
    ({ middle }) => `Taken ${middle} out and bridged its place by a spare, in under two minutes.`,
  ],
  [
    'cable',
    () => 'Found a cable by its label at both ends and put a spare in its place.',
    'Plugs are pulled by the plug.',
  ],
  [
    'volts',
    ({ fed }) => `Read voltage and polarity at ${fed} with a meter.`,
    'The plug is out of the pedal; supplies of the mains stay closed.',
  ],
  [
    'dark',
    ({ supply }) => `Pulled the mains of ${supply} and heard what is still there.`,
    'Only the plug is pulled; nothing is opened.',
  ],
  ['trace', () => 'Found a fault that the builder hid, by the five steps in this book.'],
  ['pack', () => 'Packed it, carried it, unpacked it and counted what belongs to it.'],
];

/** The ten, in words of this rig. */
export function walkThings(rig: Rig): readonly WalkThing[] {
  const names = namesOf(rig);
  return TEN.map(([id, says, caution = '']) => ({ id, says: says(names), caution }));
}

/** How many of them are done. */
export const walkedCount = (rig: Rig): number =>
  walkThings(rig).filter(({ id }) => id in rig.book.walked).length;
