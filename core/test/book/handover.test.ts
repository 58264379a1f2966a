import {
  faultSteps,
  handoverOf,
  sayPresses,
  sayTravel,
  type HandoverQuestion,
} from '../../src/book';
import { cableList, NO_RECORDS } from '../../src/build';
import { drawRunOnPaper } from '../../src/book/drawRun';
import { measureRig } from '../../src/figures';
import { formatSignedDb } from '../../src/quantity';
import {
  applyEdits,
  insertDevice,
  keepPlace,
  keepScene,
  newRig,
  plugInAtPlace,
  removeDevice,
  type Rig,
} from '../../src/rig';
import { deviceOfClass } from '../../src/gear';
import { laidOut } from '../build/laidOut';

/// What is handed over: every section from the computation that the pages ask.

const bookOf = (rig: Rig, more: Partial<HandoverQuestion> = {}) =>
  handoverOf({
    rig,
    gear: [],
    records: NO_RECORDS,
    hunts: [],
    units: 'metric',
    bands: null,
    today: '2026-11-27',
    revision: 7,
    ...more,
  });
const sectionOf = (rig: Rig, id: string, more: Partial<HandoverQuestion> = {}) =>
  bookOf(rig, more).sections.find((section) => section.id === id);
const tablesOf = (rig: Rig, id: string, more: Partial<HandoverQuestion> = {}) =>
  sectionOf(rig, id, more)!.blocks.flatMap((block) =>
    block.kind === 'table' ? [block.table] : [],
  );

test('a bare rig has a book without a board, power or songs; a laid out one has all of it', () => {
  const ids = (rig: Rig) => bookOf(rig).sections.map(({ id }) => id);
  expect(ids(newRig('bare'))).toEqual([
    'signal',
    'cables',
    'figures',
    'faults',
    'spares',
    'away',
    'cautions',
    'walked',
  ]);
  const rig = laidOut(4);
  const played = applyEdits(rig, keepScene(rig, 'clean'));
  expect(ids(played)).toEqual([
    'signal',
    'board',
    'cables',
    'power',
    'playing',
    'figures',
    'faults',
    'spares',
    'away',
    'cautions',
    'walked',
  ]);
  expect(bookOf(played).under).toBe('Book of the rig, 2026-11-27, revision 7');
});

test('every cable with its label, as Build has it', () => {
  const rig = laidOut(5);
  expect(tablesOf(rig, 'cables')[0]!.rows.map(([label]) => label)).toEqual(
    cableList(rig).map(({ label }) => label),
  );
});

test('figures are those of the model, with the bands that were drawn', () => {
  const rig = laidOut(3);
  const measured = measureRig(rig);
  if (measured.kind !== 'sounding') throw new Error(measured.kind);
  const bounds = { low: -9, median: -8, high: -7 };
  const bands = Object.fromEntries(Object.keys(measured.figures).map((key) => [key, bounds]));
  const [first] = tablesOf(rig, 'figures', { bands: bands as never })[0]!.rows;
  expect(first).toEqual([
    'Treble, 2–8 kHz',
    `${formatSignedDb(measured.figures.trebleDb, 2)} dB`,
    '−9.0 to −7.0 dB',
  ]);
});

test('a hired amp is told with the place it is at', () => {
  const rig = newRig('away');
  const placed = applyEdits(rig, keepPlace(rig, 'the pier'));
  const amp = { ...placed.electrical.destinations[0]!, name: 'Pier amp' };
  const hired = applyEdits(placed, plugInAtPlace(placed, 'w1', { destination: amp }));
  expect(tablesOf(hired, 'figures')[1]!.rows[0]!.slice(0, 2)).toEqual([
    'the pier',
    'Pier amp, hired',
  ]);
  const lists = sectionOf(hired, 'away')!.blocks.flatMap((block) =>
    block.kind === 'list' ? block.items : [],
  );
  expect(lists).toContain('the pier: Pier amp is hired.');
});

test('five steps name what is on this rig', () => {
  const rig = laidOut(4);
  const steps = faultSteps(rig);
  expect(steps).toHaveLength(5);
  expect(steps[2]).toContain('Pedal 3');
  expect(steps[3]).toContain('supply feeds Pedal 1, Pedal 2, Pedal 3 and Pedal 4');
  expect(faultSteps(newRig('bare'))).toHaveLength(5);
});

test('nothing of the Run lies outside of its paper, whatever is in it', () => {
  let rig = newRig('a rig');
  for (let i = 0; i < 32; i += 1) {
    const { width, height, shapes } = drawRunOnPaper(rig, 'metric');
    for (const shape of shapes) {
      const points = shape.kind === 'path' ? shape.points : [[shape.x, shape.y] as const];
      for (const [x, y] of points) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(width);
        expect(y).toBeGreaterThanOrEqual(0);
        expect(y).toBeLessThanOrEqual(height);
      }
    }
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `Pedal ${i + 1}`)));
  }
  const cut = {
    ...rig,
    electrical: {
      ...rig.electrical,
      rows: rig.electrical.rows.map((row) => ({ ...row, cables: row.cables.with(3, null) })),
    },
  };
  expect(drawRunOnPaper(cut, 'imperial').shapes.length).toBeGreaterThan(30);
  expect(drawRunOnPaper(applyEdits(rig, removeDevice(rig, 'd1')), 'metric').title).toBe(
    'The way of the signal',
  );
});

test('presses and travel in words', () => {
  expect(sayTravel(null, 'metric')).toBe('not placed');
  expect(sayTravel(0.456, 'metric')).toBe('45.6\u00a0cm');
  expect(sayTravel(0.456, 'imperial')).toMatch(/\u00a0(?:ft|in|″)|″$/u);
  const sheet = { presses: 6, travelM: 1.2, switcher: null };
  expect(sayPresses(sheet, 'metric')).toBe(
    '6 presses between the songs, 1.2\u00a0m of the foot from switch to switch.',
  );
  expect(sayPresses({ ...sheet, switcher: { presses: 4, travelM: 1.2 } }, 'metric')).toContain(
    'A switcher would save 4 of them and the 1.2\u00a0m.',
  );
});
