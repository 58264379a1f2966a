import { DESTINATION_KINDS } from '../gear';
import { findDevice, type Chain, type Row, type SideGoal } from '../rig';
import type { Spot, PartLoss } from '../path';
import type { StopSummary } from './analyseRig';

/** What a stop is called in a sentence. */
export function nameSpot(rig: Chain, spot: Spot): string {
  switch (spot.kind) {
    case 'source':
      return nameOf(rig, spot.id);
    case 'cable':
      return nameCable(rig, spot.id, spot.index);
    case 'device': {
      const name = findDevice(rig, spot.id)?.name ?? spot.id;
      return spot.part === 'openLoop' ? `${name}, loop ${spot.index + 1}` : name;
    }
    case 'destination':
      return nameOf(rig, spot.id);
  }
}

const nameOf = (rig: Chain, id: string): string =>
  [...rig.electrical.guitars, ...rig.electrical.destinations].find((thing) => thing.id === id)
    ?.name ?? id;

/** A cable by what it joins: "the cable in", "the cable to the amp", "the patch to Ember". */
export function nameCable(rig: Chain, id: string, missingConnection = 0): string {
  const row =
    rig.electrical.rows.find(({ cables }) => cables.some((cable) => cable?.id === id)) ??
    rig.electrical.rows.find((other) => other.id === id);
  if (!row) return 'a cable';
  const at = row.cables.findIndex((cable) => cable?.id === id);
  return nameConnection(rig, row, at < 0 ? missingConnection : at);
}

/** Where a connection of a row goes. */
export function nameConnection(rig: Chain, row: Row, connection: number): string {
  const only = row.devices.length === 0;
  const isLast = connection === row.devices.length;
  const device = (id: string) => findDevice(rig, id)?.name ?? id;
  if (!isLast && connection > 0) return `the patch to ${row.devices[connection]!.name}`;
  switch (row.at.kind) {
    case 'main':
      return only ? 'the cable' : isLast ? nameCableOut(rig) : 'the cable in';
    case 'guitar':
      return isLast && !only
        ? `the cable to ${device(row.at.selector)}`
        : `the cable of ${nameOf(rig, row.at.guitar)}`;
    case 'side':
      return isLast ? nameSideEnd(rig, row.at.to) : `the side cable of ${device(row.at.device)}`;
    case 'loop':
      return `the ${only ? 'jumper' : isLast ? 'return cable' : 'send cable'} of ${loopName(rig, row)}`;
    case 'ampLoop':
      return `the ${inAmpLoop(only, isLast)} of ${nameOf(rig, row.at.destination)}`;
  }
}

const inAmpLoop = (only: boolean, isLast: boolean): string =>
  only ? 'loom' : isLast ? 'cable to the return' : 'cable from the send';

const nameCableOut = ({ electrical }: Chain): string =>
  `the cable to the ${DESTINATION_KINDS[electrical.destinations[0]!.kind].label}`;

const nameSideEnd = (rig: Chain, to: SideGoal): string =>
  to.kind === 'key'
    ? `the key cable to ${findDevice(rig, to.device)?.name ?? to.device}`
    : `the cable to ${nameOf(rig, to.destination)}`;

/** "loop 2 of Ferryman", or only the name of a pedal with one send and return. */
export function loopName(rig: Chain, { at }: Row): string {
  if (at.kind !== 'loop') return '';
  const device = findDevice(rig, at.device);
  return device?.insert === 'own' ? device.name : `loop ${at.loop + 1} of ${device?.name}`;
}

/** A row by where it leads: "to Under-stage", "Under-stage, effects loop". */
export function nameRow(rig: Chain, row: Row): string {
  switch (row.at.kind) {
    case 'main':
      return `to ${rig.electrical.destinations[0]!.name}`;
    case 'guitar':
      return nameOf(rig, row.at.guitar);
    case 'side':
      return `to ${row.at.to.kind === 'destination' ? nameOf(rig, row.at.to.destination) : `${findDevice(rig, row.at.to.device)?.name}, key`}`;
    case 'loop':
      return loopName(rig, row);
    case 'ampLoop':
      return `${nameOf(rig, row.at.destination)}, effects loop`;
  }
}

/** A foot-switch or a switcher's loop. */
export function nameSwitch(rig: Chain, switchId: string): string {
  const [id, loop] = switchId.split('.');
  const name = findDevice(rig, id!)?.name ?? id!;
  return loop === undefined ? name : `${name}, loop ${Number(loop) + 1}`;
}

/** What a loss by part speaks of, as people would call it. */
export function namePartLoss(
  rig: Chain,
  stops: readonly StopSummary[],
  { kind, stop }: Pick<PartLoss, 'kind' | 'stop'>,
): string {
  const { spot } = stops[stop]!;
  switch (kind) {
    case 'cable':
      return nameSpot(rig, spot);
    case 'bypass': {
      const passive = findDevice(rig, spot.id)?.bypass === 'passive';
      if (spot.part === 'pickupSimulator') return `the pickup simulator of ${nameSpot(rig, spot)}`;
      if (spot.part === 'key') return `what hangs on the side jack of ${nameSpot(rig, spot)}`;
      return spot.part === 'openLoop' || passive
        ? nameSpot(rig, spot)
        : `${nameSpot(rig, spot)}, bypassed`;
    }
    case 'input':
      return `the input of ${nameSpot(rig, spot)}`;
    case 'output':
      return `the output of ${nameSpot(rig, spot)}`;
    case 'controls':
      return 'the guitar’s own pots';
    case 'destination':
      return spot.kind === 'destination' &&
        rig.electrical.destinations.find(({ id }) => id === spot.id)?.kind === 'amp'
        ? 'the amp’s input'
        : `the input of ${nameSpot(rig, spot)}`;
  }
}
