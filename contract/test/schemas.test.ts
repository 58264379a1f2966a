import { readdirSync, readFileSync } from 'node:fs';
import { Ajv2020 } from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import fc from 'fast-check';
import {
  applyEdits,
  editBrief,
  flatLie,
  GEAR_KINDS,
  keepScene,
  newRig,
  pinRig,
  type Brief,
  type Rig,
} from '@gullwind/core';
import { randomRig } from '../../core/test/rig/randomRig';
import { DEFAULT_SETTINGS, readItem, readRig, thingJsonSchema, WorkspaceRefused } from '../src';
import { partsIn } from './partsIn';
import { randomItem } from './randomGear';

/// The shipped JSON Schemas say the same as what the application reads.

const FOLDER = new URL('../../docs/formats/', import.meta.url);
const ajv = new Ajv2020({ strict: true, allowUnionTypes: true });
addFormats.default(ajv);
for (const file of readdirSync(FOLDER).filter((name) => name.endsWith('.schema.json')))
  ajv.addSchema(JSON.parse(readFileSync(new URL(file, FOLDER), 'utf8')) as object);
const matches = (schema: string, value: unknown): boolean =>
  ajv.validate(`https://gullwind.invalid/formats/${schema}.schema.json`, value) as boolean;

/** Every object in a value, with a key that is taken out or one too many put in. */
function* damaged(value: unknown): Generator<unknown> {
  if (typeof value !== 'object' || value === null) return;
  if (Array.isArray(value)) {
    for (const [i, inner] of value.entries())
      for (const bad of damaged(inner)) yield (value as unknown[]).with(i, bad);
    return;
  }
  const entries = Object.entries(value);
  yield { ...value, unheardOf: 1 };
  for (const [key, inner] of entries) {
    yield Object.fromEntries(entries.filter(([other]) => other !== key));
    yield { ...value, [key]: { wrong: true } };
    for (const bad of damaged(inner)) yield { ...value, [key]: bad };
  }
}

/** Words and documents that may be anything are not told apart by a schema. */
const sample = <T>(all: readonly T[], most: number): readonly T[] =>
  all.filter((_, i) => i % Math.ceil(all.length / most) === 0);

const BRIEF: Partial<Brief> = {
  uses: { d1: 'leftOn', d2: 'nowAndThen' },
  keptDevices: ['d1'],
  keptCables: ['l1'],
  mostMoney: 120,
  mostBoxes: 1,
  reach: { l1: { value: 4, from: 'entered' } },
  uncounted: ['s1'],
  weights: { distance: 1, spread: 0.5, level: 0, resonance: 0, ends: 0, buffers: 0, rules: 1 },
};

test('rigs: what is read matches, and what does not match is not read', () => {
  fc.assert(
    fc.property(randomRig, (start) => {
      const spoken = applyEdits(start, editBrief(start, BRIEF));
      const scene = applyEdits(spoken, keepScene(spoken, 'a scene'));
      const rig = JSON.parse(JSON.stringify(applyEdits(scene, pinRig(scene, 'a pin')))) as Rig;
      // Out and in again is identity.
      expect(readRig(rig)).toEqual({ kind: 'ok', value: rig });
      expect(matches('rig-7', rig)).toBe(true);
      for (const bad of sample([...damaged(rig)], 60)) {
        const isRead = readRig(bad).kind === 'ok';
        if (matches('rig-7', bad) !== isRead) {
          // A schema cannot know which ids there are.
          expect(matches('rig-7', bad)).toBe(true);
        }
      }
    }),
    { seed: 21, numRuns: 20 },
  );
});

test('gear: likewise', () => {
  let refusedByBoth = 0;
  fc.assert(
    fc.property(randomItem, (made) => {
      const item: unknown = JSON.parse(JSON.stringify(made));
      expect(readItem(item).kind).toBe('ok');
      expect(matches('gear-4', item)).toBe(true);
      for (const bad of sample([...damaged(item)], 80)) {
        const isRead = readItem(bad).kind === 'ok';
        // A thing of an earlier format is brought up to date; the schema speaks of this one alone.
        if (matches('gear-4', bad)) expect(isRead).toBe(true);
        else if (!isRead) refusedByBoth++;
      }
    }),
    { seed: 22, numRuns: 30 },
  );
  expect(refusedByBoth).toBeGreaterThan(500);
});

