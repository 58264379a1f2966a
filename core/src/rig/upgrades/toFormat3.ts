import { each, isJson, type Json } from './json';

/// Formats 1 and 2 as format 3, in the words of format 3. The values are written out, so that they stay what they
/// were when later defaults are others.

const assumed = (value: number) => ({ value, from: 'assumed' });

const NEW_GUITAR = {
  id: 'g1',
  kind: 'magnetic',
  second: null,
  pickupSwitch: 'both',
  joint: 'parallel',
  outOfPhase: false,
  sharing: 'shared',
  potWiring: 'dependent',
  piezoF: assumed(500e-12),
  outputOhm: assumed(1e3),
};
const NEW_DEVICE = {
  pot: null,
  sideJack: 'none',
  insert: 'none',
  loops: 0,
  bufferIn: false,
  bufferOut: false,
};
const NEW_LEAD = { coil: assumed(1), addedF: assumed(470e-12), added: false };
const NEW_END = {
  id: 'e1',
  kind: 'amp',
  sendOhm: assumed(1e3),
  returnOhm: assumed(100e3),
  returnF: assumed(50e-12),
};

const NO_BRIEF = {
  uses: {},
  keepsOrder: false,
  keptDevices: [],
  keptLeads: [],
  noSoldering: false,
  nothingBought: false,
  mostMoney: null,
  mostBoxes: null,
  reach: {},
  uncounted: [],
  weights: null,
};

function newOfDevice({ bypass }: Json): Json {
  const isBypass = bypass === 'true' || bypass === 'loaded' || bypass === 'switchable';
  return { ...NEW_DEVICE, powerLost: isBypass ? 'bypass' : 'silence' };
}

/** A thing of the gear list as format 1 kept it; a newer one comes back as it is. */
export function thingToFormat3(kind: string, thing: unknown): unknown {
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

/** Format 2 lacks the brief. */
export const fromFormat2 = (value: Json): Json => ({
  ...withBrief(value),
  pins: each(value.pins, (pin) => (isJson(pin.rig) ? { ...pin, rig: withBrief(pin.rig) } : pin)),
});

const withBrief = (value: Json): Json => ({ ...value, format: 3, brief: NO_BRIEF });

/** Format 1 was one row from one guitar to one amp. */
export function fromFormat1(value: Json): Json {
  const { format: _, guitar, devices, leads, amp, positions, ...rest } = value;
  return {
    ...rest,
    format: 3,
    guitars: [thingToFormat3('guitar', guitar)],
    rows: [
      {
        id: 'r1',
        at: { kind: 'main' },
        devices: each(devices, (device) => thingToFormat3('device', device)),
        leads: each(leads, (lead) => thingToFormat3('lead', lead)),
      },
    ],
    ends: [thingToFormat3('end', amp)],
    approach: { kind: 'clear', wantedHz: assumed(3000) },
    standing: { positions, playing: 'g1', powered: true },
    scenes: [],
    situations: [],
    links: [],
    silenced: [],
    brief: NO_BRIEF,
    pins: [],
  };
}
