import {
  assumed,
  deviceOfClass,
  endOfKind,
  gearItem,
  guitarOfClass,
  leadOfClass,
  NO_QUALITIES,
  picofarad,
  pickupOfClass,
  plugOfShape,
  typicalBoard,
  typicalSupply,
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
  type RigKind,
  type Side,
  type Sourced,
  type Things,
} from '@gullwind/core';

/// The gear of a made-up workshop that looks after the pit band of a travelling puppet opera.
/// Every maker and model here is invented.

const from =
  (provenance: Provenance) =>
  (value: number): Sourced => ({ value, from: provenance });
const sheet = from('sheet');
/** On the workshop’s own meter. */
const measured = (value: number): Sourced => ({
  value,
  from: 'measured',
  on: '2026-09-14',
  by: 'bench LCR meter, 1 kHz',
});
const entered = from('entered');

function guitar(
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

function device(
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

function lead(
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

function end(
  id: string,
  kind: EndKind,
  name: string,
  note: string,
  changes: Partial<End> = {},
): GearItem {
  return gearItem(id, 'end', { ...endOfKind(kind, name), ...changes }, note);
}

const GUITARS: readonly GearItem[] = [
  guitar(
    'pit-teal',
    'brightSingle',
    'Teal pit guitar',
    'The pit guitarist’s own; coils measured on the bench.',
    {
      lH: measured(2.25),
      rDcOhm: measured(5920),
      cWindingF: measured(picofarad(118)),
    },
  ),
  guitar(
    'storm-baritone',
    'wideSingle',
    'Storm baritone',
    'Long scale, wide coils; comes out for the storm scene.',
    { rDcOhm: measured(8140) },
  ),
  guitar(
    'tavern-bass',
    'bassSingle',
    'Tavern bass',
    'Plays the tavern and the sea; flat strings.',
    {
      lH: sheet(3.4),
      rDcOhm: measured(7580),
    },
  ),
  guitar('spare-twin', 'coveredTwin', 'Covered spare', 'Travels in the costume trunk.'),
  guitar('loud-twin', 'hotTwin', 'Dragon guitar', 'For the dragon. Loud and dark on purpose.'),
  guitar(
    'workshop-plank',
    'woundUpSingle',
    'Workshop plank',
    'A bolt-together test guitar; carries a treble bleed.',
    {
      bleed: 'parallel',
      bleedF: measured(picofarad(1000)),
      bleedOhm: measured(150e3),
    },
  ),
  guitar(
    'chorister',
    'coveredTwin',
    'Chorister',
    'Two covered twins with a volume and tone each; plays the angels.',
    {
      second: pickupOfClass('coveredTwin'),
      sharing: 'individual',
      rDcOhm: measured(7690),
    },
  ),
  guitar('tavern-ukulele', 'brightSingle', 'Tavern ukulele', 'Piezo under the saddle, no preamp.', {
    kind: 'piezo',
    piezoF: measured(picofarad(640)),
  }),
  guitar('mermaid', 'hotTwin', 'Mermaid', 'Active pickups; a battery in the tail.', {
    kind: 'active',
    outputOhm: sheet(2500),
  }),
];

const DEVICES: readonly GearItem[] = [
  device('plumb-line', 'tuner', 'Plumb Line', 'Tuner on a true bypass; silent while it tunes.'),
  device('plumb-line-b', 'tuner', 'Plumb Line II', 'The later one, buffered when off.', {
    bypass: 'buffered',
    off: { rInOhm: sheet(1e6), rOutOhm: sheet(1000) },
  }),
  device('wee-ferry', 'buffer', 'Wee Ferry', 'A plain good buffer in a tin.', {
    on: { rInOhm: measured(1.02e6), rOutOhm: measured(148) },
  }),
  device('old-sluice', 'buffer', 'Old Sluice', 'An early buffer; draws a lot and gives little.', {
    on: {
      rInOhm: measured(220e3),
      cInF: measured(picofarad(100)),
      rOutOhm: measured(4700),
      gainDb: measured(-0.8),
    },
  }),
  device('kelp-stage', 'preamp', 'Kelp Stage', 'Preamp that stays on.', {
    on: { rOutOhm: sheet(600) },
  }),
  device('ballast', 'compressor', 'Ballast', 'Squeezes gently.', {
    on: { rInOhm: sheet(470e3), rOutOhm: sheet(10e3) },
  }),
  device('mudlark', 'wah', 'Mudlark', 'Old pedal wah; its input never leaves the line.', {
    on: { rInOhm: measured(72e3) },
    off: { rInOhm: measured(72e3) },
  }),
  device(
    'mudlark-t',
    'wah',
    'Mudlark, rewired',
    'The same with a true bypass fitted in the workshop.',
    { bypass: 'true' },
  ),
  device(
    'cinder',
    'lowImpedanceFuzz',
    'Cinder Pot',
    'Two-transistor fuzz; wants the pickup itself.',
    { on: { rInOhm: measured(8200) } },
  ),
  device('brine', 'fuzz', 'Brine', 'Thick fuzz with an ordinary input.', {
    on: { rInOhm: sheet(100e3), rOutOhm: sheet(50e3) },
  }),
  device('heave', 'boost', 'Heave', 'Clean push.', {
    on: { rOutOhm: sheet(1000), gainDb: entered(6) },
  }),
  device('gristle', 'drive', 'Gristle', 'Middling drive.', { on: { rOutOhm: sheet(10e3) } }),
  device('rope-burn', 'drive', 'Rope Burn', 'Harder drive.'),
  device('soft-lantern', 'drive', 'Soft Lantern', 'Barely there; user picks its bypass.', {
    bypass: 'switchable',
    on: { rInOhm: sheet(1e6), rOutOhm: sheet(1000) },
  }),
  device('seven-weirs', 'equaliser', 'Seven Weirs', 'Seven bands.'),
  device('low-tide', 'octave', 'Low Tide', 'An octave down.'),
  device('lock-gate', 'gate', 'Lock Gate', 'Keeps the pit quiet between numbers.'),
  device('eddy', 'modulation', 'Eddy', 'Chorus; buffered when off.', {
    bypass: 'buffered',
    on: { rInOhm: sheet(500e3) },
    off: { rInOhm: sheet(500e3) },
  }),
  device('swell', 'modulation', 'Swell', 'Tremolo.', { on: { rOutOhm: sheet(2000) } }),
  device('slow-wheel', 'modulation', 'Slow Wheel', 'Turning speaker, small.'),
  device('far-bank', 'delay', 'Far Bank', 'Delay; true bypass, so its tails are cut.', {
    bypass: 'true',
    on: { rOutOhm: sheet(500) },
  }),
  device('echo-weir', 'delay', 'Echo Weir', 'Delay with tails.', {
    off: { rInOhm: sheet(1e6), rOutOhm: sheet(220), gainDb: sheet(0) },
  }),
  device('undercroft', 'reverb', 'Undercroft', 'Reverb of a large cellar.', {
    bypass: 'true',
    on: { rOutOhm: sheet(500) },
  }),
  device('nave', 'reverb', 'Nave', 'Reverb with tails.'),
  device('treadle', 'poweredVolume', 'Treadle', 'Powered volume pedal.', {
    on: { rInOhm: sheet(1e6), rOutOhm: sheet(500) },
  }),
  device('millrace', 'passiveVolume', 'Millrace', 'Passive volume with a tuner jack.'),
  device(
    'cross-wind',
    'wireless',
    'Cross Wind',
    'Transmitter on the strap, receiver on the board.',
    {
      on: { rOutOhm: sheet(1000), rInOhm: sheet(1e6) },
    },
  ),
  device('side-rill', 'tap', 'Side Rill', 'A box with a jack for the tuner.'),
  device('fork', 'passiveSplitter', 'Fork', 'Two jacks in parallel, nothing else.'),
  device('delta', 'bufferedSplitter', 'Delta', 'Two outputs, each with a buffer of its own.'),
  device('points', 'selector', 'Points', 'Two guitars in, one of them out.'),
  device('four-locks', 'switcher', 'Four Locks', 'Four loops on relays.'),
  device('eight-locks', 'switcher', 'Eight Locks', 'Eight loops, buffered at both ends.', {
    loops: 8,
    bufferIn: true,
    bufferOut: true,
  }),
  device('lock-gate-four', 'gate', 'Lock Gate Four', 'A gate with a send and return.', {
    insert: 'own',
    loops: 1,
  }),
  device('deep-ferry', 'buffer', 'Deep Ferry', 'A buffer that a piezo can live with.', {
    on: { rInOhm: sheet(10e6), cInF: sheet(picofarad(10)) },
  }),
];

const LEADS: readonly GearItem[] = [
  lead(
    'stage-3',
    'ordinary',
    3,
    'Short stage lead',
    'The one everything is compared with.',
    {
      cPerMF: measured(picofarad(101)),
    },
    { form: 'madeUp', stiffness: 'medium', ruggedness: 'sturdy', shield: 'braid', price: 24 },
  ),
  lead(
    'stage-6',
    'ordinary',
    6,
    'Stage lead',
    'Six metres of the workshop’s usual reel.',
    {
      cPerMF: measured(picofarad(112)),
    },
    { form: 'madeUp', stiffness: 'medium', ruggedness: 'roadworthy', shield: 'braid', price: 31 },
  ),
  lead(
    'slim-6',
    'veryLow',
    6,
    'Slim low lead',
    'Foamed core; mind the bends.',
    {
      cPerMF: sheet(picofarad(60)),
    },
    { form: 'madeUp', stiffness: 'stiff', ruggedness: 'delicate', shield: 'spiral', price: 48 },
  ),
  lead('low-9', 'low', 9, 'Low lead', 'Nine metres, low capacitance.'),
  lead('pit-18', 'ordinary', 18, 'Pit lead', 'From the pit to under the stage.'),
  lead('old-rubber', 'high', 5, 'Old rubber', 'Found in the truck; soft and dark.', {
    cPerMF: measured(picofarad(171)),
  }),
  lead('curl', 'coiled', 1.5, 'Curl', 'A coiled lead, a metre and a half at rest.'),
  lead('dusk', 'low', 6, 'Dusk lead', 'A switch in the plug adds a capacitor.', {
    addedF: measured(picofarad(680)),
  }),
];

const REELS: readonly GearItem[] = [
  lead(
    'reel-quay',
    'ordinary',
    100,
    'Quay reel',
    'The usual reel; soft enough for a pit.',
    {
      cPerMF: measured(picofarad(112)),
      plugF: assumed(0),
    },
    {
      form: 'reel',
      stiffness: 'medium',
      ruggedness: 'roadworthy',
      shield: 'braid',
      price: 2.4,
      supplier: 'Quay Wire, by the 100 m',
    },
  ),
  lead(
    'reel-thin',
    'low',
    50,
    'Thin reel',
    'For patches; bends round a thumb.',
    {
      cPerMF: sheet(picofarad(88)),
      plugF: assumed(0),
    },
    {
      form: 'reel',
      stiffness: 'soft',
      ruggedness: 'sturdy',
      shield: 'spiral',
      price: 1.9,
      supplier: 'Quay Wire, by the 50 m',
    },
  ),
];

const plug = (
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

const FITTINGS: readonly GearItem[] = [
  plug(
    'bollard',
    'straight',
    'Bollard',
    'Straight, for leads that are trodden on.',
    'soldered',
    4.5,
  ),
  plug(
    'dogleg',
    'angled',
    'Dogleg',
    'Angled, for pedals with jacks at their sides.',
    'soldered',
    5,
  ),
  plug('flounder', 'pancake', 'Flounder', 'Flat, where two pedals stand close.', 'soldered', 5.5),
  plug(
    'quickscrew',
    'angled',
    'Quickscrew',
    'Screwed on, no iron; check it before every run.',
    'screwOn',
    6,
  ),
  gearItem(
    'tide-six',
    'supply',
    { ...typicalSupply('Tide Six'), outletA: sheet(0.1) },
    'Six outlets, each by itself.',
  ),
  gearItem(
    'tide-strong',
    'supply',
    { ...typicalSupply('Tide Strong'), outlets: sheet(2), outletA: sheet(0.5) },
    'Two outlets for digital pedals.',
  ),
  gearItem(
    'raft',
    'board',
    { ...typicalBoard('Raft'), widthM: measured(0.62), depthM: measured(0.32) },
    'Five rows, for a pit.',
  ),
];

const ENDS: readonly GearItem[] = [
  end('under-stage', 'amp', 'Under-stage amp', 'Stands in a wooden box below the trapdoor.'),
  end('under-stage-low', 'amp', 'Under-stage amp, low input', 'The padded input.', {
    input: 'plain',
    rInOhm: sheet(68e3),
    cInF: sheet(picofarad(100)),
  }),
  end('tavern-amp', 'amp', 'Tavern amp', 'Solid-state bass amp.', {
    input: 'plain',
    rInOhm: sheet(1e6),
    cInF: sheet(picofarad(47)),
  }),
  end('truck-combo', 'amp', 'Truck combo', 'Small, loud, travels in the truck.', {
    stopperOhm: sheet(68e3),
    millerF: sheet(picofarad(120)),
  }),
  end('box-office', 'activeDi', 'Box office', 'Active DI on phantom power.'),
  end('old-iron', 'passiveDi', 'Old Iron', 'Transformer DI; likes an active source.'),
  end('house-desk', 'mixer', 'House desk', 'Line input of the mixer.'),
  end('stall-tuner', 'tuner', 'Stall tuner', 'Clips to the music stand.'),
];

export const DEMO_GEAR: readonly GearItem[] = [
  ...GUITARS,
  ...DEVICES,
  ...LEADS,
  ...REELS,
  ...ENDS,
  ...FITTINGS,
];

/** A thing of the list by its id, for building the demo rigs. */
export function demoThing<K extends RigKind>(kind: K, id: string): Things[K] {
  const item = DEMO_GEAR.find((candidate) => candidate.kind === kind && candidate.id === id);
  if (!item) throw new Error(`the demo gear has no ${kind} “${id}”`);
  return { ...item.thing, gear: id } as Things[K];
}
