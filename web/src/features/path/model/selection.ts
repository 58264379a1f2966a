import {
  findDevice,
  findCable,
  mainRow,
  rowOf,
  type Rig,
  type Row,
  type StopSummary,
} from '@gullwind/core';

/** What is selected on the path page: a part by its id, or a connection whose cable is still missing. */
export type Selection =
  | { readonly kind: 'guitar' | 'device' | 'cable' | 'destination'; readonly id: string }
  | { readonly kind: 'connection'; readonly row: string; readonly connection: number };

export const firstSelection = (rig: Rig): Selection => ({
  kind: 'guitar',
  id: rig.electrical.guitars[0]!.id,
});

/** As it stands in the address: a part's id, or row and connection ("r3.0"). */
export const writeSelection = (selection: Selection): string =>
  selection.kind === 'connection' ? `${selection.row}.${selection.connection}` : selection.id;

export function readSelection(rig: Rig, at: string | null): Selection {
  if (at === null) return firstSelection(rig);
  if (rig.electrical.guitars.some(({ id }) => id === at)) return { kind: 'guitar', id: at };
  if (rig.electrical.destinations.some(({ id }) => id === at))
    return { kind: 'destination', id: at };
  if (findDevice(rig, at)) return { kind: 'device', id: at };
  if (findCable(rig, at)) return { kind: 'cable', id: at };
  const [rowId, connection] = at.split('.');
  const row = rig.electrical.rows.find(({ id }) => id === rowId);
  const missing = row?.cables[Number(connection)] === null;
  return missing
    ? { kind: 'connection', row: row!.id, connection: Number(connection) }
    : firstSelection(rig);
}

export const isSame = (a: Selection, b: Selection): boolean =>
  a.kind === b.kind && writeSelection(a) === writeSelection(b);

/** Connection of a row as something to select: its cable, or the place where one is missing. */
export function selectConnection(row: Row, connection: number): Selection {
  const cable = row.cables[connection];
  return cable ? { kind: 'cable', id: cable.id } : { kind: 'connection', row: row.id, connection };
}

/** What a stop of a way selects; null where it is only a part of a device that stands there already. */
export function selectStop({ spot, role }: StopSummary, rig: Rig): Selection | null {
  switch (spot.kind) {
    case 'source':
      return rig.electrical.destinations.some(({ id }) => id === spot.id)
        ? { kind: 'destination', id: spot.id }
        : { kind: 'guitar', id: spot.id };
    case 'cable':
      return role === 'gap'
        ? { kind: 'connection', row: spot.id, connection: spot.index }
        : { kind: 'cable', id: spot.id };
    case 'device':
      return { kind: 'device', id: spot.id };
    case 'destination':
      return { kind: 'destination', id: spot.id };
  }
}

/** Cables and devices of a row in order. */
export function rowSelections(row: Row): readonly Selection[] {
  return row.cables.flatMap((_, connection): Selection[] => {
    const device = row.devices[connection];
    const here = selectConnection(row, connection);
    return device ? [here, { kind: 'device', id: device.id }] : [here];
  });
}

/** Everything there is to select: what is on the way in its order, then whatever else the rig has. */
export function allSelections(rig: Rig, stops: readonly StopSummary[]): readonly Selection[] {
  const all = [
    ...stops.flatMap((stop) => selectStop(stop, rig) ?? []),
    ...rig.electrical.rows.flatMap(rowSelections),
    ...rig.electrical.guitars.map(({ id }): Selection => ({ kind: 'guitar', id })),
    ...rig.electrical.destinations.map(({ id }): Selection => ({ kind: 'destination', id })),
  ];
  const seen = new Set<string>();
  return all.filter((selection) => {
    const key = writeSelection(selection);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

/** What lies `by` places further along, held at both ends. */
export function stepSelection(
  rig: Rig,
  stops: readonly StopSummary[],
  from: Selection,
  by: number,
): Selection {
  const all = allSelections(rig, stops);
  const at = all.findIndex((selection) => isSame(selection, from));
  return all[Math.min(all.length - 1, Math.max(0, at + by))]!;
}

/** A gap in a row: the place of `cables[gap]`. */
export interface Gap {
  readonly row: string;
  readonly gap: number;
}

/** The gap in which a device put "after the selection" goes. */
export function gapAfter(rig: Rig, selection: Selection): Gap {
  const main = mainRow(rig);
  switch (selection.kind) {
    case 'connection':
      return { row: selection.row, gap: selection.connection };
    case 'guitar': {
      const own = rig.electrical.rows.find(
        ({ at }) => at.kind === 'guitar' && at.guitar === selection.id,
      );
      return { row: (own ?? main).id, gap: 0 };
    }
    case 'cable': {
      const row = rig.electrical.rows.find(({ cables }) =>
        cables.some((cable) => cable?.id === selection.id),
      )!;
      return { row: row.id, gap: row.cables.findIndex((cable) => cable?.id === selection.id) };
    }
    case 'device': {
      const row = rowOf(rig, selection.id)!;
      return { row: row.id, gap: row.devices.findIndex(({ id }) => id === selection.id) + 1 };
    }
    case 'destination': {
      const side = rig.electrical.rows.find(
        ({ at }) =>
          at.kind === 'side' && at.to.kind === 'destination' && at.to.destination === selection.id,
      );
      const row = side ?? main;
      return { row: row.id, gap: row.devices.length };
    }
  }
}
