import type { Load } from '../circuit';
import { conductorM, type Device, type Cable, type Side } from '../gear';
import { hasSwitch, isEngaged, loopSwitch, remember, type Chain, type Row } from '../rig';
import {
  bypassElements,
  inputLoad,
  cableElements,
  offRole,
  potElements,
  sideSource,
  wiperFraction,
} from './elements';
import { spotOf, type MuteReason, type Spot, type Step } from './step';

/** The cables and devices of a row, from its first cable to the one that arrives at its end. */
export function rowSteps(rig: Chain, row: Row, fromDevice = 0): readonly Step[] {
  const steps: Step[] = fromDevice === 0 ? [cableStep(row, 0)] : [];
  for (let i = fromDevice; i < row.devices.length; i++)
    steps.push(...deviceSteps(rig, row.devices[i]!), cableStep(row, i + 1));
  return steps;
}

function cableStep(row: Row, connection: number): Step {
  const cable = row.cables[connection]!;
  return cable
    ? cableAsStep(cable)
    : { kind: 'gap', spot: spotOf('cable', row.id, 'whole', connection) };
}

export const cableAsStep = remember((cable: Cable): Extract<Step, { kind: 'wire' }> => ({
  kind: 'wire',
  spot: spotOf('cable', cable.id),
  elements: cableElements(cable),
  cableM: conductorM(cable),
}));

function deviceSteps(rig: Chain, device: Device): readonly Step[] {
  if (rig.state.unpowered.includes(device.id)) return withSideJack(device, darkSteps(rig, device));
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

const wire = (device: Device, spot: Spot, hardwired = false): Step => ({
  kind: 'wire',
  spot,
  elements: bypassElements(device, hardwired),
  cableM: 0,
});

function driver(device: Device, engaged: boolean, part: Spot['part'] = 'whole'): Step {
  const side: Side = engaged ? device.on : device.off;
  // The gain of a device with a send and return is that of its last stage.
  const out = part === 'front' ? { ...side, gainDb: { ...side.gainDb, value: 0 } } : side;
  return {
    kind: 'driver',
    spot: spotOf('device', device.id, part),
    engaged,
    load: inputLoad(side),
    source: sideSource(out),
  };
}

/** What is plugged into a device's own send and return. */
type OwnLoop = () => readonly Step[];

function poweredSteps(device: Device, loop: OwnLoop): readonly Step[] {
  if (device.bypass === 'passive') return [passiveStep(device, spotOf('device', device.id))];
  const on = engagedSteps(device, loop);
  if (!hasSwitch(device)) return on;
  return [{ kind: 'choice', switchId: device.id, on, off: offSteps(device, loop) }];
}

function engagedSteps(device: Device, loop: OwnLoop): readonly Step[] {
  if (device.mutes) return [mute(device, inputLoad(device.on), 'engaged')];
  return [...simulatorSteps(device), ...aroundLoop(device, true, loop)];
}

/** What stands for a pickup ahead of its input. */
function simulatorSteps({ id, pickupSimulator }: Device): readonly Step[] {
  if (!pickupSimulator) return [];
  const spot = spotOf('device', id, 'pickupSimulator');
  const coil = {
    kind: 'coil',
    rOhm: pickupSimulator.rOhm.value,
    lH: pickupSimulator.lH.value,
  } as const;
  return [{ kind: 'wire', spot, elements: [coil], cableM: 0 }];
}

function offSteps(device: Device, loop: OwnLoop): readonly Step[] {
  const role = offRole(device);
  if (role === 'driver') return aroundLoop(device, false, loop);
  return [wire(device, spotOf('device', device.id), role === 'hardwiredWire')];
}

/** A driving device; with a send and return of its own, what is plugged in there stands between two drivers. */
function aroundLoop(device: Device, engaged: boolean, loop: OwnLoop): readonly Step[] {
  if (device.insert !== 'own') return [driver(device, engaged)];
  return [driver(device, engaged, 'front'), ...loop(), driver(device, engaged, 'back')];
}

function loopSteps(rig: Chain, device: Device, loop: number): readonly Step[] {
  const row = rig.electrical.rows.find(
    ({ at }) => at.kind === 'loop' && at.device === device.id && at.loop === loop,
  );
  if (row) return rowSteps(rig, row);
  return [{ kind: 'gap', spot: spotOf('device', device.id, 'openLoop', loop) }];
}

function passiveStep(device: Device, spot: Spot): Step {
  const { pot } = device;
  if (!pot) return wire(device, spot);
  // At its heel the wiper stands on ground: what is left for the line is the whole track.
  if (wiperFraction(pot) <= 0)
    return mute(device, { rOhm: pot.potOhm.value, cF: 0, grid: null }, 'closed');
  const elements = [...potElements(pot), ...bypassElements(device, false)];
  return { kind: 'wire', spot, elements, cableM: 0 };
}

const mute = (device: Device, load: Load, why: MuteReason): Step => ({
  kind: 'mute',
  spot: spotOf('device', device.id),
  load,
  why,
});

/** A switcher: each loop closed is send cable, sub-path, return cable; open, its contacts and strays. */
function switcherSteps(rig: Chain, device: Device, powered: boolean): readonly Step[] {
  const loops = Array.from({ length: device.loops }, (_, k): Step => {
    const open = wire(device, spotOf('device', device.id, 'openLoop', k));
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
      : { kind: 'wire', spot: spotOf('device', device.id, part), elements: [], cableM: 0 };
  return [buffer(device.bufferIn, 'front'), ...loops, buffer(device.bufferOut, 'back')];
}

/** What is left of a device when its supply has failed. */
function darkSteps(rig: Chain, device: Device): readonly Step[] {
  const spot = spotOf('device', device.id);
  const isSwitcher = device.insert === 'switched';
  if (isSwitcher && device.powerLost === 'bypass') return switcherSteps(rig, device, false);
  if (!isSwitcher && device.bypass === 'passive') return [passiveStep(device, spot)];
  if (device.powerLost === 'bypass')
    return [wire(device, spot, offRole(device) === 'hardwiredWire')];
  const side = isEngaged(rig, device) ? device.on : device.off;
  return [mute(device, inputLoad(side), 'unpowered')];
}
