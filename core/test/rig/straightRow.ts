import type { Device, Destination, Guitar, Cable } from '../../src/gear';
import { drivePath, routeOf, type DrivenPath } from '../../src/path';
import {
  mainRow,
  withElectrical,
  type Chain,
  type Rig,
  type Row,
  type SwitchState,
  nextIdsOf,
} from '../../src/rig';

/// A rig that is one row, changed by hand.

export const devicesOf = (rig: Chain): readonly Device[] => mainRow(rig).devices;
export const cablesOf = (rig: Chain): readonly Cable[] =>
  mainRow(rig).cables.map((cable) => cable!);

function withRow(rig: Rig, change: Partial<Row>): Rig {
  const rows = [{ ...mainRow(rig), ...change }, ...rig.electrical.rows.slice(1)];
  const changed = withElectrical(rig, { rows });
  return { ...changed, nextIds: nextIdsOf(changed) };
}

export const withCables = (rig: Rig, change: (cable: Cable, index: number) => Cable): Rig =>
  withRow(rig, { cables: cablesOf(rig).map(change) });

export const withDevices = (rig: Rig, change: (device: Device) => Device): Rig =>
  withRow(rig, { devices: devicesOf(rig).map(change) });

export const withRowOf = (
  rig: Rig,
  devices: readonly Device[],
  cables: readonly (Cable | null)[],
): Rig => withRow(rig, { devices, cables });

export const withGuitar = (rig: Rig, guitar: Partial<Guitar>): Rig =>
  withElectrical(rig, {
    guitars: [{ ...rig.electrical.guitars[0]!, ...guitar }, ...rig.electrical.guitars.slice(1)],
  });

export const withDestination = (rig: Rig, destination: Partial<Destination>): Rig =>
  withElectrical(rig, {
    destinations: [
      { ...rig.electrical.destinations[0]!, ...destination },
      ...rig.electrical.destinations.slice(1),
    ],
  });

export const switchedTo = (rig: Rig, positions: SwitchState['positions']): Rig => ({
  ...rig,
  state: { ...rig.state, positions: { ...rig.state.positions, ...positions } },
});

export const pathOf = (rig: Rig, rowId?: string): DrivenPath => drivePath(routeOf(rig, rowId));