const DONE = {
  step: 'cut l1',
  fingerprint: 'a|b|170',
  lengthM: 0.19,
  revision: 1,
  by: 'Mate',
  at: '2026-11-25T10:00:00.000Z',
};
const TEST = {
  id: '5d0c7f6e-1a51-4c1e-9a01-000000000002',
  cable: 'l1',
  label: 'A1',
  revision: 1,
  fingerprint: 'a|b|170',
  lengthM: 0.17,
  tipThrough: true,
  sleeveThrough: true,
  ringThrough: null,
  leakOhm: 1e8,
  silentPlugs: null,
  pull: true,
  wiggle: true,
  capacitanceF: 48e-12,
  by: 'Mate',
  note: '',
  at: '2026-11-25T10:00:00.000Z',
};
const MEASUREMENT = {
  id: '5d0c7f6e-1a51-4c1e-9a01-000000000007',
  job: 'cable',
  rig: null,
  gear: 'tideline',
  subject: 'Tideline',
  instrument: 'by hand',
  isSimulated: false,
  readings: [
    {
      label: '6 m',
      quantity: 'capacitance',
      values: [5.1e-10, 5.12e-10],
      conditions: { lengthM: 6, mode: 'Cp' },
    },
  ],
  responses: [{ label: 'amp', frequencyHz: [100, 200], levelDb: [0, -1], conditions: {} }],
  figures: [{ label: 'C′', quantity: 'capacitancePerLength', value: 8e-11, error: null }],
  words: 'Eighty a metre.',
  by: 'Mate',
  note: '',
  at: '2026-11-26T10:00:00.000Z',
  struck: null,
};

const HEARING = {
  id: '5d0c7f6e-1a51-4c1e-9a01-000000000008',
  listener: 'Mate',
  kind: 'abx',
  rig: null,
  one: 'straight in',
  other: 'as it is',
  seed: 4_294_967_295,
  planned: 10,
  trials: [{ isRight: true, lossDb: null }],
  isFinished: false,
  expected: 'I shall hear it.',
  model: '',
  note: '',
  at: '2026-11-26T10:00:00.000Z',
};

const HUNT = {
  id: '5d0c7f6e-1a51-4c1e-9a01-000000000009',
  rig: '5d0c7f6e-1a51-4c1e-9a01-000000000001',
  revision: 2,
  symptom: 'hum',
  comesAndGoes: false,
  order: 'best',
  weights: { 'l1:sleeveOpen': 3 },
  note: '',
  begunAt: '2026-11-27T10:00:00.000Z',
  changedAt: '2026-11-27T10:05:00.000Z',
  endedAt: '2026-11-27T10:05:00.000Z',
  ending: {
    kind: 'found',
    suspect: 'l1:sleeveOpen',
    finding: 'The cable in: the sleeve is not through.',
    remedy: 'A spare.',
    caution: '',
    proof: 'Play.',
    task: 'Make the cable in again',
    taskMinutes: 15,
    note: '',
  },
  answers: [
    {
      id: '5d0c7f6e-1a51-4c1e-9a01-00000000000a',
      test: 'ampAlone:e1',
      outcome: 'no',
      says: 'Amp alone.',
      minutes: 0.5,
      by: 'Mate',
      at: '2026-11-27T10:01:00.000Z',
      takenBack: null,
    },
  ],
};

const OFF_CUT = {
  id: '5d0c7f6e-1a51-4c1e-9a01-000000000003',
  name: 'Reel',
  gear: null,
  lengthM: 0.4,
  note: '',
};

