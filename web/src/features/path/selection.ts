import {
  findDevice,
  findLead,
  mainRow,
  rowOf,
  type Rig,
  type Row,
  type StopSummary,
} from '@gullwind/core';

/** What is selected on the path page: a part by its id, or a hop whose lead is still missing. */
export type Selection =
  | { readonly kind: 'guitar' | 'device' | 'lead' | 'end'; readonly id: string }
  | { readonly kind: 'hop'; readonly row: string; readonly hop: number };

export const firstSelection = (rig: Rig): Selection => ({
  kind: 'guitar',
  id: rig.guitars[0]!.id,
});

/** As it stands in the address: a part's id, or row and hop ("r3.0"). */
export const writeSelection = (selection: Selection): string =>
  selection.kind === 'hop' ? `${selection.row}.${selection.hop}` : selection.id;

export function readSelection(rig: Rig, at: string | null): Selection {
  if (at === null) return firstSelection(rig);
  if (rig.guitars.some(({ id }) => id === at)) return { kind: 'guitar', id: at };
  if (rig.ends.some(({ id }) => id === at)) return { kind: 'end', id: at };
  if (findDevice(rig, at)) return { kind: 'device', id: at };
  if (findLead(rig, at)) return { kind: 'lead', id: at };
  const [rowId, hop] = at.split('.');
  const row = rig.rows.find(({ id }) => id === rowId);
  const missing = row?.leads[Number(hop)] === null;
  return missing ? { kind: 'hop', row: row!.id, hop: Number(hop) } : firstSelection(rig);
}

export const isSame = (a: Selection, b: Selection): boolean =>
  a.kind === b.kind && writeSelection(a) === writeSelection(b);

/** Hop of a row as something to select: its lead, or the place where one is missing. */
export function selectHop(row: Row, hop: number): Selection {
  const lead = row.leads[hop];
  return lead ? { kind: 'lead', id: lead.id } : { kind: 'hop', row: row.id, hop };
}

/** What a stop of a way selects; null where it is only a part of a device that stands there already. */
export function selectStop({ place, role }: StopSummary, rig: Rig): Selection | null {
  switch (place.kind) {
    case 'source':
      return rig.ends.some(({ id }) => id === place.id)
        ? { kind: 'end', id: place.id }
        : { kind: 'guitar', id: place.id };
    case 'lead':
      return role === 'gap'
        ? { kind: 'hop', row: place.id, hop: place.index }
        : { kind: 'lead', id: place.id };
    case 'device':
      return { kind: 'device', id: place.id };
    case 'end':
      return { kind: 'end', id: place.id };
  }
}

/** Leads and devices of a row in order. */
export function rowSelections(row: Row): readonly Selection[] {
  return row.leads.flatMap((_, hop): Selection[] => {
    const device = row.devices[hop];
    const here = selectHop(row, hop);
    return device ? [here, { kind: 'device', id: device.id }] : [here];
  });
}

/** Everything there is to select: what is on the way in its order, then whatever else the rig has. */
export function allSelections(rig: Rig, stops: readonly StopSummary[]): readonly Selection[] {
  const all = [
    ...stops.flatMap((stop) => selectStop(stop, rig) ?? []),
    ...rig.rows.flatMap(rowSelections),
    ...rig.guitars.map(({ id }): Selection => ({ kind: 'guitar', id })),
    ...rig.ends.map(({ id }): Selection => ({ kind: 'end', id })),
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

/** A gap in a row: the place of `leads[gap]`. */
export interface Gap {
  readonly row: string;
  readonly gap: number;
}

/** The gap in which a device put "behind the selection" goes. */
export function gapBehind(rig: Rig, selection: Selection): Gap {
  const main = mainRow(rig);
  switch (selection.kind) {
    case 'hop':
      return { row: selection.row, gap: selection.hop };
    case 'guitar': {
      const own = rig.rows.find(({ at }) => at.kind === 'guitar' && at.guitar === selection.id);
      return { row: (own ?? main).id, gap: 0 };
    }
    case 'lead': {
      const row = rig.rows.find(({ leads }) => leads.some((lead) => lead?.id === selection.id))!;
      return { row: row.id, gap: row.leads.findIndex((lead) => lead?.id === selection.id) };
    }
    case 'device': {
      const row = rowOf(rig, selection.id)!;
      return { row: row.id, gap: row.devices.findIndex(({ id }) => id === selection.id) + 1 };
    }
    case 'end': {
      const side = rig.rows.find(
        ({ at }) => at.kind === 'side' && at.to.kind === 'end' && at.to.end === selection.id,
      );
      const row = side ?? main;
      return { row: row.id, gap: row.devices.length };
    }
  }
}

/**
 * Numbers to stamp by, in the order of the rows: one for each device, and for a switcher one for each of
 * its loops instead.
 */
export function switchNumbers(rig: Rig): ReadonlyMap<string, number> {
  const numbers = new Map<string, number>();
  const give = (id: string) => numbers.set(id, numbers.size + 1);
  const hanging = (deviceId: string) =>
    rig.rows.filter(
      ({ at }) => (at.kind === 'loop' || at.kind === 'side') && at.device === deviceId,
    );
  const walk = (row: Row) => {
    for (const device of row.devices) {
      if (device.insert === 'switched')
        for (let k = 0; k < device.loops; k++) give(`${device.id}.${k}`);
      else give(device.id);
      hanging(device.id).forEach(walk);
    }
  };
  walk(mainRow(rig));
  for (const row of rig.rows) if (row.at.kind === 'guitar' || row.at.kind === 'ampLoop') walk(row);
  return numbers;
}
