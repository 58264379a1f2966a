import {
  NO_CONTROLS,
  type Controls,
  type CableElement,
  type Load,
  type PathElement,
  type PickupSource,
  type Source,
} from '../circuit';
import {
  conductorM,
  type Device,
  type Destination,
  type Guitar,
  type Cable,
  type Pickup,
  type Pot,
  type ReferenceCable,
  type Side,
} from '../gear';
import { remember } from '../rig';

/// Parts of a rig as elements of circuits.

/** What a device is while it is off. */
export type OffRole = 'driver' | 'wire' | 'hardwiredWire';

export function offRole(device: Device): OffRole {
  const bypass = device.bypass === 'switchable' ? device.bypassChoice : device.bypass;
  if (bypass === 'buffered') return 'driver';
  return bypass === 'hardwired' ? 'hardwiredWire' : 'wire';
}

/** The output of a driving device. */
export const sideSource = remember(({ rOutOhm, gainDb }: Side): Source => ({
  kind: 'voltage',
  rOutOhm: rOutOhm.value,
  gain: 10 ** (gainDb.value / 20),
}));

export const sendSource = remember(({ sendOhm }: Destination): Source => ({
  kind: 'voltage',
  rOutOhm: sendOhm.value,
  gain: 1,
}));

export const inputLoad = remember(({ rInOhm, cInF }: Side): Load => ({
  rOhm: rInOhm.value,
  cF: cInF.value,
  grid: null,
}));

export const destinationLoad = remember((destination: Destination): Load => {
  if (destination.input === 'plain')
    return { rOhm: destination.rInOhm.value, cF: destination.cInF.value, grid: null };
  return {
    rOhm: destination.rInOhm.value,
    cF: 0,
    grid: { stopperOhm: destination.stopperOhm.value, millerF: destination.millerF.value },
  };
});

export const returnLoad = ({ returnOhm, returnF }: Destination): Load => ({
  rOhm: returnOhm.value,
  cF: returnF.value,
  grid: null,
});

/** A bypassed device as a wire: its contacts, its strays, and its input where that stays on the line. */
export function bypassElements(device: Device, hardwired: boolean): readonly PathElement[] {
  const wire: PathElement[] = [
    { kind: 'series', rOhm: device.contactOhm.value },
    { kind: 'shunt', rOhm: null, cF: device.strayF.value },
  ];
  if (!hardwired) return wire;
  return [{ kind: 'shunt', rOhm: device.off.rInOhm.value, cF: device.off.cInF.value }, ...wire];
}

/** A passive volume between two jacks. */
export const potElements = (pot: Pot): readonly PathElement[] => [
  { kind: 'pot', rOhm: pot.potOhm.value, wiper: wiperFraction(pot) },
];

/** A cable with both its plugs, and the capacitor in one of them where it is switched in. */
export function cableElements(cable: Cable): readonly PathElement[] {
  const element: CableElement = {
    kind: 'cable',
    lengthM: conductorM(cable),
    cPerMF: cable.cPerMF.value,
    rPerMOhm: cable.rPerMOhm.value,
    lPerMH: cable.lPerMH.value,
    lossTangent: 0,
    plugsF: 2 * cable.plugF.value,
  };
  const elements: PathElement[] = [element];
  if (cable.added) elements.unshift({ kind: 'shunt', rOhm: null, cF: cable.addedF.value });
  if (cable.leakOhm !== undefined) elements.push({ kind: 'shunt', rOhm: cable.leakOhm, cF: 0 });
  return elements;
}

export function referenceElement({ lengthM, cPerMF }: ReferenceCable): PathElement {
  return {
    kind: 'cable',
    lengthM: lengthM.value,
    cPerMF: cPerMF.value,
    rPerMOhm: 0.1,
    lPerMH: 0.5e-6,
    lossTangent: 0,
    plugsF: 0,
  };
}

export const guitarSource = remember((guitar: Guitar): Source => {
  if (guitar.kind === 'piezo') return { kind: 'piezo', cF: guitar.piezoF.value };
  if (guitar.kind === 'active')
    return { kind: 'voltage', rOutOhm: guitar.outputOhm.value, gain: 1 };
  const { second, pickupSwitch } = guitar;
  const controls = controlsOf(guitar);
  if (second === null || pickupSwitch === 'first') return pickupSource(guitar, controls(guitar));
  if (pickupSwitch === 'second') {
    const own = guitar.sharing === 'individual' ? second : guitar;
    return pickupSource(second, controls(own));
  }
  const individual = guitar.sharing === 'individual';
  return {
    kind: 'pair',
    first: pickupSource(guitar, individual ? controls(guitar) : NO_CONTROLS),
    second: pickupSource(second, individual ? controls(second) : NO_CONTROLS),
    joint: guitar.joint,
    sign: guitar.outOfPhase ? -1 : 1,
    shared: individual ? NO_CONTROLS : controls(guitar),
  };
});

function pickupSource(pickup: Pickup, controls: Controls): PickupSource {
  return {
    kind: 'pickup',
    lH: pickup.lH.value,
    rDcOhm: pickup.rDcOhm.value,
    cWindingF: pickup.cWindingF.value,
    rEddyOhm: pickup.rEddyOhm.value,
    controls,
  };
}

/** The controls of a guitar with the pots of one of its pickups. */
const controlsOf =
  (guitar: Guitar) =>
  ({ volume, tone, toneF }: Pickup): Controls => ({
    wiring: guitar.wiring,
    volume: {
      potOhm: volume.potOhm.value,
      wiper: wiperFraction(volume),
      reversed: guitar.potWiring === 'independent',
    },
    tone: {
      potOhm: tone.potOhm.value,
      cF: toneF.value,
      remaining: wiperFraction(tone),
      noLoad: guitar.noLoad,
    },
    bleed: bleedOf(guitar),
  });

function bleedOf({ bleed, bleedF, bleedOhm }: Guitar): Controls['bleed'] {
  switch (bleed) {
    case 'none':
      return null;
    case 'capacitor':
      return { topology: bleed, cF: bleedF.value };
    default:
      return { topology: bleed, cF: bleedF.value, rOhm: bleedOhm.value };
  }
}

/**
 * Fraction of the track left at a pot's travel x: a = (β^x − 1)/(β − 1), β = (1/m − 1)², m what is left
 * at half travel; m = 0.5 is a linear taper, where the formula's limit is a = x.
 */
export function wiperFraction({ travel, midFraction }: Pot): number {
  const beta = (1 / midFraction.value - 1) ** 2;
  if (Math.abs(beta - 1) < 1e-9) return travel.value;
  return (beta ** travel.value - 1) / (beta - 1);
}
