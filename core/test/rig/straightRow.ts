import type { Device, End, Guitar, Lead } from '../../src/gear';
import { drivePath, routeOf, type DrivenPath } from '../../src/path';
import { mainRow, type Rig, type Row, type Standing } from '../../src/rig';

/// A rig that is one row, changed by hand.

export const devicesOf = (rig: Rig): readonly Device[] => mainRow(rig).devices;
export const leadsOf = (rig: Rig): readonly Lead[] => mainRow(rig).leads.map((lead) => lead!);

const withRow = (rig: Rig, change: Partial<Row>): Rig => ({
  ...rig,
  rows: [{ ...mainRow(rig), ...change }, ...rig.rows.slice(1)],
});

export const withLeads = (rig: Rig, change: (lead: Lead, index: number) => Lead): Rig =>
  withRow(rig, { leads: leadsOf(rig).map(change) });

export const withDevices = (rig: Rig, change: (device: Device) => Device): Rig =>
  withRow(rig, { devices: devicesOf(rig).map(change) });

export const withRowOf = (
  rig: Rig,
  devices: readonly Device[],
  leads: readonly (Lead | null)[],
): Rig => withRow(rig, { devices, leads });

export const withGuitar = (rig: Rig, guitar: Partial<Guitar>): Rig => ({
  ...rig,
  guitars: [{ ...rig.guitars[0]!, ...guitar }, ...rig.guitars.slice(1)],
});

export const withEnd = (rig: Rig, end: Partial<End>): Rig => ({
  ...rig,
  ends: [{ ...rig.ends[0]!, ...end }, ...rig.ends.slice(1)],
});

export const stand = (rig: Rig, positions: Standing['positions']): Rig => ({
  ...rig,
  standing: { ...rig.standing, positions: { ...rig.standing.positions, ...positions } },
});

export const pathOf = (rig: Rig, rowId?: string): DrivenPath => drivePath(routeOf(rig, rowId));
