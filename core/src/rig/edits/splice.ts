import type { Cable, Device } from '../../gear';
import { allDevices } from '../chain';
import type { Row } from '../electrical';
import { claimIds } from '../ids';
import { MOST_DEVICES, type Rig } from '../rig';
import { switchesOfDevice, type SwitchState } from '../switchState';
import { done, refused, type EditKind } from './editKind';
import { findRow, noRow, withRow } from './row';

/**
 * `remove` devices of a row from index `at` on, and the cables around them (`at` … `at + remove`), give
 * way to these devices and cables (one cable more than devices).
 */
export interface SpliceEdit {
  readonly kind: 'splice';
  readonly row: string;
  readonly at: number;
  readonly remove: number;
  readonly devices: readonly Device[];
  readonly cables: readonly (Cable | null)[];
  /** How the switches of the new devices stand. */
  readonly positions: SwitchState['positions'];
  /** Those of the new devices that have no power. */
  readonly unpowered?: readonly string[];
}

export const SPLICE: EditKind<SpliceEdit> = {
  isStructural: true,
  touches: () => ['electrical', 'state'],
  apply: (rig, edit) => {
    const { at, remove, devices, cables } = edit;
    const row = findRow(rig, edit.row);
    if (!row) return noRow(edit.row);
    const problem = spliceProblem(rig, row, edit);
    if (problem) return refused(problem);
    const gone = row.devices.slice(at, at + remove);
    const next = withRow(rig, {
      ...row,
      devices: row.devices.toSpliced(at, remove, ...devices),
      cables: row.cables.toSpliced(at, remove + 1, ...cables),
    });
    const ids = [...devices, ...cables.filter((cable) => cable !== null)].map(({ id }) => id);
    const inverse = {
      ...edit,
      remove: devices.length,
      devices: gone,
      cables: row.cables.slice(at, at + remove + 1),
      ...stateOf(rig.state, gone),
    };
    return done({ ...claimIds(next, ids), state: stateAfter(rig.state, gone, edit) }, inverse);
  },
};

function spliceProblem(rig: Rig, row: Row, edit: SpliceEdit): string | null {
  const { at, remove, devices, cables } = edit;
  const isInside = at >= 0 && remove >= 0 && at + remove <= row.devices.length;
  if (!Number.isInteger(at) || !Number.isInteger(remove) || !isInside)
    return `Places ${at} to ${at + remove} are not in this row of ${row.devices.length} devices.`;
  if (cables.length !== devices.length + 1)
    return `Cables: ${cables.length} for ${devices.length} devices; every connection needs one.`;
  const total = allDevices(rig).length - remove + devices.length;
  return total > MOST_DEVICES ? `Devices: ${total}, at most ${MOST_DEVICES}.` : null;
}

/** One that has no foot-switch any more may still stand somewhere from when it had one. */
const switchesIn = (devices: readonly Device[]): ReadonlySet<string> =>
  new Set(devices.flatMap((device) => [device.id, ...switchesOfDevice(device)]));

/** How the switches of some devices stand, and which of them have no power. */
function stateOf({ positions, unpowered }: SwitchState, devices: readonly Device[]) {
  const ids = switchesIn(devices);
  return {
    positions: Object.fromEntries(Object.entries(positions).filter(([id]) => ids.has(id))),
    unpowered: unpowered.filter((id) => ids.has(id)),
  };
}

function stateAfter(state: SwitchState, gone: readonly Device[], edit: SpliceEdit): SwitchState {
  const ids = switchesIn(gone);
  const { unpowered = [] } = edit;
  const kept = Object.entries(state.positions).filter(([id]) => !ids.has(id));
  const isSame =
    kept.length === Object.keys(state.positions).length &&
    Object.keys(edit.positions).length + unpowered.length === 0 &&
    !state.unpowered.some((id) => ids.has(id));
  if (isSame) return state;
  return {
    ...state,
    positions: { ...Object.fromEntries(kept), ...edit.positions },
    unpowered: [...state.unpowered.filter((id) => !ids.has(id)), ...unpowered],
  };
}
