import {
  addGuitar,
  applyEdits,
  entered,
  mainRow,
  newRig,
  NO_BRIEF,
  patchLead,
  type Lead,
  type Rig,
} from '@gullwind/core';
import { demoThing } from './demoGear';

/// Three boards of the pit band: one is dull and nobody knows why, one changes its tone with every
/// switch, one is right and says why.

interface Layout {
  readonly guitar: string;
  readonly leadIn: Lead;
  /** Device ids of the gear list, each with the patch that leads away from it; the last has none. */
  readonly devices: readonly (readonly [id: string, patchM: number])[];
  readonly leadOut: Lead;
  readonly amp: string;
}

function layRow(rig: Rig, { guitar, leadIn, devices, leadOut, amp }: Layout): Rig {
  const patches = devices
    .slice(0, -1)
    .map(([, lengthM]) => ({ ...patchLead(''), lengthM: entered(lengthM) }));
  const row = {
    ...mainRow(rig),
    devices: devices.map(([id], i) => ({ ...demoThing('device', id), id: `d${i + 1}` })),
    leads: [leadIn, ...patches, leadOut].map((lead, i) => ({ ...lead, id: `l${i + 1}` })),
  };
  return {
    ...rig,
    guitars: [demoThing('guitar', guitar)],
    rows: [row],
    ends: [demoThing('end', amp)],
  };
}

const standing = (positions: Rig['standing']['positions']): Pick<Rig, 'standing'> => ({
  standing: { ...newRig('').standing, positions },
});

const approach = (kind: Rig['approach']['kind']): Rig['approach'] => ({
  ...newRig('').approach,
  kind,
});

const lead = (id: string, lengthM?: number): Lead => {
  const thing = demoThing('lead', id);
  return lengthM === undefined ? thing : { ...thing, lengthM: entered(lengthM) };
};

const pitRow = layRow(
  {
    ...newRig('Pit board'),
    player: 'Pit guitarist',
    note: 'Bright at home, dull in the pit, and nobody knows why. The amp stands under the stage, 18 m away.',
  },
  {
    guitar: 'pit-teal',
    leadIn: lead('stage-6'),
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
    leadOut: lead('pit-18'),
    amp: 'under-stage',
  },
);

const place = (
  id: string,
  name: string,
  leadInM: number,
  leadOutM: number,
): Rig['situations'][number] => ({
  id,
  name,
  lengths: { l1: entered(leadInM), l9: entered(leadOutM) },
});

const pitBoard: Rig = {
  ...pitRow,
  situations: [
    place('w1', 'home', 3, 3),
    place('w2', 'rehearsal', 6, 6),
    place('w3', 'pit', 6, 18),
  ],
  brief: {
    ...NO_BRIEF,
    uses: {
      d1: 'nowAndThen',
      d2: 'stamped',
      d3: 'stamped',
      d4: 'stamped',
      d5: 'stamped',
      d6: 'nowAndThen',
      d7: 'stamped',
      d8: 'nowAndThen',
    },
    mostMoney: 120,
  },
};

const stormBoard: Rig = {
  ...layRow(
    {
      ...newRig('Storm board'),
      player: 'Baritone, storm scene',
      note: 'Every switch changes the tone of everything else.',
    },
    {
      guitar: 'storm-baritone',
      leadIn: lead('stage-6', 5),
      devices: [
        ['cinder', 0.3],
        ['mudlark-t', 0.3],
        ['brine', 0.25],
        ['low-tide', 0.3],
        ['eddy', 0.4],
        ['slow-wheel', 0.3],
        ['far-bank', 0],
      ],
      leadOut: lead('pit-18', 10),
      amp: 'under-stage',
    },
  ),
  ...standing({ d3: true }),
  approach: approach('steady'),
  scenes: [
    { id: 's1', name: 'Calm', ...standing({}) },
    { id: 's2', name: 'Swell', ...standing({ d2: true, d6: true }) },
    { id: 's3', name: 'Storm', ...standing({ d3: true, d4: true, d7: true }) },
  ],
  brief: {
    ...NO_BRIEF,
    uses: {
      d1: 'stamped',
      d2: 'stamped',
      d3: 'stamped',
      d4: 'stamped',
      d5: 'nowAndThen',
      d6: 'stamped',
      d7: 'stamped',
    },
    keptDevices: ['d1'],
    mostBoxes: 1,
  },
};

const bassOnly: Rig = {
  ...layRow(
    {
      ...newRig('Tavern board'),
      player: 'Bass, doubling on ukulele',
      note: 'Right, and documented: a low lead, one good buffer first, everything behind it driven from 150 Ω. It draws so little that the piezo of the ukulele can live with it.',
    },
    {
      guitar: 'tavern-bass',
      leadIn: lead('slim-6', 5),
      devices: [
        ['points', 0.3],
        ['deep-ferry', 0.3],
        ['plumb-line', 0.3],
        ['ballast', 0.3],
        ['soft-lantern', 0.3],
        ['echo-weir', 0],
      ],
      leadOut: lead('low-9', 8),
      amp: 'tavern-amp',
    },
  ),
  ...standing({ d4: true }),
  approach: approach('oneBuffer'),
  brief: { ...NO_BRIEF, uses: { d4: 'leftOn' }, keepsOrder: true },
};

const tavernBoard: Rig = applyEdits(
  bassOnly,
  addGuitar(bassOnly, demoThing('guitar', 'tavern-ukulele'), 'd1'),
  { kind: 'stamp', playing: 'g1' },
);

/** Fixed ids, so that seeding twice adds nothing. */
export const DEMO_RIGS: readonly { readonly id: string; readonly rig: Rig }[] = [
  { id: '5d0c7f6e-1a51-4c1e-9a01-000000000001', rig: pitBoard },
  { id: '5d0c7f6e-1a51-4c1e-9a01-000000000002', rig: stormBoard },
  { id: '5d0c7f6e-1a51-4c1e-9a01-000000000003', rig: tavernBoard },
];
