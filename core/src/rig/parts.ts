import type { Device, Lead } from '../gear';
import type { NamedTarget } from './edit';
import { findDevice, findLead, type Rig, type Row } from './rig';

const LISTS = {
  guitar: 'guitars',
  end: 'ends',
  scene: 'scenes',
  situation: 'situations',
  pin: 'pins',
} as const;

/** The part a target names, or undefined where the rig has none. */
export function findPart(rig: Rig, target: NamedTarget): object | undefined {
  switch (target.of) {
    case 'rig':
      return rig;
    case 'reference':
    case 'approach':
      return rig[target.of];
    case 'device':
      return findDevice(rig, target.id);
    case 'lead':
      return findLead(rig, target.id);
    default:
      return rig[LISTS[target.of]].find(({ id }) => id === target.id);
  }
}

const swap = <T extends { readonly id: string }>(
  list: readonly T[],
  id: string,
  to: object,
): readonly T[] => list.map((thing) => (thing.id === id ? (to as T) : thing));

/** A copy of a rig with one part replaced; the part has to be there. */
export function withPart(rig: Rig, target: NamedTarget, part: object): Rig {
  switch (target.of) {
    case 'rig':
      return part as Rig;
    case 'reference':
    case 'approach':
      return { ...rig, [target.of]: part };
    case 'device':
      return inRows(rig, (row) =>
        row.devices.some(({ id }) => id === target.id)
          ? { ...row, devices: swap<Device>(row.devices, target.id, part) }
          : row,
      );
    case 'lead':
      return inRows(rig, (row) =>
        row.leads.some((lead) => lead?.id === target.id)
          ? {
              ...row,
              leads: row.leads.map((lead) => (lead?.id === target.id ? (part as Lead) : lead)),
            }
          : row,
      );
    default: {
      const list = LISTS[target.of];
      return { ...rig, [list]: swap<{ readonly id: string }>(rig[list], target.id, part) };
    }
  }
}

const inRows = (rig: Rig, change: (row: Row) => Row): Rig => ({
  ...rig,
  rows: rig.rows.map(change),
});
