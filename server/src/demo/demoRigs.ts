import {
  addGuitar,
  applyEdits,
  entered,
  mainRow,
  newRig,
  nextIdsOf,
  NO_BRIEF,
  patchCable,
  withElectrical,
  type Approach,
  type ApproachKind,
  type Brief,
  type Cable,
  type Place,
  type Rig,
} from '@gullwind/core';
import { bookOfStorm, bookOfTavern } from './demoBooks';
import { demoThing } from './demoGear';
import { layPitBoard, layStormBoard, layTavernBoard } from './demoLayouts';

/// Three boards of the pit band: one is dull and nobody knows why, one changes its tone with every
/// switch, one is right and says why.

interface Layout {
  readonly guitar: string;
  readonly cableIn: Cable;
  /** Device ids of the gear list, each with the patch that goes away from it; the last has none. */
  readonly devices: readonly (readonly [id: string, patchM: number])[];
  readonly cableOut: Cable;
  readonly amp: string;
}

function layRow(rig: Rig, { guitar, cableIn, devices, cableOut, amp }: Layout): Rig {
  const patches = devices
    .slice(0, -1)
    .map(([, lengthM]) => ({ ...patchCable(''), lengthM: entered(lengthM) }));
  const row = {
    ...mainRow(rig),
    devices: devices.map(([id], i) => ({ ...demoThing('device', id), id: `d${i + 1}` })),
    cables: [cableIn, ...patches, cableOut].map((cable, i) => ({ ...cable, id: `l${i + 1}` })),
  };
  return withElectrical(rig, {
    guitars: [demoThing('guitar', guitar)],
    rows: [row],
    destinations: [demoThing('destination', amp)],
  });
}

/** A rig with its player's name, and what is said of it. */
const rigOf = (name: string, player: string, note: string): Rig => {
  const rig = newRig(name);
  return { ...rig, texts: { ...rig.texts, player, note } };
};

/** What the player of a rig says of it. */
function withBrief(rig: Rig, brief: Partial<Brief>): Rig {
  const said = { ...rig, texts: { ...rig.texts, brief: { ...NO_BRIEF, ...brief } } };
  return { ...said, nextIds: nextIdsOf(said) };
}

const state = (positions: Rig['state']['positions']): Pick<Rig, 'state'> => ({
  state: { ...newRig('').state, positions },
});

const approach = (kind: ApproachKind): Approach => ({ ...newRig('').electrical.approach, kind });

const cable = (id: string, lengthM?: number): Cable => {
  const thing = demoThing('cable', id);
  return lengthM === undefined ? thing : { ...thing, lengthM: entered(lengthM) };
};

const pitRow = layRow(
  rigOf(
    'Pit board',
    'Pit guitarist',
    'Bright at home, dull in the pit, and nobody knows why. The amp stands under the stage, 18 m away.',
  ),
  {
    guitar: 'pit-teal',
    cableIn: cable('stage-6'),
    devices: [
      ['plumb-line', 0.25],
      ['mudlark', 0.35],
      ['ballast', 0.3],
      ['gristle', 0.2],
      ['rope-burn', 0.3],
      ['swell', 0.3],
      ['far-bank', 0.25],
      ['undercroft', 0],
    ],
    cableOut: cable('pit-18'),
    amp: 'under-stage',
  },
);

const place = (id: string, name: string, cableInM: number, cableOutM: number): Place => ({
  id,
  name,
  lengths: { l1: entered(cableInM), l9: entered(cableOutM) },
  destination: null,
  loop: null,
});

const pitPlaces = [
  place('w1', 'home', 3, 3),
  place('w2', 'rehearsal', 6, 6),
  place('w3', 'pit', 6, 18),
];

const pitBoard: Rig = withBrief(withElectrical(pitRow, { places: pitPlaces }), {
  uses: {
    d1: 'nowAndThen',
    d2: 'switched',
    d3: 'switched',
    d4: 'switched',
    d5: 'switched',
    d6: 'nowAndThen',
    d7: 'switched',
    d8: 'nowAndThen',
  },
  mostMoney: 120,
});

const stormRow: Rig = {
  ...layRow(
    rigOf(
      'Storm board',
      'Baritone, storm scene',
      'Every switch changes the tone of everything else.',
    ),
    {
      guitar: 'storm-baritone',
      cableIn: cable('stage-6', 5),
      devices: [
        ['cinder', 0.3],
        ['mudlark-t', 0.3],
        ['brine', 0.25],
        ['low-tide', 0.3],
        ['eddy', 0.4],
        ['slow-wheel', 0.3],
        ['far-bank', 0],
      ],
      cableOut: cable('pit-18', 10),
      amp: 'under-stage',
    },
  ),
  ...state({ d3: true }),
};

const stormScenes = [
  { id: 's1', name: 'Calm', ...state({}) },
  { id: 's2', name: 'Swell', ...state({ d2: true, d6: true }) },
  { id: 's3', name: 'Storm', ...state({ d3: true, d4: true, d7: true }) },
];

const stormBoard: Rig = withBrief(
  withElectrical(stormRow, { approach: approach('steady'), scenes: stormScenes }),
  {
    uses: {
      d1: 'switched',
      d2: 'switched',
      d3: 'switched',
      d4: 'switched',
      d5: 'nowAndThen',
      d6: 'switched',
      d7: 'switched',
    },
    keptDevices: ['d1'],
    mostBoxes: 1,
  },
);

const bassRow: Rig = {
  ...layRow(
    rigOf(
      'Tavern board',
      'Bass, doubling on ukulele',
      'Right, and documented: a low cable, one good buffer first, everything after it driven from 150 Ω. It draws so little that the piezo of the ukulele can live with it.',
    ),
    {
      guitar: 'tavern-bass',
      cableIn: cable('slim-6', 5),
      devices: [
        ['points', 0.3],
        ['deep-ferry', 0.3],
        ['plumb-line', 0.3],
        ['ballast', 0.3],
        ['soft-lantern', 0.3],
        ['echo-weir', 0],
      ],
      cableOut: cable('low-9', 8),
      amp: 'tavern-amp',
    },
  ),
  ...state({ d4: true }),
};

const bassOnly: Rig = withBrief(withElectrical(bassRow, { approach: approach('oneBuffer') }), {
  uses: { d4: 'leftOn' },
  keepsOrder: true,
});

const tavernBoard: Rig = applyEdits(
  bassOnly,
  addGuitar(bassOnly, demoThing('guitar', 'tavern-ukulele'), 'cable'),
  { kind: 'switch', playing: 'g1' },
);

/** Fixed ids, so that seeding twice adds nothing. */
export const DEMO_RIGS: readonly { readonly id: string; readonly rig: Rig }[] = [
  { id: '5d0c7f6e-1a51-4c1e-9a01-000000000001', rig: layPitBoard(pitBoard) },
  { id: '5d0c7f6e-1a51-4c1e-9a01-000000000002', rig: bookOfStorm(layStormBoard(stormBoard)) },
  { id: '5d0c7f6e-1a51-4c1e-9a01-000000000003', rig: bookOfTavern(layTavernBoard(tavernBoard)) },
];
