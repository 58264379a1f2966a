import fc from 'fast-check';
import {
  DEVICE_CLASSES,
  deviceOfClass,
  entered,
  guitarOfClass,
  LEAD_CLASSES,
  leadOfClass,
  type BypassKind,
  type DeviceClass,
  type LeadClass,
} from '../../src/gear';
import {
  addAmpLoop,
  addGuitar,
  allLeads,
  CHOICE_RULES,
  FIELD_RULES,
  freshId,
  insertBuffer,
  insertDevice,
  newRig,
  removeDevice,
  stampSwitch,
  type Edit,
  type PartKind,
  type Rig,
  type Target,
} from '../../src/rig';

import { devicesOf, leadsOf, stand, withRowOf } from './straightRow';

/// Random rigs and random edits of them, valid and not.

const deviceClasses = Object.keys(DEVICE_CLASSES) as DeviceClass[];
const leadClasses = Object.keys(LEAD_CLASSES) as LeadClass[];
const bypasses: readonly BypassKind[] = CHOICE_RULES.device.bypass;

/** A box of one input and one output that lets the signal through. */
const isStraight = (name: DeviceClass): boolean => {
  const { mutes, sideJack, loops, bypass } = DEVICE_CLASSES[name];
  return !mutes && sideJack === 'none' && loops === 0 && bypass !== 'passive';
};

interface RandomDevice {
  readonly deviceClass: DeviceClass;
  readonly bypass: BypassKind;
  readonly on: boolean;
  readonly leadClass: LeadClass;
  readonly lengthM: number;
}

export const randomRig: fc.Arbitrary<Rig> = fc
  .array(
    fc.record<RandomDevice>({
      deviceClass: fc.constantFrom(...deviceClasses.filter(isStraight)),
      bypass: fc.constantFrom(...bypasses),
      on: fc.boolean(),
      leadClass: fc.constantFrom(...leadClasses),
      lengthM: fc.double({ min: 0, max: 20, noNaN: true }),
    }),
    { maxLength: 8 },
  )
  .map((row) => {
    const rig = newRig('random');
    const leads = row.map(({ leadClass, lengthM }, i) =>
      leadOfClass(leadClass, `l${i + 2}`, entered(lengthM)),
    );
    const devices = row.map(({ deviceClass, bypass }, i) => ({
      ...deviceOfClass(deviceClass, `d${i + 1}`),
      bypass,
    }));
    const straight = withRowOf(rig, devices, [leadsOf(rig)[0]!, ...leads]);
    return stand(
      straight,
      Object.fromEntries(row.flatMap(({ on }, i) => (on ? [[`d${i + 1}`, true]] : []))),
    );
  });

/** A recipe that becomes an edit once there is a rig: a kind of change and two numbers to choose by. */
export interface Recipe {
  readonly kind:
    | Exclude<Edit['kind'], 'list' | 'assign' | 'group'>
    | 'insert'
    | 'insertAny'
    | 'remove'
    | 'addGuitar'
    | 'ampLoop'
    | 'pin'
    | 'link';
  readonly at: number;
  readonly amount: number;
}

export const recipe: fc.Arbitrary<Recipe> = fc.record({
  kind: fc.constantFrom<Recipe['kind']>(
    'set',
    'choose',
    'rename',
    'describe',
    'replace',
    'move',
    'stamp',
    'insert',
    'insertAny',
    'insertAny',
    'remove',
    'splice',
    'hop',
    'addGuitar',
    'ampLoop',
    'pin',
    'restore',
    'link',
  ),
  at: fc.nat(1000),
  amount: fc.double({ min: -0.2, max: 1.2, noNaN: true }),
});

const pickFrom = <T>(list: readonly T[], at: number): T => list[at % list.length]!;

