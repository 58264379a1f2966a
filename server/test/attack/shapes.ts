import { gzipSync } from 'node:zlib';
import { DEFAULT_SETTINGS, endLine, HEADER_LINE } from '@gullwind/contract';
import { newRig } from '@gullwind/core';
import fc from 'fast-check';
import { DEMO_GEAR } from '../../src/demo/demoGear';
import { DEMO_RIGS } from '../../src/demo/demoRigs';

/// Requests that are meant to hurt, drawn by a seed: on every route, with every kind of thing that has hurt once.

export interface Shape {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Buffer | null;
  /** What is done to the connection instead of a whole request. */
  readonly cut: 'silent' | 'half a head' | 'half a body' | null;
}

const UUID = '5d0c7f6e-1a51-4c1e-9a01-0000000000';
/** Rigs that requests may do anything to. */
export const VICTIMS = Array.from({ length: 8 }, (_, i) => `${UUID}a${i}`);

const nested = (depth: number, open: string, close: string) =>
  `${open.repeat(depth)}1${close.repeat(depth)}`;

/** JSON texts that stand in the place of a value. */
const badText = fc.constantFrom(
  'null',
  'true',
  '-1',
  '0',
  '1e999',
  '-1e999',
  '1e308',
  '2147483647',
  '2147483648',
  '9007199254740993',
  '0.1',
  '""',
  '"\\ud83d"',
  '"a\\u0000b"',
  '"\\u2028\\u202e"',
  '"toString"',
  '"__proto__"',
  '"constructor"',
  '"2026-99-99T99:99:99Z"',
  `"${UUID.toUpperCase()}A0"`,
  `"${'x'.repeat(100_000)}"`,
  `"${'👨‍👩‍👧‍👦'.repeat(200)}"`,
  '[]',
  '{}',
  '[[]]',
  '{"toString":1}',
  '{"__proto__":{"polluted":1}}',
  '{"constructor":{"prototype":{"polluted":1}}}',
  '{"value":null}',
  nested(70, '[', ']'),
  nested(6000, '{"a":', '}'),
  nested(6000, '[', ']'),
  `[${'{},'.repeat(30_000)}{}]`,
);

/** Where a hand in the dark takes hold of a text of JSON, and what it puts there. */
const wound = fc.record({
  at: fc.double({ min: 0, max: 1, noNaN: true }),
  with: badText,
  how: fc.constantFrom('value' as const, 'cut' as const, 'key' as const, 'twice' as const),
});

