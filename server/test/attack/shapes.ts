import { gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { ROUTES, VICTIMS } from './routes';

/// Requests that are meant to hurt, drawn by a seed: on every route, with every kind of thing that has hurt once.

export interface Shape {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | Buffer | null;
  /** What is done to the connection instead of a whole request. */
  readonly cut: 'silent' | 'half a head' | 'half a body' | null;
}

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
  `"${VICTIMS[0]!.toUpperCase()}"`,
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

const wounded = (text: fc.Arbitrary<string>) =>
  fc
    .tuple(text, fc.array(wound, { minLength: 0, maxLength: 3 }))
    .map(([whole, wounds]) => wounds.reduce(hurt, whole));

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

const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD'];

const ordinary: fc.Arbitrary<Shape> = fc
  .tuple(fc.constantFrom(...ROUTES), fc.nat(9))
  .chain(([{ method, path: address, type, body }, luck]) =>
    fc.record({
      method: fc.constantFrom(...Array<string>(6).fill(method), ...METHODS),
      path: fc.tuple(address, query).map((both) => both.join('')),
      headers: headers.map((more) => ({ 'Content-Type': type, ...more })),
      body: luck === 0 ? fc.string({ maxLength: 300 }) : wounded(body),
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
