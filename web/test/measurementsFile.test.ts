import { readTable } from '@gullwind/contract';
import type { Measurement } from '@gullwind/core';
import type { Answer } from '../src/app/http';
import { outbox, type Operation } from '../src/app/outbox';
import { measurementsFile } from '../src/features/bench/model/measurementsFile';

/// Everything that was measured goes into one file, however many times the server has to be asked.

const measured = (id: string): Measurement => ({
  ...{ id, job: 'cable', rig: null, gear: null, subject: `Reel ${id}`, instrument: '' },
  ...{ isSimulated: false, figures: [], words: '', by: '', note: '', struck: null },
  readings: [{ label: '', quantity: 'capacitance', values: [1e-10], conditions: {} }],
  responses: [],
  at: '2026-11-27T10:00:00.000Z',
});

const PAGES: Readonly<Record<string, readonly string[]>> = { '': ['a', 'b'], b: ['c'], c: [] };

const asked: string[] = [];
/** A server with two pages, which is gone when one of them is asked for. */
const server =
  (gone = '') =>
  <Data>({ path }: { readonly path: string }): Promise<Answer<Data>> => {
    asked.push(path);
    const { pathname, searchParams } = new URL(path, 'http://here');
    const before = searchParams.get('before') ?? '';
    if (gone !== '' && before === gone) return Promise.resolve({ kind: 'away' });
    const data =
      pathname === '/measurements'
        ? { total: 3, measurements: PAGES[before]!.map(measured) }
        : measured(pathname.split('/').at(-1)!);
    return Promise.resolve({ kind: 'ok', data: data as Data });
  };

const subjects = (parts: readonly string[]): readonly string[] => {
  const read = readTable(parts.join(''));
  return read.kind === 'ok' ? read.value.rows.map(({ cells }) => cells[3]!) : [];
};

test('all pages, each with what was read; of one rig where one is asked for', async () => {
  const file = await measurementsFile('r', server());
  expect('parts' in file && subjects(file.parts)).toEqual(['Reel a', 'Reel b', 'Reel c']);
  expect(asked.filter((path) => path.startsWith('/measurements?'))).toEqual([
    '/measurements?rig=r',
    '/measurements?rig=r&before=b',
    '/measurements?rig=r&before=c',
  ]);
});

test('no half a file where the server goes in the middle', async () => {
  expect(await measurementsFile(null, server('b'))).toEqual({ failure: { kind: 'away' } });
});

test('one that waits to be sent is in it as it was measured, and struck out where that waits, too', async () => {
  const { id: _, at: __, struck: ___, ...sent } = measured('new');
  const waits = (nth: number, name: string, args: object): Operation => ({
    ...{ id: `o${nth}`, name, args, subject: 'gear', windowId: 'w', nth, state: 'waiting' },
  });
  outbox.load([
    waits(1, 'addMeasurement', { id: 'new', sent }),
    waits(2, 'strikeMeasurement', { id: 'a', struck: 'open clip' }),
  ]);
  asked.length = 0;
  const file = await measurementsFile(null, server());
  expect('parts' in file && subjects(file.parts)).toEqual([
    'Reel new',
    'Reel a',
    'Reel b',
    'Reel c',
  ]);
  expect(asked).not.toContain('/measurements/new');
  expect('parts' in file && file.parts.join('')).toContain('open clip');
});
