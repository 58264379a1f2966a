import { hang, unhang } from '../../src/power';
import fc from 'fast-check';
import {
  DEVICE_CLASSES,
  deviceOfClass,
  entered,
  guitarOfClass,
  CABLE_CLASSES,
  cableOfClass,
  destinationOfKind,
  plugOfShape,
  type BypassKind,
  type DeviceClass,
  type CableClass,
  CHOICE_RULES,
  FIELD_RULES,
  type PartKind,
} from '../../src/gear';
import {
  addAmpLoop,
  addGuitar,
  allCables,
  editBrief,
  freshId,
  goToPlace,
  keepPlace,
  plugInAtPlace,
  insertBuffer,
  insertDevice,
  newRig,
  partsOf,
  removeDevice,
  toggleSwitch,
  type Edit,
  type Placement,
  type Rig,
  type Target,
} from '../../src/rig';

import { fittingOf, layoutPartOf } from './randomLayout';
import { devicesOf, cablesOf, switchedTo, withRowOf } from './straightRow';

/// Random rigs and random edits of them, valid and not.

const deviceClasses = Object.keys(DEVICE_CLASSES) as DeviceClass[];
const cableClasses = Object.keys(CABLE_CLASSES) as CableClass[];
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
  readonly cableClass: CableClass;
  readonly lengthM: number;
}

export const randomRig: fc.Arbitrary<Rig> = fc
  .array(
    fc.record<RandomDevice>({
      deviceClass: fc.constantFrom(...deviceClasses.filter(isStraight)),
      bypass: fc.constantFrom(...bypasses),
      on: fc.boolean(),
      cableClass: fc.constantFrom(...cableClasses),
      lengthM: fc.double({ min: 0, max: 20, noNaN: true }),
    }),
    { maxLength: 8 },
  )
  .map((row) => {
    const rig = newRig('random');
    const cables = row.map(({ cableClass, lengthM }, i) =>
      cableOfClass(cableClass, `l${i + 2}`, entered(lengthM)),
    );
    const devices = row.map(({ deviceClass, bypass }, i) => ({
      ...deviceOfClass(deviceClass, `d${i + 1}`),
      bypass,
    }));
    const straight = withRowOf(rig, devices, [cablesOf(rig)[0]!, ...cables]);
    return switchedTo(
      straight,
      Object.fromEntries(row.flatMap(({ on }, i) => (on ? [[`d${i + 1}`, true]] : []))),
    );
  });

/** A recipe that becomes an edit once there is a rig: a kind of change and two numbers to choose by. */
export interface Recipe {
  readonly kind:
    | Exclude<Edit['kind'], 'list' | 'assign' | 'group' | 'place'>
    | 'insert'
    | 'insertAny'
    | 'remove'
    | 'addGuitar'
    | 'ampLoop'
    | 'pin'
    | 'link'
    | 'fitting'
    | 'plugs'
    | 'feed'
    | 'made'
    | 'stand'
    | 'layoutPart'
    | 'laying'
    | 'brief'
    | 'place';
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
    'switch',
    'insert',
    'insertAny',
    'insertAny',
    'remove',
    'splice',
    'connect',
    'addGuitar',
    'ampLoop',
    'pin',
    'restore',
    'link',
    'fitting',
    'plugs',
    'feed',
    'made',
    'stand',
    'layoutPart',
    'laying',
    'brief',
    'place',
  ),
  at: fc.nat(1000),
  amount: fc.double({ min: -0.2, max: 1.2, noNaN: true }),
});

const pickFrom = <T>(list: readonly T[], at: number): T => list[at % list.length]!;

