import { wantsPickup, type Device } from '../gear';
import { allDevices, mainRow, rowOf, type Rig } from '../rig';
import { MINUTES, NOTHING, USUAL_PRICE } from './efforts';
import type { Effort, Move } from './move';

/// What can be done to boxes that are there already.

const USUAL_TRACKS_OHM = [25e3, 250e3, 500e3];
const ALIKE = 0.2;

export function partMoves(rig: Rig): readonly Move[] {
  return allDevices(rig).flatMap((device) => [
    ...removeMoves(rig, device),
    ...bypassMoves(device),
    ...hardwiredMoves(rig, device),
    ...potMoves(device),
    ...activeMoves(rig, device),
    ...simulatorMoves(rig, device),
  ]);
}

const move = (
  key: string,
  action: Move['action'],
  effort: Partial<Effort>,
  claims: readonly string[],
  against: string | null = null,
): Move => ({ key, action, effort: { ...NOTHING, ...effort }, claims, condition: null, against });

function removeMoves(rig: Rig, { id, deviceClass }: Device): readonly Move[] {
  if (deviceClass !== 'buffer' || rig.texts.brief.keptDevices.includes(id)) return [];
  const claims = [`bypass ${id}`, `place ${id}`, `gap ${id}`];
  const action = { kind: 'removeBuffer', device: id } as const;
  return [move(`remove ${id}`, action, { minutes: MINUTES.removeBox }, claims)];
}

function bypassMoves({ id, bypass, bypassChoice }: Device): readonly Move[] {
  if (bypass !== 'switchable') return [];
  const to = bypassChoice === 'true' ? 'buffered' : 'true';
  const action = { kind: 'bypass', device: id, to } as const;
  return [move(`bypass ${id} ${to}`, action, { minutes: MINUTES.flipBypass }, [`bypass ${id}`])];
}

function hardwiredMoves(rig: Rig, device: Device): readonly Move[] {
  const { id, bypass, insert, sideJack } = device;
  if (bypass !== 'hardwired') return [];
  const convert = move(
    `convert ${id}`,
    { kind: 'convert', device: id },
    {
      minutes: MINUTES.convertBypass,
      solders: true,
      cost: USUAL_PRICE.switch,
      isCostAssumed: true,
      buys: ['a foot-switch with three poles'],
    },
    [`bypass ${id}`],
  );
  const isPlain = insert === 'none' && sideJack === 'none' && rowOf(rig, id) === mainRow(rig);
  if (!isPlain || rig.texts.brief.keepsOrder) return [convert];
  const loopOut = move(
    `loop ${id}`,
    { kind: 'loopOut', device: id },
    {
      minutes: MINUTES.loopOut,
      cost: USUAL_PRICE.loop,
      isCostAssumed: true,
      boxes: 1,
      buys: ['a true-bypass loop'],
    },
    [`bypass ${id}`, `place ${id}`, `gap ${id}`],
  );
  return [convert, loopOut];
}

/** Where a low-impedance fuzz has something before it that may drive it. */
function simulatorMoves(rig: Rig, device: Device): readonly Move[] {
  const isFirst = mainRow(rig).devices[0]?.id === device.id;
  if (!wantsPickup(device) || device.pickupSimulator || isFirst) return [];
  if (rig.electrical.guitars.every(({ kind }) => kind !== 'magnetic')) return [];
  return [
    move(
      `pickupSimulator ${device.id}`,
      { kind: 'pickupSimulator', device: device.id },
      {
        minutes: MINUTES.fitPickupSimulator,
        solders: true,
        cost: USUAL_PRICE.pickupSimulator,
        isCostAssumed: true,
        buys: ['a coil and a resistor'],
      },
      [`pickupSimulator ${device.id}`],
    ),
  ];
}

/** A volume with a battery or a jack for power in it drives what follows, whatever it is turned to. */
function activeMoves(rig: Rig, { id, pot, deviceClass }: Device): readonly Move[] {
  if (!pot || deviceClass !== 'passiveVolume') return [];
  // Whoever shapes with cable and coil wants nothing that drives.
  if (rig.electrical.approach.kind === 'shaped') return [];
  const effort = {
    minutes: MINUTES.activateVolume,
    solders: true,
    cost: USUAL_PRICE.activeVolume,
    isCostAssumed: true,
    buys: ['a buffer board for a volume pedal'],
  };
  const claims = [`pot ${id}`, `bypass ${id}`];
  return [move(`activate ${id}`, { kind: 'activate', device: id }, effort, claims)];
}

/** Tracks for the pickup's side and for after a buffer: which one suits shows in the goal. */
function potMoves({ id, pot }: Device): readonly Move[] {
  if (!pot) return [];
  return USUAL_TRACKS_OHM.filter((ohm) => Math.abs(Math.log(ohm / pot.potOhm.value)) > ALIKE).map(
    (potOhm) =>
      move(
        `pot ${id} ${potOhm}`,
        { kind: 'pot', device: id, potOhm },
        {
          minutes: MINUTES.changePot,
          solders: true,
          cost: USUAL_PRICE.pot,
          isCostAssumed: true,
          buys: ['a pot'],
        },
        [`pot ${id}`],
      ),
  );
}
