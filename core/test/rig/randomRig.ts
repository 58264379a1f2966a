import fc from 'fast-check';
import {
  DEVICE_CLASSES,
  deviceOfClass,
  entered,
  LEAD_CLASSES,
  leadOfClass,
  type BypassKind,
  type DeviceClass,
  type LeadClass,
} from '../../src/gear';
import {
  CHOICE_RULES,
  FIELD_RULES,
  freshId,
  insertBuffer,
  newRig,
  removeDevice,
  stampDevice,
  type Edit,
  type PartKind,
  type Rig,
  type Target,
} from '../../src/rig';

/// Random rigs and random edits of them, valid and not.

const deviceClasses = Object.keys(DEVICE_CLASSES) as DeviceClass[];
const leadClasses = Object.keys(LEAD_CLASSES) as LeadClass[];
const bypasses: readonly BypassKind[] = CHOICE_RULES.device.bypass;

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
      deviceClass: fc.constantFrom(...deviceClasses.filter((name) => name !== 'tuner')),
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
    return {
      ...rig,
      devices: row.map(({ deviceClass, bypass }, i) => ({
        ...deviceOfClass(deviceClass, `d${i + 1}`),
        bypass,
      })),
      leads: [rig.leads[0]!, ...leads],
      positions: Object.fromEntries(row.flatMap(({ on }, i) => (on ? [[`d${i + 1}`, true]] : []))),
    };
  });

/** A recipe that becomes an edit once there is a rig: a kind of change and two numbers to choose by. */
export interface Recipe {
  readonly kind: Edit['kind'] | 'insert' | 'remove';
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
    'remove',
    'splice',
  ),
  at: fc.nat(1000),
  amount: fc.double({ min: -0.2, max: 1.2, noNaN: true }),
});

const pickFrom = <T>(list: readonly T[], at: number): T => list[at % list.length]!;

export function editOf(rig: Rig, { kind, at, amount }: Recipe): Edit {
  const targets: Target[] = [
    { of: 'guitar' },
    { of: 'amp' },
    { of: 'reference' },
    ...rig.devices.map(({ id }) => ({ of: 'device', id }) as const),
    ...rig.leads.map(({ id }) => ({ of: 'lead', id }) as const),
  ];
  const target = pickFrom(targets, at);
  const device = rig.devices.length > 0 ? pickFrom(rig.devices, at) : undefined;
  const place = Math.floor(amount * rig.devices.length);
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
        part: { of: 'guitar', to: { ...rig.guitar, name: amount < 0 ? '' : `guitar ${at}` } },
      };
    case 'move':
      return { kind, from: at % (rig.devices.length + 1), to: place };
    case 'stamp':
      return device ? stampDevice(rig, device.id) : { kind, positions: { d99: true } };
    case 'insert':
      return insertBuffer(rig, at % rig.leads.length);
    case 'remove':
      return device ? removeDevice(rig, at % rig.devices.length) : { kind: 'stamp', positions: {} };
    case 'splice':
      return {
        kind,
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
