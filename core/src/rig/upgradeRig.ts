import {
  deviceOfClass,
  endOfKind,
  guitarOfClass,
  leadOfClass,
  type Device,
  type End,
  type Guitar,
  type Lead,
} from '../gear';
import { NO_BRIEF } from './brief';
import { newRig } from './newRig';
import { RIG_FORMAT } from './rig';

/// Documents of earlier formats brought up to this one, before they are read. What is not an object of
/// the shape it claims is handed on as it is, for the reader to refuse in words.

type Json = Readonly<Record<string, unknown>>;

const isJson = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const each = (list: unknown, change: (thing: Json, index: number) => unknown): unknown =>
  Array.isArray(list) ? list.map((thing, i) => (isJson(thing) ? change(thing, i) : thing)) : list;

/** Fields that format 1 did not know, at the value that leaves everything as it was. */
function added<T extends object>(full: T, known: readonly (keyof T)[]): Partial<T> {
  return Object.fromEntries(
    Object.entries(full).filter(([key]) => !known.includes(key as keyof T)),
  ) as Partial<T>;
}

const GUITAR_1 = [
  'name',
  'pickupClass',
  'lH',
  'rDcOhm',
  'cWindingF',
  'rEddyOhm',
  'wiring',
  'volume',
  'tone',
  'toneF',
  'noLoad',
  'bleed',
  'bleedF',
  'bleedOhm',
] as const satisfies readonly (keyof Guitar)[];
const DEVICE_1 = [
  'id',
  'name',
  'deviceClass',
  'bypass',
  'bypassChoice',
  'on',
  'off',
  'strayF',
  'contactOhm',
  'mutes',
] as const satisfies readonly (keyof Device)[];
const LEAD_1 = [
  'id',
  'name',
  'leadClass',
  'lengthM',
  'cPerMF',
  'rPerMOhm',
  'lPerMH',
  'plugF',
] as const satisfies readonly (keyof Lead)[];
const AMP_1 = [
  'name',
  'input',
  'rInOhm',
  'stopperOhm',
  'millerF',
  'cInF',
] as const satisfies readonly (keyof End)[];

const NEW_GUITAR = added(guitarOfClass('brightSingle', ''), GUITAR_1);
const NEW_LEAD = added(leadOfClass('ordinary', '', { value: 0, from: 'assumed' }), LEAD_1);
const NEW_END = added(endOfKind('amp', ''), AMP_1);

function newOfDevice({ bypass }: Json): Partial<Device> {
  const isBypass = bypass === 'true' || bypass === 'loaded' || bypass === 'switchable';
  return {
    ...added(deviceOfClass('drive', ''), DEVICE_1),
    powerLost: isBypass ? 'bypass' : 'silence',
  };
}

/** A thing of the gear list as format 1 kept it; a newer one comes back as it is. */
export function upgradeThing(kind: string, thing: unknown): unknown {
  if (!isJson(thing)) return thing;
  switch (kind) {
    case 'guitar':
      return { ...NEW_GUITAR, ...thing };
    case 'device':
      return { ...newOfDevice(thing), ...thing };
    case 'lead':
      return { ...NEW_LEAD, ...thing };
    case 'end':
    case 'amp':
      return { ...NEW_END, ...thing };
    default:
      return thing;
  }
}

/** A rig document of any format as one of this format. */
export function upgradeRig(value: unknown): unknown {
  if (!isJson(value)) return value;
  if (value.format === 1) return fromFormat1(value);
  return value.format === 2 ? fromFormat2(value) : value;
}

/** Format 3 added the brief. */
const fromFormat2 = (value: Json): Json => ({
  ...withBrief(value),
  pins: each(value.pins, (pin) => (isJson(pin.rig) ? { ...pin, rig: withBrief(pin.rig) } : pin)),
});

const withBrief = (value: Json): Json => ({ ...value, format: RIG_FORMAT, brief: NO_BRIEF });

function fromFormat1(value: Json): Json {
  const { format: _, guitar, devices, leads, amp, positions, ...rest } = value;
  const empty = newRig('');
  return {
    ...rest,
    format: RIG_FORMAT,
    guitars: [upgradeThing('guitar', guitar)],
    rows: [
      {
        id: 'r1',
        at: { kind: 'main' },
        devices: each(devices, (device) => upgradeThing('device', device)),
        leads: each(leads, (lead) => upgradeThing('lead', lead)),
      },
    ],
    ends: [upgradeThing('end', amp)],
    approach: empty.approach,
    standing: { ...empty.standing, positions },
    scenes: [],
    situations: [],
    links: [],
    silenced: [],
    brief: NO_BRIEF,
    pins: [],
  };
}