export function editOf(rig: Rig, { kind, at, amount }: Recipe): Edit {
  const targets: Target[] = [
    { of: 'guitar', id: 'g1' },
    { of: 'end', id: 'e1' },
    { of: 'approach' },
    { of: 'reference' },
    ...devicesOf(rig).map(({ id }) => ({ of: 'device', id }) as const),
    ...allLeads(rig).map(({ id }) => ({ of: 'lead', id }) as const),
  ];
  const target = pickFrom(targets, at);
  const device = devicesOf(rig).length > 0 ? pickFrom(devicesOf(rig), at) : undefined;
  const place = Math.floor(amount * devicesOf(rig).length);
  switch (kind) {
    case 'set':
      return setOf(target, at, amount);
    case 'choose':
      return chooseOf(target, at, amount);
    case 'rename':
      return {
        kind,
        target: amount < 0.5 ? { of: 'rig' } : target,
        to: amount < 0 ? ' ' : `name ${at}`,
      };
    case 'describe':
      return { kind, field: 'note', to: `note ${at}` };
    case 'replace':
      return {
        kind,
        part: { of: 'guitar', to: { ...rig.guitars[0]!, name: amount < 0 ? '' : `guitar ${at}` } },
      };
    case 'move':
      return { kind, row: 'r1', from: at % (devicesOf(rig).length + 1), to: place };
    case 'stamp':
      return device ? stampSwitch(rig, device.id) : { kind, positions: { d99: true } };
    case 'insert':
      return insertBuffer(rig, at % leadsOf(rig).length);
    case 'remove':
      return device ? removeDevice(rig, device.id) : { kind: 'stamp', positions: {} };
    case 'insertAny': {
      const row = pickFrom(rig.rows, at);
      const gap = Math.floor(Math.abs(amount) * 100) % row.leads.length;
      return insertDevice(rig, gap, deviceOfClass(pickFrom(deviceClasses, at * 7), ''), row.id);
    }
    case 'hop': {
      const row = pickFrom(rig.rows, at);
      const lead = amount < 0.5 ? null : leadOfClass('coiled', freshId(rig, 'l'), entered(2));
      return { kind, row: row.id, at: at % (row.leads.length + 1), lead };
    }
    case 'addGuitar': {
      const selector = devicesOf(rig).find((d) => d.deviceClass === 'selector');
      return addGuitar(rig, guitarOfClass('hotTwin', `guitar ${at}`), selector?.id);
    }
    case 'ampLoop':
      return addAmpLoop(rig, pickFrom(rig.ends, at).id);
    case 'pin': {
      const { pins: _, ...pinned } = rig;
      const pin = { id: freshId(rig, 'p'), name: `pin ${at}`, rig: pinned };
      return { kind: 'list', of: 'pins', at: 0, remove: 0, insert: [pin] };
    }
    case 'restore': {
      const { pins: _, ...now } = rig;
      return { kind, rig: rig.pins[0]?.rig ?? now };
    }
    case 'link':
      return { kind: 'assign', field: 'links', to: [['d1', `d${at}`]] };
    case 'splice':
      return {
        kind,
        row: 'r1',
        at: place,
        remove: at % 3,
        positions: {},
        devices: [deviceOfClass('delay', freshId(rig, 'd'))],
        leads: [1, 2].map((k) => leadOfClass('low', `l${900 + k}`, entered(k))),
      };
  }
}

function setOf(target: Target, at: number, amount: number): Edit {
  const [field, rule] = pickFrom(Object.entries(FIELD_RULES[target.of as PartKind]), at);
  return { kind: 'set', target, field, to: entered(rule.min + amount * (rule.max - rule.min)) };
}

function chooseOf(target: Target, at: number, amount: number): Edit {
  const [field, choices] = pickFrom(Object.entries(CHOICE_RULES[target.of]), at) ?? [
    'none',
    ['none'],
  ];
  return {
    kind: 'choose',
    target,
    field,
    to:
      amount < 0
        ? 'nothing like it'
        : pickFrom(choices as readonly string[], Math.floor(amount * 10)),
  };
}
