import { deviceOfClass, wantsPickup, type Device, type GearItem, type ItemOf } from '../gear';
import { allDevices, findDevice, mainRow, MOST_DEVICES, type Rig } from '../rig';
import { MINUTES, NOTHING, USUAL_PRICE } from './efforts';
import type { Effort, Move } from './move';

/// Something that drives, put into a gap: a buffer, a splitter, a pedal with a buffered bypass.

const MOST_OF_GEAR = 3;
const ORDINARY = deviceOfClass('buffer', '', 'buffer');

interface Candidate {
  readonly kind: 'buffer' | 'ownPedal';
  readonly key: string;
  readonly device: Device;
  readonly effort: Effort;
}

export function bufferMoves(rig: Rig, gear: readonly GearItem[]): readonly Move[] {
  const { devices } = mainRow(rig);
  const noRoom = allDevices(rig).length >= MOST_DEVICES;
  if (noRoom || devices.length === 0 || rig.electrical.approach.kind === 'shaped') return [];
  const gaps = [...devices.map(({ id }) => id), null].filter((before) => isGap(devices, before));
  const candidates = candidatesFor(rig, gear);
  const inLoops = loopBufferMoves(rig);
  const onTheWay = gaps.flatMap((before) =>
    candidates.map(({ kind, key, device, effort }): Move => ({
      key: `${kind} ${before ?? 'end'} ${key}`,
      action: { kind, before, device },
      effort,
      claims: [`gap ${before ?? 'end'}`, ...(kind === 'ownPedal' ? [`own ${key}`] : [])],
      condition: null,
      against: null,
    })),
  );
  return [...onTheWay, ...inLoops];
}

/** Before the first pedal of every loop of a switcher, where that may be driven. */
function loopBufferMoves(rig: Rig): readonly Move[] {
  const { effort, device } = ordinaryBuffer();
  return rig.electrical.rows.flatMap(({ at, devices }): readonly Move[] => {
    const [first] = devices;
    const isSwitched = at.kind === 'loop' && findDevice(rig, at.device)?.insert === 'switched';
    if (!isSwitched || !first || devices.some(wantsPickup) || first.deviceClass === 'buffer')
      return [];
    return [
      {
        key: `loopBuffer ${first.id}`,
        action: { kind: 'loopBuffer', before: first.id, device },
        effort,
        claims: [`gap ${first.id}`],
        condition: null,
        against: null,
      },
    ];
  });
}

/**
 * Nothing that drives goes before a low-impedance fuzz, but for the gap between a wah and the fuzz after
 * it; and nothing before a selector, where another guitar would miss it.
 */
function isGap(devices: readonly Device[], before: string | null): boolean {
  const at = before === null ? devices.length : devices.findIndex(({ id }) => id === before);
  const selector = devices.findLastIndex(({ deviceClass }) => deviceClass === 'selector');
  if (at <= selector) return false;
  const fuzz = devices.findLastIndex(wantsPickup);
  if (at > fuzz) return true;
  const wah = devices.findLastIndex(({ deviceClass }, i) => i < fuzz && deviceClass === 'wah');
  return wah >= 0 && at > wah;
}

function candidatesFor(rig: Rig, gear: readonly GearItem[]): readonly Candidate[] {
  const inRig = new Set(allDevices(rig).map((device) => device.gear));
  const boxes = gear.filter(
    (item): item is ItemOf<'device'> & GearItem =>
      item.kind === 'device' && !item.retired && !inRig.has(item.id),
  );
  const buffers = boxes.filter(({ thing }) => isBuffer(thing)).slice(0, MOST_OF_GEAR);
  const own = boxes
    .filter(({ thing, qualities }) => isBufferedPedal(thing) && qualities.price === null)
    .slice(0, 1);
  return [
    ordinaryBuffer(),
    ...buffers.map((item) => candidate('buffer', item)),
    ...own.map((item) => candidate('ownPedal', item)),
  ];
}

const isBuffer = ({ deviceClass }: Device): boolean =>
  deviceClass === 'buffer' || deviceClass === 'bufferedSplitter';

const isBufferedPedal = ({ bypass, insert, sideJack }: Device): boolean =>
  bypass === 'buffered' && insert === 'none' && sideJack === 'none';

function ordinaryBuffer(): Candidate {
  const effort: Effort = {
    minutes: MINUTES.placeBox,
    solders: false,
    cost: USUAL_PRICE.buffer,
    isCostAssumed: true,
    boxes: 1,
    buys: ['a buffer'],
  };
  return { kind: 'buffer', key: 'ordinary', device: ORDINARY, effort };
}

function candidate(kind: Candidate['kind'], { id, thing, qualities }: ItemOf<'device'>): Candidate {
  const effort: Effort = {
    ...NOTHING,
    minutes: MINUTES.placeBox,
    cost: qualities.price ?? 0,
    boxes: 1,
    buys: qualities.price === null ? [] : [thing.name],
  };
  // A splitter used as a buffer leaves its second output free.
  const device: Device = { ...thing, gear: id, sideJack: 'none' };
  return { kind, key: id, device, effort };
}
