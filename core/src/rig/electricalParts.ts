import type { Cable, Device } from '../gear';
import { findCable, findDevice, withElectrical } from './chain';
import type { Electrical, Row } from './electrical';

/** A part of what the signal feels. */
export type ElectricalTarget =
  | { readonly of: 'reference' | 'approach' }
  | {
      readonly of: 'guitar' | 'device' | 'cable' | 'destination' | 'scene' | 'place';
      readonly id: string;
    };

interface Wired {
  readonly electrical: Electrical;
}

const LISTS = {
  guitar: 'guitars',
  destination: 'destinations',
  scene: 'scenes',
  place: 'places',
} as const;

/** The part a target names, or undefined where there is none. */
export function findElectricalPart(chain: Wired, target: ElectricalTarget): object | undefined {
  switch (target.of) {
    case 'reference':
    case 'approach':
      return chain.electrical[target.of];
    case 'device':
      return findDevice(chain, target.id);
    case 'cable':
      return findCable(chain, target.id);
    default:
      return chain.electrical[LISTS[target.of]].find(({ id }) => id === target.id);
  }
}

/** A copy of a list with the entry of one id replaced. */
export const swap = <T extends { readonly id: string }>(
  list: readonly T[],
  id: string,
  to: object,
): readonly T[] => list.map((thing) => (thing.id === id ? (to as T) : thing));

/** A copy with one part replaced; the part has to be there. */
export function withElectricalPart<C extends Wired>(
  chain: C,
  target: ElectricalTarget,
  part: object,
): C {
  switch (target.of) {
    case 'reference':
    case 'approach':
      return withElectrical(chain, { [target.of]: part });
    case 'device':
      return inRows(chain, (row) =>
        row.devices.some(({ id }) => id === target.id)
          ? { ...row, devices: swap<Device>(row.devices, target.id, part) }
          : row,
      );
    case 'cable':
      return inRows(chain, (row) =>
        row.cables.some((cable) => cable?.id === target.id)
          ? { ...row, cables: row.cables.map((c) => (c?.id === target.id ? (part as Cable) : c)) }
          : row,
      );
    default: {
      const list = LISTS[target.of];
      const swapped = swap<{ readonly id: string }>(chain.electrical[list], target.id, part);
      return withElectrical(chain, { [list]: swapped });
    }
  }
}

const inRows = <C extends Wired>(chain: C, change: (row: Row) => Row): C =>
  withElectrical(chain, { rows: chain.electrical.rows.map(change) });
