import { newRig, withElectrical } from '@gullwind/core';
import { endLine, HEADER_LINE, type KeptRig } from '../src';
import { partsIn } from './partsIn';

/// Whole workspaces, and what is none.

const moment = '2026-11-25T10:00:00.000000Z';
const ID = '5d0c7f6e-1a51-4c1e-9a01-000000000001';
const rig: KeptRig = {
  kind: 'rig',
  id: ID,
  revision: 2,
  createdAt: moment,
  updatedAt: moment,
  deletedAt: null,
  document: newRig('one 🎸 – café'),
};
const revision = (at: number) => ({
  kind: 'revision',
  rig: ID,
  revision: at,
  savedAt: moment,
  name: null,
  document: newRig('one'),
});
const textOf = (lines: readonly unknown[], counts: object = {}) =>
  [
    HEADER_LINE,
    ...lines.map((line) => JSON.stringify(line)),
    endLine({ rigs: 0, revisions: 0, gear: 0, records: 0, ...counts }),
  ].join('\n');

const WHOLE = textOf([rig, revision(1), revision(2)], { rigs: 1, revisions: 2 });

test.each([1, 2, 3, 1000])('cut every %d bytes it reads the same', async (piece) => {
  expect(await partsIn(WHOLE, piece)).toEqual([rig, revision(1), revision(2)]);
});

test('a byte-order mark, line ends of another system and empty lines are read', async () => {
  const text = `\uFEFF${WHOLE.replaceAll('\n', '\r\n')}\r\n\r\n`;
  expect(await partsIn(text)).toHaveLength(3);
  const older = { kind: 'gullwind-workspace', format: 2, rigs: [], gear: [], settings: null };
  for (const indent of [0, 1]) {
    expect(await partsIn(`\uFEFF${JSON.stringify(older, null, indent)}\n`)).toEqual([]);
  }
});

test('what its writer could not read is put back as it is; what it could is looked at', async () => {
  const broken = { ...rig, document: { format: 9, some: 'thing' } };
  expect(await partsIn(textOf([{ ...broken, unreadable: true }], { rigs: 1 }))).toHaveLength(1);
  await expect(partsIn(textOf([broken], { rigs: 1 }))).rejects.toThrow(/line 2.*format.* is 9/u);
});

const one = newRig('one');
const nowhere = withElectrical(one, {
  rows: [
    ...one.electrical.rows,
    { id: 'r2', at: { kind: 'loop', device: 'd9', loop: 0 }, devices: [], cables: [null] },
  ],
});
const older = { kind: 'gullwind-workspace', format: 2, rigs: [], gear: [], settings: null };
const { kind: _, ...olderRig } = { ...rig, revisions: [] };

test.each<[string, string, RegExp]>([
  ['nothing', '', /not JSON/u],
  ['null', 'null', /does not begin like one/u],
  ['a list', `[${WHOLE}]`, /does not begin like one/u],
  ['brackets without end', '[[[[', /does not begin like one/u],
  ['a deep first line', `{"a":${'['.repeat(100)}`, /file: It is nested deeper than 64/u],
  [
    'a deep part',
    textOf([{ kind: 'rig' }]).replace('"rig"', '[['.repeat(40)),
    /line 2: It is nested/u,
  ],
  [
    'a part of very many values',
    `${HEADER_LINE}\n{"kind":[${'1,'.repeat(2 ** 20)}1]}`,
    /line 2: It holds more than 1,048,576 values/u,
  ],
  ['half a header', '{"kind":', /file: It is not JSON/u],
  ['a later format', '{"kind":"gullwind-workspace","format":9}', /format: It is 9; this version/u],
  ['no end', WHOLE.slice(0, WHOLE.lastIndexOf('\n')), /cut short/u],
  ['half a line', WHOLE.slice(0, -3), /line 5: It is not JSON/u],
  ['a wrong count', textOf([rig], { rigs: 2 }), /ends with 2 rigs; there are 1/u],
  ['something behind its end', `${WHOLE}\n${JSON.stringify(rig)}`, /line 6: .*behind its end/u],
  ['a rig twice', textOf([rig, rig], { rigs: 2 }), /line 3: .*twice/u],
  ['a revision of no rig', textOf([revision(1)]), /line 2: A revision stands behind its rig/u],
  ['a revision twice', textOf([rig, revision(1), revision(1)]), /Revision 1 stands behind/u],
  ['an unknown part', textOf([{ kind: 'boat' }]), /line 2, kind: “kind” must be one of rig,/u],
  ['a part like every object', textOf([{ kind: 'toString' }]), /must be one of/u],
  ['a polluting key', textOf([JSON.parse('{"kind":"rig","__proto__":{"a":1}}')]), /not allowed/u],
  [
    'absurd gear',
    textOf([{ kind: 'gear', place: 1, revision: 1, item: { kind: 'boat' } }]),
    /item/u,
  ],
  ['a moment that is none', textOf([{ ...rig, createdAt: 'yesterday' }]), /not a moment/u],
  ['a graph that ends nowhere', textOf([{ ...rig, document: nowhere }]), /not in the rig/u],
  ['older: another kind', JSON.stringify({ ...older, kind: 'boat' }), /kind/u],
  ['older: a rig twice', JSON.stringify({ ...older, rigs: [olderRig, olderRig] }), /duplicate/u],
  [
    'older: a later rig',
    JSON.stringify({ ...older, rigs: [{ ...olderRig, document: { ...one, format: 9 } }] }),
    /format.* is 9; this version reads format 7 and those before it/u,
  ],
  [
    'older: absurd gear',
    JSON.stringify({ ...older, gear: [{ place: 1, revision: 1, item: { kind: 'boat' } }] }),
    /must be one of/u,
  ],
])('%s is refused with a sentence', async (_, text, message) => {
  await expect(partsIn(text)).rejects.toThrow(message);
  expect(({} as Record<string, unknown>).a).toBeUndefined();
});

test('a deep or long string is no depth and holds no values', async () => {
  const name = `[[{,"\\`.repeat(300_000);
  const parts = await partsIn(
    textOf([{ ...rig, document: { name }, unreadable: true }], { rigs: 1 }),
  );
  expect((parts[0] as KeptRig).document).toEqual({ name });
});

/** A file that goes on for as long as somebody reads it. */
async function* endless(first: string, more: string) {
  yield new TextEncoder().encode(first);
  for (;;) {
    taken += more.length;
    yield new TextEncoder().encode(more);
  }
}
let taken = 0;

test.each<[string, string, RegExp]>([
  ['of one line', '{"kind":"gullwind-workspace","rigs":"', /A line is too long: at most 32 MiB/u],
  ['of an earlier format', '{"kind":"gullwind-workspace",\n', /too large: at most 32 MiB/u],
  ['with an endless part', `${HEADER_LINE}\n{"kind":"`, /A line is too long: at most 16 MiB/u],
])('a file %s is read no further than its bound', async (_, first, message) => {
  taken = 0;
  const more = `${' '.repeat(2 ** 20 - 1)}${first.endsWith('\n') ? '\n' : 'x'}`;
  const { readWorkspace } = await import('../src');
  const reading = (async () => {
    for await (const _ of readWorkspace(endless(first, more)));
  })();
  await expect(reading).rejects.toThrow(message);
  expect(taken).toBeLessThan(34 * 2 ** 20);
});

test('bytes that are no text are refused', async () => {
  const { readWorkspace } = await import('../src');
  const bytes = async function* () {
    yield new Uint8Array([0x7b, 0xff, 0xfe]);
  };
  await expect(readWorkspace(bytes()).next()).rejects.toThrow('not text in UTF-8');
});
