import isEqual from 'fast-deep-equal';
import type { Device, Destination, Guitar, Cable, RigItem, RigKind } from '../gear';
import { allDevices, allCables, reshapeDevice, type Edit, type Rig } from '../rig';

/** A part of a rig that was taken from the gear list. */
export interface GearUse {
  readonly kind: RigKind;
  /** Of the part. */
  readonly id: string;
  readonly gear: string;
}

/** Which entries of the gear list a rig was built from. */
export function usesOfGear(rig: Rig): readonly GearUse[] {
  const of = (kind: RigKind, parts: readonly { id: string; gear?: string }[]) =>
    parts.flatMap(({ id, gear }) => (gear === undefined ? [] : [{ kind, id, gear }]));
  return [
    ...of('guitar', rig.electrical.guitars),
    ...of('device', allDevices(rig)),
    ...of('cable', allCables(rig)),
    ...of('destination', rig.electrical.destinations),
  ];
}

/**
 * Brings what a rig took from an entry of the gear list up to what the entry says now. How it is set and
 * laid in the rig stays: a guitar's controls, a cable's length, a pedal's choice of bypass and jacks in use.
 */
export function refreshFromGear(rig: Rig, item: RigItem): Edit {
  const edits = usesOfGear(rig)
    .filter(({ gear, kind }) => gear === item.id && kind === item.kind)
    .flatMap(({ id }) => refreshPart(rig, id, item) ?? []);
  return { kind: 'group', edits };
}

/** Null where it is up to date. */
function refreshPart(rig: Rig, id: string, item: RigItem): Edit | null {
  const shared = { id, gear: item.id };
  switch (item.kind) {
    case 'guitar': {
      const now = rig.electrical.guitars.find((guitar) => guitar.id === id)!;
      const to: Guitar = { ...withSettings(item.thing, now), ...shared };
      return isEqual(to, now) ? null : { kind: 'replace', part: { of: 'guitar', to } };
    }
    case 'cable': {
      const now = allCables(rig).find((cable) => cable.id === id)!;
      const to: Cable = { ...item.thing, ...shared, lengthM: now.lengthM, added: now.added };
      return isEqual(to, now) ? null : { kind: 'replace', part: { of: 'cable', to } };
    }
    case 'destination': {
      const now = rig.electrical.destinations.find((destination) => destination.id === id)!;
      const to: Destination = { ...item.thing, ...shared };
      return isEqual(to, now) ? null : { kind: 'replace', part: { of: 'destination', to } };
    }
    case 'device': {
      const now = allDevices(rig).find((device) => device.id === id)!;
      const to: Device = { ...withPot(item.thing, now), ...shared };
      return isEqual(to, now) ? null : reshapeDevice(rig, to);
    }
  }
}

const withPot = (thing: Device, { pot, bypassChoice }: Device): Device => ({
  ...thing,
  bypassChoice,
  pot: thing.pot && { ...thing.pot, travel: pot?.travel ?? thing.pot.travel },
});

function withSettings(thing: Guitar, now: Guitar): Guitar {
  const set = <T extends Pick<Guitar, 'volume' | 'tone'>>(to: T, from: T | null): T => ({
    ...to,
    volume: { ...to.volume, travel: (from ?? to).volume.travel },
    tone: { ...to.tone, travel: (from ?? to).tone.travel },
  });
  const second = thing.second && set(thing.second, now.second);
  return { ...set(thing, now), second, pickupSwitch: now.pickupSwitch };
}
