import {
  DEVICE_CLASSES,
  DESTINATION_KINDS,
  CABLE_CLASSES,
  PICKUP_CLASSES,
  PLUG_SHAPES,
  type GearItem,
  type GearKind,
} from '@gullwind/core';

/// What the gear list calls things.

export const KIND_WORDS: Readonly<Record<GearKind, { one: string; many: string }>> = {
  guitar: { one: 'guitar', many: 'Guitars' },
  device: { one: 'pedal or box', many: 'Pedals and boxes' },
  cable: { one: 'cable', many: 'Cables and reels' },
  destination: { one: 'amp, DI or input', many: 'Amps, DIs, inputs' },
  plug: { one: 'plug', many: 'Plugs' },
  supply: { one: 'supply', many: 'Supplies' },
  board: { one: 'board', many: 'Boards' },
};

/** Its class in a few words. */
export function sayClass(item: GearItem): string {
  switch (item.kind) {
    case 'guitar':
      return item.thing.kind === 'magnetic'
        ? PICKUP_CLASSES[item.thing.pickupClass].label
        : item.thing.kind;
    case 'device':
      return DEVICE_CLASSES[item.thing.deviceClass].label;
    case 'cable':
      return `${CABLE_CLASSES[item.thing.cableClass].label}${item.qualities.form === 'reel' ? ', on a reel' : ''}`;
    case 'destination':
      return DESTINATION_KINDS[item.thing.kind].label;
    case 'plug':
      return `${PLUG_SHAPES[item.thing.shape].label}, ${item.thing.joint === 'soldered' ? 'soldered' : 'screwed on'}`;
    case 'supply':
      return `${item.thing.outlets.value} × ${item.thing.outletV.value} V`;
    case 'board':
      return 'board';
  }
}
