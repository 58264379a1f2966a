import {
  deviceOfClass,
  endOfKind,
  gearItem,
  guitarOfClass,
  leadOfClass,
  NO_QUALITIES,
  plugOfShape,
  type Device,
  type DeviceClass,
  type End,
  type EndKind,
  type GearItem,
  type Guitar,
  type Lead,
  type LeadClass,
  type PickupClass,
  type PlugJoint,
  type PlugShape,
  type Provenance,
  type Qualities,
  type Side,
  type Sourced,
} from '@gullwind/core';

/// The short ways to write an entry of the demo gear down.

const from =
  (provenance: Provenance) =>
  (value: number): Sourced => ({ value, from: provenance });
export const sheet = from('sheet');
/** On the workshop’s own meter. */
export const measured = (value: number): Sourced => ({
  value,
  from: 'measured',
  on: '2026-09-14',
  by: 'bench LCR meter, 1 kHz',
});
export const entered = from('entered');

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
  return gearItem(id, 'device', changed, note);
}

export function lead(
  id: string,
  leadClass: LeadClass,
  lengthM: number,
  name: string,
  note: string,
  changes: Partial<Lead> = {},
  qualities: Partial<Qualities> = {},
): GearItem {
  const thing: Lead = { ...leadOfClass(leadClass, 'l1', entered(lengthM), name), ...changes };
  return { ...gearItem(id, 'lead', thing, note), qualities: { ...NO_QUALITIES, ...qualities } };
}

export function end(
  id: string,
  kind: EndKind,
  name: string,
  note: string,
  changes: Partial<End> = {},
): GearItem {
  return gearItem(id, 'end', { ...endOfKind(kind, name), ...changes }, note);
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
