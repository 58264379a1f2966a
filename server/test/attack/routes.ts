import { DEFAULT_SETTINGS, endLine, HEADER_LINE, OPERATIONS } from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import fc from 'fast-check';
import { DEMO_GEAR } from '../../src/demo/demoGear';
import { DEMO_RIGS } from '../../src/demo/demoRigs';
import { DONE, TEST } from '../support/benchWork';
import { ANSWERED, ENDED, HUNTED } from '../support/hunted';
import { HEARD, LIE, MEASURED, METERED, SWEPT } from '../support/measured';

/// Every operation that the server has, with what it is sent where it is meant well.

const UUID = '5d0c7f6e-1a51-4c1e-9a01-0000000000';
/** Rigs that requests may do anything to; other things have these ids, too. */
export const VICTIMS = Array.from({ length: 8 }, (_, i) => `${UUID}a${i}`);

const victim = fc.constantFrom(...VICTIMS);
const rigs = [newRig('victim'), ...DEMO_RIGS.map(({ rig }) => rig)];
const rig = fc.constantFrom(...rigs);
const item = fc.constantFrom(...DEMO_GEAR);
const { state } = newRig('state');

const MOMENT = '2026-11-25T10:00:00.000000Z';
const workspaceLines = victim.map((id) =>
  [
    HEADER_LINE,
    JSON.stringify({ kind: 'settings', settings: DEFAULT_SETTINGS }),
    JSON.stringify({ kind: 'gear', place: 1, revision: 1, item: DEMO_GEAR[0] }),
    JSON.stringify({
      kind: 'rig',
      ...{ id, revision: 1, createdAt: MOMENT, updatedAt: MOMENT, deletedAt: null },
      document: rigs[0],
    }),
    JSON.stringify({
      kind: 'revision',
      ...{ rig: id, revision: 1, savedAt: MOMENT, name: 'a' },
      document: rigs[0],
    }),
    endLine({ rigs: 1, revisions: 1, gear: 1, records: 0 }),
  ].join('\n'),
);
const olderWorkspace = victim.map((id) =>
  JSON.stringify({
    ...{ kind: 'gullwind-workspace', format: 2 },
    rigs: [
      {
        ...{ id, revision: 1, createdAt: MOMENT, updatedAt: MOMENT, deletedAt: null },
        document: rigs[0],
        revisions: [],
      },
    ],
    gear: [],
    settings: null,
  }),
);

const json = (value: fc.Arbitrary<unknown>) => value.map((one) => JSON.stringify(one));

const updateRig = json(
  fc.record({
    basedOn: fc.integer({ min: 1, max: 5 }),
    rig,
    stateFrom: fc.constantFrom(state, undefined),
  }),
);
const of = (value: unknown) => json(fc.constant(value));
const offCut = { name: 'Reel', gear: null, lengthM: 0.4, note: '' };

/** What is in the body of an operation; of the others nothing is. */
const MEANT: Readonly<Record<string, fc.Arbitrary<string>>> = {
  'post /session': json(fc.constantFrom({ passphrase: 'wrong' }, { passphrase: 'x'.repeat(1000) })),
  'post /rigs': json(fc.record({ id: victim, rig })),
  'put /rigs/{id}': updateRig,
  'put /rigs/{id}/state': of({ from: state, state: { ...state, playing: null } }),
  'put /rigs/{id}/revisions/{revision}': json(fc.constantFrom({ name: 'a night' }, { name: null })),
  'put /rigs/{id}/tests/{test}': of(TEST),
  'put /rigs/{id}/done': json(victim.map((id) => ({ ticks: [DONE], offCut: { ...offCut, id } }))),
  'put /rigs/{id}/photo/lie': of(LIE),
  'put /off-cuts/{id}': of(offCut),
  'post /gear': json(
    fc.tuple(item, fc.nat(30)).map(([one, n]) => ({ items: [{ ...one, id: `${one.id}-${n}` }] })),
  ),
  'post /gear/remove': json(item.map(({ id }) => ({ ids: [id] }))),
  'put /gear/{id}': json(
    fc
      .tuple(item, fc.integer({ min: 1, max: 5 }))
      .map(([one, basedOn]) => ({ basedOn, item: one })),
  ),
  'post /instruments/{id}/measure': of(METERED),
  'post /instruments/{id}/sweep': of(SWEPT),
  'post /instruments/{id}/truth': of({ connected: METERED.connected }),
  'put /measurements/{id}': json(
    fc.constantFrom(
      MEASURED,
      { ...MEASURED, rig: VICTIMS[0] },
      { ...MEASURED, accepted: { basedOn: 1, item: DEMO_GEAR[0] } },
    ),
  ),
  'put /measurements/{id}/struck': json(fc.constantFrom({ struck: 'open clip' }, { struck: null })),
  'put /hearings/{id}': of(HEARD),
  'put /hunts/{id}': json(
    fc.constantFrom(null, ...VICTIMS).map((id) => ({ ...HUNTED, rig: id, revision: id && 1 })),
  ),
  'put /hunts/{id}/setting': of({ note: 'by the window', weights: { a: 2, b: null } }),
  'put /hunts/{id}/answers/{answer}': of(ANSWERED),
  'put /hunts/{id}/answers/{answer}/taken-back': of({ isTakenBack: true }),
  'put /hunts/{id}/ending': json(fc.constantFrom({ ending: ENDED }, { ending: null })),
  'put /settings': of(DEFAULT_SETTINGS),
  'post /workspace': fc.oneof(workspaceLines, olderWorkspace),
};