export function editOf(rig: Rig, { kind, at, amount }: Recipe): Edit {
  const targets: Target[] = [
    { of: 'guitar', id: 'g1' },
    { of: 'destination', id: 'e1' },
    { of: 'approach' },
    { of: 'reference' },
    ...devicesOf(rig).map(({ id }) => ({ of: 'device', id }) as const),
    ...allCables(rig).map(({ id }) => ({ of: 'cable', id }) as const),
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
        part: {
          of: 'guitar',
          to: { ...rig.electrical.guitars[0]!, name: amount < 0 ? '' : `guitar ${at}` },
        },
      };
    case 'move':
      return { kind, row: 'r1', from: at % (devicesOf(rig).length + 1), to: place };
    case 'switch':
      return device ? toggleSwitch(rig, device.id) : { kind, positions: { d99: true } };
    case 'insert':
      return insertBuffer(rig, at % cablesOf(rig).length);
    case 'remove':
      return device ? removeDevice(rig, device.id) : { kind: 'switch', positions: {} };
    case 'insertAny': {
      const row = pickFrom(rig.electrical.rows, at);
      const gap = Math.floor(Math.abs(amount) * 100) % row.cables.length;
      return insertDevice(rig, gap, deviceOfClass(pickFrom(deviceClasses, at * 7), ''), row.id);
    }
    case 'connect': {
      const row = pickFrom(rig.electrical.rows, at);
      const cable = amount < 0.5 ? null : cableOfClass('coiled', freshId(rig, 'l'), entered(2));
      return { kind, row: row.id, at: at % (row.cables.length + 1), cable };
    }
    case 'addGuitar': {
      const selector = devicesOf(rig).find((d) => d.deviceClass === 'selector');
      return addGuitar(
        rig,
        guitarOfClass('hotHumbucker', `guitar ${at}`),
        selector ? 'cable' : 'shared',
      );
    }
    case 'ampLoop':
      return addAmpLoop(rig, pickFrom(rig.electrical.destinations, at).id);
    case 'pin': {
      const pin = { id: freshId(rig, 'p'), name: `pin ${at}`, rig: partsOf(rig) };
      return { kind: 'list', of: 'pins', at: 0, remove: 0, insert: [pin] };
    }
    case 'restore': {
      return { kind, rig: rig.pins[0]?.rig ?? partsOf(rig) };
    }
    case 'link':
      return { kind: 'assign', field: 'links', to: [['d1', `d${at}`]] };
    case 'fitting':
      return fittingOf(rig, at);
    case 'plugs': {
      const { id: _, ...plug } = plugOfShape('angled', `plug ${at}`);
      const end = { jack: null, plug: amount < 0 ? { ...plug, name: '' } : plug, leaves: null };
      const id = pickFrom(allCables(rig), at)?.id ?? 'l1';
      return {
        kind: 'assign',
        field: 'ends',
        to: { ...rig.layout.ends, [id]: { from: end, to: end } },
      };
    }
    case 'feed': {
      const supply = rig.power.supplies[0]?.id ?? 'u99';
      const consumer = device?.id ?? 'd99';
      const outlet = Math.floor(amount * 40);
      const after =
        at % 3 === 0 ? (devicesOf(rig)[at % Math.max(1, devicesOf(rig).length)]?.id ?? null) : null;
      const to = { supply, outlet, after };
      return (
        (at % 7 === 0 ? unhang(rig, consumer) : hang(rig, consumer, to)) ?? {
          kind: 'assign',
          field: 'apart',
          to: [consumer],
        }
      );
    }
    case 'stand': {
      const board = rig.layout.boards[0]?.id ?? 'b99';
      const turn = pickFrom([0, 90, 180, 270] as const, at);
      const onDeck = { at: 'deck', board, xM: amount * 5.5, yM: 0, turn } as const;
      const all: readonly (Placement | null)[] = [
        { ...onDeck, riserM: 0, isUnder: at % 5 === 0 },
        { at: 'beside', where: 'rack', lengthM: amount * 100 },
        { at: 'stage', xM: amount, yM: 1 },
        null,
      ];
      return { kind: 'place', id: device?.id ?? board, to: pickFrom(all, at) };
    }
    case 'layoutPart':
      return layoutPartOf(rig, at, amount);
    case 'laying': {
      const [field, rule] = pickFrom(Object.entries(FIELD_RULES.laying), at);
      const to = entered(rule.min + amount * (rule.max - rule.min));
      return amount < 0.2
        ? { kind: 'choose', target: { of: 'laying' }, field: 'manner', to: 'direct' }
        : { kind: 'set', target: { of: 'laying' }, field, to };
    }
    case 'made':
      return at % 2 === 0
        ? { kind: 'assign', field: 'ways', to: { ...rig.build.ways, spares: 'twice' } }
        : {
            kind: 'assign',
            field: 'parts',
            to: [{ key: `plug ${at}`, owned: at, ordered: 1, arrived: 0, buyer: '' }],
          };
    case 'brief':
      return editBrief(rig, {
        deadline: amount < 0 ? 'soon' : '2027-02-28',
        hoursADay: amount * 24,
      });
    case 'place': {
      const known = rig.electrical.places;
      if (known.length > 0 && amount < 0.5) return goToPlace(rig, pickFrom(known, at));
      if (known.length === 0 || amount < 0.8) return keepPlace(rig, `place ${at}`);
      return plugInAtPlace(rig, pickFrom(known, at).id, {
        destination: destinationOfKind('amp', `hired ${at}`),
      });
    }
    case 'splice':
      return {
        kind,
        row: 'r1',
        at: place,
        remove: at % 3,
        positions: {},
        devices: [deviceOfClass('delay', freshId(rig, 'd'))],
        cables: [0, 1].map((k) => cableOfClass('low', freshId(rig, 'l', k), entered(k))),
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
