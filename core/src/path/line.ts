import type { Load, PathElement, Source } from '../circuit';
import {
  findDevice,
  isEngaged,
  loopSwitch,
  mainRow,
  playingGuitar,
  rowOf,
  type Chain,
  type Row,
} from '../rig';
import { rowSteps } from './deviceSteps';
import {
  destinationLoad,
  guitarSource,
  inputLoad,
  offRole,
  referenceElement,
  returnLoad,
  sendSource,
} from './elements';
import { spotOf, type MuteReason, type Spot, type Step } from './step';

/// The line that a device stands in: the row that runs from a guitar or an amp's send to an end, whatever
/// loops lie between.

/** What drives a line, and its way straight to an end. */
export interface Origin {
  readonly spot: Spot;
  readonly circuit: Source;
  readonly straight: readonly PathElement[];
}

/** The row whose line a device stands in: its own, or the one that the loop lies in. */
export function lineOf(rig: Chain, deviceId: string): Row {
  const row = rowOf(rig, deviceId)!;
  return row.at.kind === 'loop' ? lineOf(rig, row.at.device) : row;
}

/** What drives the line that ends as this row does. */
export function originOf(rig: Chain, { at }: Row): Origin {
  if (at.kind === 'side') return originOf(rig, lineOf(rig, at.device));
  if (at.kind === 'ampLoop') {
    const amp = rig.electrical.destinations.find(({ id }) => id === at.destination)!;
    return { spot: spotOf('source', amp.id), circuit: sendSource(amp), straight: [] };
  }
  const guitar = playingGuitar(rig);
  return {
    spot: spotOf('source', guitar.id),
    circuit: guitarSource(guitar),
    straight: [referenceElement(rig.electrical.reference)],
  };
}

/** What a line ends in: an amp or DI, an amp's return, a pedal's key input. */
export function loadAtEnd(rig: Chain, row: Row): Load {
  if (row.at.kind === 'side' && row.at.to.kind === 'key')
    return inputLoad(findDevice(rig, row.at.to.device)!.on);
  const end = rig.electrical.destinations.find(({ id }) => id === destinationOfRow(rig, row))!;
  return row.at.kind === 'ampLoop' ? returnLoad(end) : destinationLoad(end);
}

export function destinationOfRow(rig: Chain, { at }: Row): string {
  if (at.kind === 'ampLoop') return at.destination;
  if (at.kind === 'side' && at.to.kind === 'destination') return at.to.destination;
  return rig.electrical.destinations[0]!.id;
}

/** A line from what drives it to its end, side ways not yet followed. */
export function lineSteps(rig: Chain, row: Row): readonly Step[] {
  if (row.at.kind === 'ampLoop') return rowSteps(rig, row);
  if (row.at.kind === 'guitar' && row.at.guitar !== rig.state.playing)
    return [nothingFrom(spotOf('source', row.at.guitar), 'notPlaying')];
  return guitarSteps(rig);
}

/** From the guitar that plays to the main row's end. */
function guitarSteps(rig: Chain): readonly Step[] {
  const main = mainRow(rig);
  const { playing } = rig.state;
  if (playing === null) {
    const selector = main.devices.find(({ deviceClass }) => deviceClass === 'selector');
    const spot = selector
      ? spotOf('device', selector.id)
      : spotOf('source', rig.electrical.guitars[0]!.id);
    return [nothingFrom(spot, 'noGuitar')];
  }
  const own = ownRow(rig);
  if (own?.at.kind !== 'guitar') return rowSteps(rig, main);
  const { selector } = own.at;
  const at = main.devices.findIndex(({ id }) => id === selector);
  return [...rowSteps(rig, own), ...rowSteps(rig, main, at)];
}

const ownRow = ({ electrical: { rows }, state }: Chain): Row | undefined =>
  rows.find(({ at }) => at.kind === 'guitar' && at.guitar === state.playing);

/** Something that lets nothing through and that no line hangs on. */
export const nothingFrom = (spot: Spot, why: MuteReason): Step => ({
  kind: 'mute',
  spot,
  load: { rOhm: Infinity, cF: 0, grid: null },
  why,
});

/** Why a line, as its switches stand, does not come by a device that stands in it. */
export function nothingAt(rig: Chain, deviceId: string): Step {
  const { at } = rowOf(rig, deviceId)!;
  if (at.kind !== 'loop')
    return nothingFrom(spotOf('source', rig.electrical.guitars[0]!.id), 'notPlaying');
  if (rig.state.unpowered.includes(at.device))
    return nothingFrom(spotOf('device', at.device), 'unpowered');
  return isInLine(rig, at.device, at.loop)
    ? nothingAt(rig, at.device)
    : nothingFrom(spotOf('device', deviceId), 'openLoop');
}

/** Whether a loop is switched in: a switcher's by its own switch, a pedal's with the pedal. */
function isInLine(rig: Chain, deviceId: string, loop: number): boolean {
  const device = findDevice(rig, deviceId)!;
  if (device.insert === 'switched') return rig.state.positions[loopSwitch(deviceId, loop)] === true;
  return isEngaged(rig, device) || offRole(device) === 'driver';
}