/** Puts something in the place of one of the values of a text; the text need not be JSON after it. */
function hurt(
  text: string,
  { at, with: bad, how }: typeof wound extends fc.Arbitrary<infer T> ? T : never,
): string {
  const places = [
    ...text.matchAll(/(?<=[:[,])(?:-?\d[\d.e+-]*|true|false|null|"(?:[^"\\]|\\.)*")(?=[,\]}])/gu),
  ];
  const place = places[Math.floor(at * places.length)];
  if (!place || how === 'cut') return text.slice(0, Math.floor(at * text.length));
  const [before, after] = [text.slice(0, place.index), text.slice(place.index + place[0].length)];
  if (how === 'key') return `${before}${place[0]},"extra":${bad}${after}`;
  if (how === 'twice') return `${before}${place[0]},"format":9,"id":${bad}${after}`;
  return `${before}${bad}${after}`;
}

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
const wounded = (text: fc.Arbitrary<string>) =>
  fc
    .tuple(text, fc.array(wound, { minLength: 0, maxLength: 3 }))
    .map(([whole, wounds]) => wounds.reduce(hurt, whole));

/** What each route is sent where it is meant well. */
const bodies = {
  createRig: json(fc.record({ id: victim, rig })),
  updateRig: json(
    fc.record({ basedOn: fc.nat(5), rig, stateFrom: fc.constantFrom(state, undefined) }),
  ),
  updateState: json(fc.constant({ from: state, state: { ...state, playing: null } })),
  items: json(
    fc.tuple(item, fc.nat(30)).map(([one, n]) => ({ items: [{ ...one, id: `${one.id}-${n}` }] })),
  ),
  updateItem: json(fc.tuple(item, fc.nat(5)).map(([one, basedOn]) => ({ basedOn, item: one }))),
  ids: json(item.map(({ id }) => ({ ids: [id] }))),
  settings: json(fc.constant(DEFAULT_SETTINGS)),
  signIn: json(fc.constantFrom({ passphrase: 'wrong' }, { passphrase: 'x'.repeat(5000) })),
  name: json(fc.constantFrom({ name: 'a night' }, { name: null })),
  workspace: fc.oneof(workspaceLines, olderWorkspace),
  none: fc.constant(''),
} as const;

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

const path = (...parts: readonly (string | fc.Arbitrary<string>)[]) =>
  fc
    .tuple(...parts.map((one) => (typeof one === 'string' ? fc.constant(one) : part(one))))
    .map((all) => `/${all.join('/')}`.replaceAll(' ', '%20'));

const gearId = item.map(({ id }) => id);
const number = fc.constantFrom('1', '2', '3');

/** Every route, with the bodies that are sent to it. */
const routes: readonly (readonly [fc.Arbitrary<string>, keyof typeof bodies])[] = [
  [path('api', 'health'), 'none'],
  [path('api', 'session'), 'signIn'],
  [path('api', 'rigs'), 'createRig'],
  [path('api', 'rigs', 'names'), 'none'],
  [path('api', 'rigs', victim), 'updateRig'],
  [path('api', 'rigs', victim), 'updateRig'],
  [path('api', 'rigs', victim, 'state'), 'updateState'],
  [path('api', 'rigs', victim, 'restore'), 'none'],
  [path('api', 'rigs', victim, 'revisions'), 'none'],
  [path('api', 'rigs', victim, 'revisions', number), 'name'],
  [path('api', 'gear'), 'items'],
  [path('api', 'gear', 'uses'), 'none'],
  [path('api', 'gear', 'remove'), 'ids'],
  [path('api', 'gear', gearId), 'updateItem'],
  [path('api', 'settings'), 'settings'],
  [path('api', 'workspace'), 'workspace'],
  [path('api', gearId), 'none'],
  [path('assets', gearId), 'none'],
  [path(gearId), 'none'],
];

const query = fc.constantFrom(
  '',
  '',
  '',
  '?search=%25&sort=name&from=0&removed=false',
  '?search[]=a&search[b]=c',
  '?sort=price',
  '?from=-1',
  '?from=99999999999',
  '?removed=maybe',
  '?before=x',
  '?before=2147483648',
  '?overwrite=true',
  '?overwrite=yes',
  '?overwrite=true&overwrite=false',
  '?%ff=%00',
  `?search=${'x'.repeat(3000)}`,
  '?__proto__[a]=1',
);

const headers: fc.Arbitrary<Record<string, string>> = fc.constantFrom<Record<string, string>[]>(
  {},
  {},
  {},
  {},
  { 'Content-Type': 'text/plain' },
  { 'Content-Type': 'application/x-ndjson' },
  { 'Content-Type': 'application/json; charset=utf-7' },
  { 'Content-Encoding': 'gzip' },
  { 'Content-Encoding': 'br' },
  { 'Content-Encoding': 'nonsense' },
  { Range: 'bytes=999999999-' },
  { Range: 'bytes=5-2' },
  { 'If-None-Match': '*' },
  { 'If-Modified-Since': 'yesterday' },
  { 'Accept-Encoding': 'gzip;q=nonsense' },
  { Host: 'evil.example' },
  { Host: '[' },
  { Origin: 'https://evil.example' },
  { Origin: 'null' },
  { Cookie: 'gullwind_session=%%%; gullwind_session.sig=x' },
  { Cookie: 'x='.repeat(2000) },
  { 'X-Forwarded-For': 'everywhere', 'X-Forwarded-Proto': 'gopher' },
  { 'X-HTTP-Method-Override': 'DELETE' },
  { Expect: 'nonsense' },
);

/** What unpacks to far more than it is. */
const bomb = gzipSync(`{"items":[${'{},'.repeat(2_000_000)}{}]}`);

const ordinary: fc.Arbitrary<Shape> = fc
  .tuple(fc.constantFrom(...routes), fc.nat(9))
  .chain(([[address, kind], luck]) =>
    fc.record({
      method: fc.constantFrom('GET', 'POST', 'PUT', 'DELETE', 'POST', 'PUT', 'PATCH', 'HEAD'),
      path: fc.tuple(address, query).map((both) => both.join('')),
      headers: headers.map((more) => ({
        'Content-Type': kind === 'workspace' ? 'application/x-ndjson' : 'application/json',
        ...more,
      })),
      body: luck === 0 ? fc.string({ maxLength: 300 }) : wounded(bodies[kind]),
      cut: fc.constantFrom<Shape['cut'][]>(...Array<null>(40).fill(null), 'half a body'),
    }),
  );

const special: fc.Arbitrary<Shape> = fc.constantFrom<Shape[]>(
  ...['/api/gear', '/api/rigs', '/api/session', '/api/workspace'].map((address) => ({
    method: 'POST',
    path: address,
    headers: { 'Content-Type': 'application/json', 'Content-Encoding': 'gzip' },
    body: bomb,
    cut: null,
  })),
  ...(['silent', 'half a head', 'half a body'] as const).map((cut) => ({
    method: 'POST',
    path: '/api/rigs',
    headers: { 'Content-Type': 'application/json' },
    body: '{"id":',
    cut,
  })),
);

/** So many hostile requests, the same for the same seed. */
export const drawShapes = (count: number, seed: number): readonly Shape[] =>
  fc.sample(fc.oneof({ weight: 60, arbitrary: ordinary }, { weight: 1, arbitrary: special }), {
    numRuns: count,
    seed,
  });
