import { conductorM, type Device, type Lead, type Side } from '../gear';
import { hasSwitch, isEngaged, loopSwitch, remember, type Rig, type Row } from '../rig';
import {
  bypassElements,
  inputLoad,
  leadElements,
  offRole,
  potElements,
  sideSource,
} from './elements';
import { placeOf, type Place, type Step } from './step';

/** The leads and devices of a row, from its first lead to the one that arrives at its end. */
export function rowSteps(rig: Rig, row: Row, fromDevice = 0): readonly Step[] {
  const steps: Step[] = fromDevice === 0 ? [leadStep(row, 0)] : [];
  for (let i = fromDevice; i < row.devices.length; i++)
    steps.push(...deviceSteps(rig, row.devices[i]!), leadStep(row, i + 1));
  return steps;
}

function leadStep(row: Row, hop: number): Step {
  const lead = row.leads[hop]!;
  return lead ? leadAsStep(lead) : { kind: 'gap', place: placeOf('lead', row.id, 'whole', hop) };
}

export const leadAsStep = remember((lead: Lead): Extract<Step, { kind: 'wire' }> => ({
  kind: 'wire',
  place: placeOf('lead', lead.id),
  elements: leadElements(lead),
  leadM: conductorM(lead),
}));

function deviceSteps(rig: Rig, device: Device): readonly Step[] {
  if (!rig.standing.powered) return withSideJack(device, darkSteps(rig, device));
  switch (device.insert) {
    case 'none':
      return plainSteps(device);
    case 'switched':
      return withSideJack(device, switcherSteps(rig, device, true));
    case 'own': {
      const loop = () => loopSteps(rig, device, 0);
      return withSideJack(device, poweredSteps(device, loop));
    }
  }
}

/** With power and no loop, a device depends on nothing but itself. */
const plainSteps = remember((device: Device) =>
  withSideJack(
    device,
    poweredSteps(device, () => []),
  ),
);

function withSideJack(device: Device, own: readonly Step[]): readonly Step[] {
  const side: Step = {
    kind: 'side',
    device: device.id,
    isDriven: device.sideJack === 'buffered',
  };
  switch (device.sideJack) {
    case 'none':
      return own;
    case 'passive':
      return [side, ...own];
    case 'buffered':
      return [...own, side];
  }
}

const wire = (device: Device, place: Place, loaded = false): Step => ({
  kind: 'wire',
  place,
  elements: bypassElements(device, loaded),
  leadM: 0,
});

function driver(device: Device, engaged: boolean, part: Place['part'] = 'whole'): Step {
  const side: Side = engaged ? device.on : device.off;
  // The gain of a device with a send and return is that of its last stage.
  const out = part === 'front' ? { ...side, gainDb: { ...side.gainDb, value: 0 } } : side;
  return {
    kind: 'driver',
    place: placeOf('device', device.id, part),
    engaged,
    load: inputLoad(side),
    source: sideSource(out),
  };
}

/** What is plugged into a device's own send and return. */
type OwnLoop = () => readonly Step[];

function poweredSteps(device: Device, loop: OwnLoop): readonly Step[] {
  if (device.bypass === 'passive') return [passiveStep(device, placeOf('device', device.id))];
  const on = engagedSteps(device, loop);
  if (!hasSwitch(device)) return on;
  return [{ kind: 'choice', switchId: device.id, on, off: offSteps(device, loop) }];
}

function engagedSteps(device: Device, loop: OwnLoop): readonly Step[] {
  if (device.mutes)
    return [{ kind: 'mute', place: placeOf('device', device.id), load: inputLoad(device.on) }];
  return [...standInSteps(device), ...aroundLoop(device, true, loop)];
}

/** What stands for a pickup ahead of its input. */
function standInSteps({ id, standIn }: Device): readonly Step[] {
  if (!standIn) return [];
  const place = placeOf('device', id, 'standIn');
  const coil = { kind: 'coil', rOhm: standIn.rOhm.value, lH: standIn.lH.value } as const;
  return [{ kind: 'wire', place, elements: [coil], leadM: 0 }];
}

function offSteps(device: Device, loop: OwnLoop): readonly Step[] {
  const role = offRole(device);
  if (role === 'driver') return aroundLoop(device, false, loop);
  return [wire(device, placeOf('device', device.id), role === 'loadedWire')];
}

/** A driving device; with a send and return of its own, what is plugged in there stands between two drivers. */
function aroundLoop(device: Device, engaged: boolean, loop: OwnLoop): readonly Step[] {
  if (device.insert !== 'own') return [driver(device, engaged)];
  return [driver(device, engaged, 'front'), ...loop(), driver(device, engaged, 'back')];
}

function loopSteps(rig: Rig, device: Device, loop: number): readonly Step[] {
  const row = rig.rows.find(
    ({ at }) => at.kind === 'loop' && at.device === device.id && at.loop === loop,
  );
  if (row) return rowSteps(rig, row);
  return [{ kind: 'gap', place: placeOf('device', device.id, 'openLoop', loop) }];
}

function passiveStep(device: Device, place: Place): Step {
  const elements = device.pot
    ? [...potElements(device.pot), ...bypassElements(device, false)]
    : bypassElements(device, false);
  return { kind: 'wire', place, elements, leadM: 0 };
}

/** A switcher: each loop closed is send lead, sub-path, return lead; open, its contacts and strays. */
function switcherSteps(rig: Rig, device: Device, powered: boolean): readonly Step[] {
  const loops = Array.from({ length: device.loops }, (_, k): Step => {
    const open = wire(device, placeOf('device', device.id, 'openLoop', k));
    if (!powered) return open;
    return {
      kind: 'choice',
      switchId: loopSwitch(device.id, k),
      off: [open],
      on: loopSteps(rig, device, k),
    };
  });
  const buffer = (isThere: boolean, part: 'front' | 'back'): Step =>
    isThere && powered
      ? driver(device, true, part)
      : { kind: 'wire', place: placeOf('device', device.id, part), elements: [], leadM: 0 };
  return [buffer(device.bufferIn, 'front'), ...loops, buffer(device.bufferOut, 'back')];
}

/** What is left of a device when its supply has failed. */
function darkSteps(rig: Rig, device: Device): readonly Step[] {
  const place = placeOf('device', device.id);
  if (device.insert === 'switched' && device.powerLost === 'bypass')
    return switcherSteps(rig, device, false);
  if (device.bypass === 'passive') return [passiveStep(device, place)];
  if (device.powerLost === 'bypass') return [wire(device, place, offRole(device) === 'loadedWire')];
  const side = isEngaged(rig, device) ? device.on : device.off;
  return [{ kind: 'mute', place, load: inputLoad(side) }];
}
