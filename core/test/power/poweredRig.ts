import {
  deviceOfClass,
  entered,
  supplyOfClass,
  typicalBody,
  type Body,
  type DeviceClass,
  type Supply,
} from '../../src/gear';
import {
  applyEdits,
  insertDevice,
  newRig,
  type Edit,
  type PowerFeed,
  type Rig,
} from '../../src/rig';
import { addSupply, faultsOf, hang, sayPowerFault, type Hanging } from '../../src/power';

/// Rigs that are fed, in few words.

export interface Thing extends Partial<Body> {
  readonly of?: DeviceClass;
  /** V, up to V, A. */
  readonly wants?: readonly [volts: number, mostVolts: number, amps: number];
}

/** A chain of pedals d1, d2 … that want this. */
export function rigOf(things: readonly Thing[], supplies: readonly Supply[] = []): Rig {
  let rig = newRig('fed');
  for (const [i, { of = 'drive', wants = [9, 9, 0.01], ...more }] of things.entries()) {
    const device = deviceOfClass(of, '', `Pedal ${i + 1}`);
    const body: Body = {
      ...typicalBody(device),
      polarity: 'centreNegative',
      supplyV: entered(wants[0]),
      supplyMaxV: entered(wants[1]),
      supplyA: entered(wants[2]),
      idleA: entered(wants[2] / 2),
      ...more,
    };
    rig = applyEdits(rig, insertDevice(rig, i, { ...device, body }));
  }
  return supplies.reduce((now, supply) => applyEdits(now, addSupply(now, supply)), rig);
}

/** Each thing hung where it is told, in this order. */
export const hung = (rig: Rig, ...hangings: readonly (readonly [string, Hanging])[]): Rig =>
  hangings.reduce((now, [id, to]) => applyEdits(now, hang(now, id, to)!), rig);

export const withPower = (rig: Rig, power: Partial<Rig['power']>): Rig => ({
  ...rig,
  power: { ...rig.power, ...power },
});

export const withFeeds = (rig: Rig, feeds: readonly PowerFeed[]): Rig => withPower(rig, { feeds });

export const made = (rig: Rig, edit: Edit | null): Rig => applyEdits(rig, edit!);

export const brick = (...groups: Supply['groups']): Supply => ({
  ...supplyOfClass('brick', 'Brick'),
  groups,
});

/** What is wrong, in words. */
export const says = (rig: Rig): readonly string[] =>
  faultsOf(rig).map((fault) => sayPowerFault(rig, fault).replaceAll('\u00a0', ' '));
