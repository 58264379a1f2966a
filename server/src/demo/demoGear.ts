import {
  assumed,
  picofarad,
  pickupOfClass,
  type GearItem,
  type RigKind,
  type Things,
} from '@gullwind/core';
import { DEMO_DEVICES } from './demoDevices';
import { DEMO_FITTINGS } from './demoFittings';
import { sheet, measured } from './demoValues';
import { guitar, cable, destination } from './makeGear';

/// The gear of a made-up workshop that looks after the pit band of a travelling puppet opera.
/// Every maker and model here is invented.

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
  guitar('spare-twin', 'coveredHumbucker', 'Covered spare', 'Travels in the costume trunk.'),
  guitar('loud-twin', 'hotHumbucker', 'Dragon guitar', 'For the dragon. Loud and dark on purpose.'),
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
    'coveredHumbucker',
    'Chorister',
    'Two covered twins with a volume and tone each; plays the angels.',
    {
      second: pickupOfClass('coveredHumbucker'),
      sharing: 'individual',
      rDcOhm: measured(7690),
    },
  ),
  guitar('tavern-ukulele', 'brightSingle', 'Tavern ukulele', 'Piezo under the saddle, no preamp.', {
    kind: 'piezo',
    piezoF: measured(picofarad(640)),
  }),
  guitar('mermaid', 'hotHumbucker', 'Mermaid', 'Active pickups; a battery in the tail.', {
    kind: 'active',
    outputOhm: sheet(2500),
  }),
];

const CABLES: readonly GearItem[] = [
  cable(
    'stage-3',
    'ordinary',
    3,
    'Short stage cable',
    'The one everything is compared with.',
    {
      cPerMF: measured(picofarad(101)),
    },
    { form: 'madeUp', stiffness: 'medium', ruggedness: 'sturdy', shield: 'braid', price: 24 },
  ),
  cable(
    'stage-6',
    'ordinary',
    6,
    'Stage cable',
    'Six metres of the workshop’s usual reel.',
    {
      cPerMF: measured(picofarad(112)),
    },
    { form: 'madeUp', stiffness: 'medium', ruggedness: 'roadworthy', shield: 'braid', price: 31 },
  ),
  cable(
    'slim-6',
    'veryLow',
    6,
    'Slim low cable',
    'Foamed core; mind the bends.',
    {
      cPerMF: sheet(picofarad(60)),
    },
    { form: 'madeUp', stiffness: 'stiff', ruggedness: 'delicate', shield: 'spiral', price: 48 },
  ),
  cable('low-9', 'low', 9, 'Low cable', 'Nine metres, low capacitance.'),
  cable('pit-18', 'ordinary', 18, 'Pit cable', 'From the pit to under the stage.'),
  cable('old-rubber', 'high', 5, 'Old rubber', 'Found in the truck; soft and dark.', {
    cPerMF: measured(picofarad(171)),
  }),
  cable('curl', 'coiled', 1.5, 'Curl', 'A coiled cable, a metre and a half at rest.'),
  cable('dusk', 'low', 6, 'Dusk cable', 'A switch in the plug adds a capacitor.', {
    addedF: measured(picofarad(680)),
  }),
];

const REELS: readonly GearItem[] = [
  cable(
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
  cable(
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

const ENDS: readonly GearItem[] = [
  destination(
    'under-stage',
    'amp',
    'Under-stage amp',
    'Stands in a wooden box below the trapdoor.',
  ),
  destination('under-stage-low', 'amp', 'Under-stage amp, low input', 'The padded input.', {
    input: 'plain',
    rInOhm: sheet(68e3),
    cInF: sheet(picofarad(100)),
  }),
  destination('tavern-amp', 'amp', 'Tavern amp', 'Solid-state bass amp.', {
    input: 'plain',
    rInOhm: sheet(1e6),
    cInF: sheet(picofarad(47)),
  }),
  destination('truck-combo', 'amp', 'Truck combo', 'Small, loud, travels in the truck.', {
    stopperOhm: sheet(68e3),
    millerF: sheet(picofarad(120)),
  }),
  destination('box-office', 'activeDi', 'Box office', 'Active DI on phantom power.'),
  destination('old-iron', 'passiveDi', 'Old Iron', 'Transformer DI; likes an active source.'),
  destination('house-desk', 'mixer', 'House desk', 'Line input of the mixer.'),
  destination('stall-tuner', 'tuner', 'Stall tuner', 'Clips to the music stand.'),
];

export const DEMO_GEAR: readonly GearItem[] = [
  ...GUITARS,
  ...DEMO_DEVICES,
  ...CABLES,
  ...REELS,
  ...ENDS,
  ...DEMO_FITTINGS,
];

/** A thing of the list by its id, for building the demo rigs. */
export function demoThing<K extends RigKind>(kind: K, id: string): Things[K] {
  const item = DEMO_GEAR.find((candidate) => candidate.kind === kind && candidate.id === id);
  if (!item) throw new Error(`the demo gear has no ${kind} “${id}”`);
  return { ...item.thing, gear: id } as Things[K];
}