test('a workspace with all of it, line by line', async () => {
  const moment = '2026-11-25T10:00:00.000000Z';
  const [item] = fc.sample(randomItem, { numRuns: 1, seed: 3 });
  const rig = {
    kind: 'rig',
    id: '5d0c7f6e-1a51-4c1e-9a01-000000000001',
    revision: 2,
    createdAt: moment,
    updatedAt: moment,
    deletedAt: null,
    document: newRig('one'),
  };
  const gear = { kind: 'gear', place: 1, revision: 1, item };
  const kept = { kind: 'revision', rig: rig.id, revision: 1, savedAt: moment, name: 'first night' };
  const revision = { ...kept, document: newRig('before') };
  const header = { kind: 'gullwind-workspace', format: 7 };
  const settings = { kind: 'settings', settings: DEFAULT_SETTINGS };
  const done = { kind: 'done', rig: rig.id, done: DONE };
  const test_ = { kind: 'test', rig: rig.id, test: TEST };
  const offCut = { kind: 'offCut', offCut: OFF_CUT };
  const end = { kind: 'end', rigs: 1, revisions: 1, gear: 1, records: 7 };
  const points = flatLie({ x0: 0, y0: 0, x1: 0.6 }, { width: 4, height: 3 });
  const photo = { kind: 'photo', rig: rig.id, photo: { points, brightness: 1.2, picture: '/9j/' } };
  const measurement = { kind: 'measurement', measurement: MEASUREMENT };
  const hearing = { kind: 'hearing', hearing: HEARING };
  const hunt = { kind: 'hunt', hunt: HUNT };
  const records = [done, test_, photo, offCut, measurement, hearing, hunt];
  const lines: object[] = [header, settings, gear, rig, revision, ...records, end];
  expect(await partsIn(lines)).toEqual([settings, gear, rig, revision, ...records]);
  for (const line of lines) expect(matches('workspace-7', line)).toBe(true);
  for (const [at, bad] of [
    [0, { ...header, format: 8 }],
    [0, { ...header, kind: 'other' }],
    [1, { kind: 'settings', settings: {} }],
    [2, { ...gear, item: {} }],
    [3, { ...rig, revision: 0 }],
    [4, { ...revision, name: '' }],
    [4, { ...revision, savedAt: 'yesterday' }],
    [5, { ...done, done: { ...DONE, step: '' } }],
    [6, { ...test_, test: { ...TEST, leakOhm: -1 } }],
    [7, { ...photo, photo: { ...photo.photo, brightness: 9 } }],
    [7, { ...photo, photo: { ...photo.photo, points: points.slice(1) } }],
    [8, { ...offCut, offCut: { ...OFF_CUT, lengthM: 0 } }],
    [9, { ...measurement, measurement: { ...MEASUREMENT, job: 'guess' } }],
    [9, { ...measurement, measurement: { ...MEASUREMENT, struck: '' } }],
    [10, { ...hearing, hearing: { ...HEARING, listener: '' } }],
    [10, { ...hearing, hearing: { ...HEARING, seed: -1 } }],
    [11, { ...hunt, hunt: { ...HUNT, symptom: 'smell' } }],
    [11, { ...hunt, hunt: { ...HUNT, weights: { 'l1:open': 1e9 } } }],
    [11, { ...hunt, hunt: { ...HUNT, ending: { ...HUNT.ending, task: '' } } }],
    [12, { ...end, boats: 1 }],
  ] as const) {
    expect(matches('workspace-7', bad)).toBe(false);
    await expect(partsIn(lines.with(at, bad))).rejects.toThrow(WorkspaceRefused);
  }
});

test('what the schemas say of gear is what its descriptors say', () => {
  const defsOf = (file: string) =>
    (
      JSON.parse(readFileSync(new URL(`${file}.schema.json`, FOLDER), 'utf8')) as {
        $defs: Record<string, unknown>;
      }
    ).$defs;
  const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
  const [gear, rig] = [defsOf('gear-4'), defsOf('rig-7')];
  for (const kind of GEAR_KINDS) {
    expect([kind, gear[kind]]).toEqual([kind, plain(thingJsonSchema(kind))]);
    // What goes between an outlet and a jack is a word in a rig, not a thing.
    if (kind === 'adaptor') continue;
    expect([kind, rig[kind]]).toEqual([
      kind,
      plain(thingJsonSchema(kind, kind !== 'plug' && kind !== 'mount')),
    ]);
  }
});
