import { END_KINDS } from '../gear';
import { findDevice, type Rig, type Row } from '../rig';
import type { Place, TakeOut } from '../path';
import type { StopSummary } from './analyseRig';

/** What a stop is called in a sentence. */
export function namePlace(rig: Rig, place: Place): string {
  switch (place.kind) {
    case 'source':
      return nameOf(rig, place.id);
    case 'lead':
      return nameLead(rig, place.id, place.index);
    case 'device': {
      const name = findDevice(rig, place.id)?.name ?? place.id;
      return place.part === 'openLoop' ? `${name}, loop ${place.index + 1}` : name;
    }
    case 'end':
      return nameOf(rig, place.id);
  }
}

const nameOf = (rig: Rig, id: string): string =>
  [...rig.guitars, ...rig.ends].find((thing) => thing.id === id)?.name ?? id;

/** A lead by what it joins: "the lead in", "the lead to the amp", "the patch to Ember". */
export function nameLead(rig: Rig, id: string, missingHop = 0): string {
  const row =
    rig.rows.find(({ leads }) => leads.some((lead) => lead?.id === id)) ??
    rig.rows.find((other) => other.id === id);
  if (!row) return 'a lead';
  const at = row.leads.findIndex((lead) => lead?.id === id);
  return nameHop(rig, row, at < 0 ? missingHop : at);
}

/** Where a hop of a row goes. */
export function nameHop(rig: Rig, row: Row, hop: number): string {
  const only = row.devices.length === 0;
  const isLast = hop === row.devices.length;
  const device = (id: string) => findDevice(rig, id)?.name ?? id;
  if (!isLast && hop > 0) return `the patch to ${row.devices[hop]!.name}`;
  switch (row.at.kind) {
    case 'main': {
      const { kind } = rig.ends[0]!;
      if (only) return 'the lead';
      return isLast ? `the lead to the ${END_KINDS[kind].label}` : 'the lead in';
    }
    case 'guitar':
      return isLast && !only
        ? `the lead to ${device(row.at.selector)}`
        : `the lead of ${nameOf(rig, row.at.guitar)}`;
    case 'side': {
      const { to } = row.at;
      if (!isLast) return `the side lead of ${device(row.at.device)}`;
      return to.kind === 'key'
        ? `the key lead to ${device(to.device)}`
        : `the lead to ${nameOf(rig, to.end)}`;
    }
    case 'loop': {
      const name = loopName(rig, row);
      if (only) return `the jumper of ${name}`;
      return `the ${isLast ? 'return' : 'send'} lead of ${name}`;
    }
    case 'ampLoop':
      if (only) return `the loom of ${nameOf(rig, row.at.end)}`;
      return `the lead ${isLast ? 'to the return' : 'from the send'} of ${nameOf(rig, row.at.end)}`;
  }
}

/** "loop 2 of Ferryman", or only the name of a pedal with one send and return. */
export function loopName(rig: Rig, { at }: Row): string {
  if (at.kind !== 'loop') return '';
  const device = findDevice(rig, at.device);
  return device?.insert === 'own' ? device.name : `loop ${at.loop + 1} of ${device?.name}`;
}

/** A row by where it leads: "to Under-stage", "Under-stage, effects loop". */
export function nameRow(rig: Rig, row: Row): string {
  switch (row.at.kind) {
    case 'main':
      return `to ${rig.ends[0]!.name}`;
    case 'guitar':
      return nameOf(rig, row.at.guitar);
    case 'side':
      return `to ${row.at.to.kind === 'end' ? nameOf(rig, row.at.to.end) : `${findDevice(rig, row.at.to.device)?.name}, key`}`;
    case 'loop':
      return loopName(rig, row);
    case 'ampLoop':
      return `${nameOf(rig, row.at.end)}, effects loop`;
  }
}

/** A foot-switch or a switcher's loop. */
export function nameSwitch(rig: Rig, switchId: string): string {
  const [id, loop] = switchId.split('.');
  const name = findDevice(rig, id!)?.name ?? id!;
  return loop === undefined ? name : `${name}, loop ${Number(loop) + 1}`;
}

/** What a take-out speaks of, as people would call it. */
export function nameTakeOut(
  rig: Rig,
  stops: readonly StopSummary[],
  { kind, stop }: Pick<TakeOut, 'kind' | 'stop'>,
): string {
  const { place } = stops[stop]!;
  switch (kind) {
    case 'lead':
      return namePlace(rig, place);
    case 'bypass': {
      const passive = findDevice(rig, place.id)?.bypass === 'passive';
      if (place.part === 'standIn') return `the stand-in of ${namePlace(rig, place)}`;
      if (place.part === 'key') return `what hangs on the side jack of ${namePlace(rig, place)}`;
      return place.part === 'openLoop' || passive
        ? namePlace(rig, place)
        : `${namePlace(rig, place)}, bypassed`;
    }
    case 'input':
      return `the input of ${namePlace(rig, place)}`;
    case 'output':
      return `the output of ${namePlace(rig, place)}`;
    case 'controls':
      return 'the guitar’s own pots';
    case 'end':
      return place.kind === 'end' && rig.ends.find(({ id }) => id === place.id)?.kind === 'amp'
        ? 'the amp’s input'
        : `the input of ${namePlace(rig, place)}`;
  }
}
