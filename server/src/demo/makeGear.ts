import {
  deviceOfClass,
  destinationOfKind,
  gearItem,
  guitarOfClass,
  cableOfClass,
  NO_QUALITIES,
  plugOfShape,
  type Device,
  type DeviceClass,
  type Destination,
  type DestinationKind,
  type GearItem,
  type Guitar,
  type Cable,
  type CableClass,
  type PickupClass,
  type PlugJoint,
  type PlugShape,
  type Qualities,
  type Side,
} from '@gullwind/core';
import { demoBody } from './demoCases';
import { entered } from './demoValues';

/// The short ways to write an entry of the demo gear down.

export function guitar(
  id: string,
  pickupClass: PickupClass,
  name: string,
  note: string,
  changes: Partial<Guitar> = {},
): GearItem {
  return gearItem(id, 'guitar', { ...guitarOfClass(pickupClass, name), ...changes }, note);
}

interface DeviceChanges extends Partial<Omit<Device, 'on' | 'off'>> {
  readonly on?: Partial<Side>;
  readonly off?: Partial<Side>;
}

export function device(
  id: string,
  deviceClass: DeviceClass,
  name: string,
  note: string,
  changes: DeviceChanges = {},
): GearItem {
  const thing = deviceOfClass(deviceClass, 'd1', name);
  const changed: Device = {
    ...thing,
    ...changes,
    on: { ...thing.on, ...changes.on },
    off: { ...thing.off, ...changes.off },
  };
  return gearItem(id, 'device', { ...changed, body: demoBody(id, changed) }, note);
}

export function cable(
  id: string,
  cableClass: CableClass,
  lengthM: number,
  name: string,
  note: string,
  changes: Partial<Cable> = {},
  qualities: Partial<Qualities> = {},
): GearItem {
  const thing: Cable = { ...cableOfClass(cableClass, 'l1', entered(lengthM), name), ...changes };
  return { ...gearItem(id, 'cable', thing, note), qualities: { ...NO_QUALITIES, ...qualities } };
}

export function destination(
  id: string,
  kind: DestinationKind,
  name: string,
  note: string,
  changes: Partial<Destination> = {},
): GearItem {
  return gearItem(id, 'destination', { ...destinationOfKind(kind, name), ...changes }, note);
}

export const plug = (
  id: string,
  shape: PlugShape,
  name: string,
  note: string,
  joint: PlugJoint,
  price: number,
): GearItem => ({
  ...gearItem(id, 'plug', { ...plugOfShape(shape, name), joint }, note),
  qualities: { ...NO_QUALITIES, price },
});