/** Of an operation that has no body. */
const NOTHING = fc.constant('');
/** As a picture: the head of one, and nothing that it promises. */
const NO_PICTURE = fc.constantFrom('\xff\xd8\xff\xe0', '\x89PNG\r\n', 'RIFFxxxxWEBP');

const badPart = fc.constantFrom(
  '%ff',
  '%00',
  '%2e%2e%2f',
  '..',
  `[${UUID}a0]`,
  `${UUID.toUpperCase()}A0`,
  '0',
  '-1',
  '1e309',
  '2147483648',
  'toString',
  '__proto__',
  'x'.repeat(5000),
  '%F0%9F%98%80',
  '%ed%a0%80',
  '',
  '*',
  ' ',
);
const part = (good: fc.Arbitrary<string>) => fc.oneof({ weight: 3, arbitrary: good }, badPart);

type Parts = readonly (string | fc.Arbitrary<string>)[];

const pathOf = (parts: Parts, vary: (one: fc.Arbitrary<string>) => fc.Arbitrary<string>) =>
  fc
    .tuple(...parts.map((one) => (typeof one === 'string' ? fc.constant(one) : vary(one))))
    .map((all) => `/${all.join('/')}`.replaceAll(' ', '%20'));
const path = (...parts: Parts) => pathOf(parts, part);
const goodPath = (...parts: Parts) => pathOf(parts, (one) => one);

const gearId = item.map(({ id }) => id);
const number = fc.constantFrom('1', '2', '3');

/** What is in the place of a part of a path that varies. */
function partOf(path: string, name: string): fc.Arbitrary<string> {
  if (name === 'revision' || name === 'other') return number;
  if (path.startsWith('/gear/')) return gearId;
  return path.startsWith('/instruments/') ? fc.constantFrom('meter', 'sweep') : victim;
}

export interface AttackedRoute {
  /** Of the operation, in capitals. */
  readonly method: string;
  readonly path: fc.Arbitrary<string>;
  /** The same without anything bad in it. */
  readonly goodPath: fc.Arbitrary<string>;
  readonly type: string;
  /** Where it is meant well. */
  readonly body: fc.Arbitrary<string>;
}

const JSON_TYPE = 'application/json';

const attacked = OPERATIONS.map(({ method, path: template, type, body }): AttackedRoute => {
  const parts = template
    .slice(1)
    .split('/')
    .map((one) => (one.startsWith('{') ? partOf(template, one.slice(1, -1)) : one));
  const named = `${method} ${template}`;
  const isPicture = method === 'put' && type === 'image/jpeg';
  const meant = isPicture ? NO_PICTURE : (MEANT[named] ?? NOTHING);
  if (body !== undefined && meant === NOTHING)
    throw new Error(`Nobody says what is sent to “${named}” where it is meant well.`);
  return {
    method: method.toUpperCase(),
    path: path('api', ...parts),
    goodPath: goodPath('api', ...parts),
    type: method === 'get' ? JSON_TYPE : (type ?? JSON_TYPE),
    body: meant,
  };
});

const elsewhere = [['api', gearId] as const, ['assets', gearId] as const, [gearId] as const].map(
  (parts): AttackedRoute => ({
    method: 'GET',
    path: path(...parts),
    goodPath: goodPath(...parts),
    type: JSON_TYPE,
    body: NOTHING,
  }),
);

/** Every operation, what most are about more often than once, and addresses that are none. */
export const ROUTES: readonly AttackedRoute[] = [...attacked, ...elsewhere];
