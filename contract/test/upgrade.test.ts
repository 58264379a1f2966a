import { readFileSync } from 'node:fs';
import {
  analyseRig,
  analyseStates,
  applyEdit,
  applyEdits,
  checkRig,
  GEAR_KINDS,
  insertBuffer,
  measurePlaces,
  measureScenes,
  RIG_FORMAT,
  routeRows,
  rowOf,
  switchesOf,
  switchesOn,
  typicalBoard,
  USUAL_LAYING,
  type Chain,
  type Figures,
  type Rig,
} from '@gullwind/core';
import {
  decodeText,
  guessColumn,
  readGearRows,
  readItem,
  readRig,
  readTable,
  type WorkspacePart,
} from '../src';
import { partsIn } from './partsIn';

/// What earlier versions kept is read as it is now, and sounds as it did. The figures beside the documents were
/// written down by the version that wrote them.

const kept = <T>(file: string): T =>
  JSON.parse(readFileSync(new URL(`older/${file}`, import.meta.url), 'utf8')) as T;

const demand = (value: unknown): Rig => {
  const read = readRig(value);
  if (read.kind === 'refused') throw new Error(JSON.stringify(read.problems));
  return read.value;
};

function expectClose(now: unknown, then: unknown, at = ''): void {
  if (typeof then === 'number') {
    if (!(Math.abs((now as number) - then) <= 1e-9))
      throw new Error(`${at}: ${String(now)} was ${then}`);
    return;
  }
  if (typeof then !== 'object' || then === null) return expect([at, now]).toEqual([at, then]);
  expect([at, Object.keys(now as object).sort()]).toEqual([at, Object.keys(then).sort()]);
  for (const [key, inner] of Object.entries(then))
    expectClose((now as Record<string, unknown>)[key], inner, `${at}.${key}`);
}

const soundOf = (chain: Chain, rowId?: string) => {
  const analysis = analyseRig(chain, undefined, rowId);
  if (analysis.kind !== 'sounding') return { kind: analysis.kind };
  const { figures, absoluteTrebleDb } = analysis;
  return { figures, absoluteTrebleDb };
};

const sideOf = ({ id, sound }: ReturnType<typeof measureScenes>[number]) => ({
  id,
  figures: sound?.figures ?? null,
});

function figuresOf(rig: Rig) {
  const states = analyseStates(rig, switchesOn(rig));
  return {
    ways: Object.fromEntries(routeRows(rig).map(({ id }) => [id, soundOf(rig, id)])),
    scenes: measureScenes(rig, 'r1').map(sideOf),
    places: measurePlaces(rig, 'r1').map(sideOf),
    states:
      states.kind === 'states' ? { spread: states.spreadDb, mean: states.meanDb } : states.kind,
    pins: rig.pins.map((pin) => soundOf(pin.rig)),
  };
}

interface KeptFigures {
  readonly ways: Readonly<Record<string, object>>;
}

const FORMATS_2_AND_3 =
  kept<{ rig: { name: string; format: number }; expected: KeptFigures }[]>('rigs.json');

/** The version that wrote them down called side ways off an amp's loop muted, which they are not. */
function withoutMistaken(rig: Rig, { ways, ...rest }: KeptFigures) {
  const mistaken = rig.electrical.rows
    .filter(({ at }) => at.kind === 'side' && rowOf(rig, at.device)?.at.kind === 'ampLoop')
    .map(({ id }) => id);
  const kept = Object.entries(ways).filter(([id]) => !mistaken.includes(id));
  return { ...rest, ways: Object.fromEntries(kept) };
}

test.each(FORMATS_2_AND_3.map((one, i) => [i, one.rig.format, one] as const))(
  'rig %i, kept in format %i, reads as this format with the same figures, and is edited and kept',
  (_, format, { rig: old, expected }) => {
    expect([2, 3]).toContain(format);
    const rig = demand(old);
    expect(rig.format).toBe(RIG_FORMAT);
    expectClose(withoutMistaken(rig, figuresOf(rig)), withoutMistaken(rig, expected));
    const edited = applyEdits(rig, insertBuffer(rig, 0));
    expect(checkRig(edited)).toEqual([]);
    expect(demand(JSON.parse(JSON.stringify(edited)))).toEqual(edited);
  },
);

const FORMAT_4 = kept<{ rig: unknown; expected: KeptFigures }[]>('rigs4.json');

test.each(FORMAT_4.map((one, i) => [i, one] as const))(
  'rig %i, kept in format 4, has its board, its plugs and its cases, and the same figures',
  (i, { rig: old, expected }) => {
    const rig = demand(old);
    expectClose(figuresOf(rig), expected);
    expect(demand(JSON.parse(JSON.stringify(rig)))).toEqual(rig);
    const { boards, fixtures, ends, placements, lanes, laying } = rig.layout;
    expect(boards[0]).toMatchObject({ name: 'Raft', slats: typicalBoard('').slats, openings: [] });
    expect(fixtures[0]!.body.widthM).toEqual({ value: 0.09, from: 'entered' });
    expect(Object.values(ends)[0]!.from).toMatchObject({
      jack: 'out',
      leaves: null,
      plug: { name: 'Dogleg', reachM: { value: 0.03, from: 'assumed' } },
    });
    expect({ placements, lanes, laying }).toEqual({
      placements: {},
      lanes: [],
      laying: USUAL_LAYING,
    });
    // What was said of a case stays; what stood at its top stands at its back.
    const body = rig.electrical.rows[0]!.devices[0]!.body!;
    expect(body).toMatchObject({ fails: 'the socket', placesFrom: 'assumed' });
    expect(body.jacks).toEqual([
      { kind: 'in', side: 'back', alongM: 0.023 },
      { kind: 'out', side: 'left', alongM: 0.074 },
      { kind: 'power', side: 'back', alongM: 0.047 },
    ]);
    expect(rig.pins).toHaveLength(i === 0 ? 1 : 0);
  },
);

const FORMAT_5 = kept<{ rig: unknown; expected: KeptFigures }[]>('rigs5.json').map(
  ({ rig, expected }) => ({ rig: demand(rig), expected }),
);

test.each(FORMAT_5.map((one, i) => [i, one] as const))(
  'rig %i, kept in format 5, has the same figures, and is kept again',
  (_, { rig, expected }) => {
    expectClose(figuresOf(rig), expected);
    expect(demand(JSON.parse(JSON.stringify(rig)))).toEqual(rig);
  },
);

test('a supply that lay on a board in format 5 feeds what its cables went to', () => {
  const { power, layout, nextIds, electrical } = FORMAT_5[0]!.rig;
  expect(power.supplies).toMatchObject([
    { id: 'f1', name: 'Tide Eight', groups: [{ outlets: 8, volts: 9, ground: 'isolated' }] },
  ]);
  expect(layout.fixtures).toEqual([]);
  expect(layout.placements.f1).toMatchObject({ at: 'deck', isUnder: true });
  expect(power.feeds.map(({ id, consumer, outlet }) => [id, consumer, outlet])).toEqual(
    ['d1', 'd3', 'd4', 'd5', 'd6', 'd7', 'd8'].map((one, i) => [`k${i + 1}`, one, i]),
  );
  expect(power.feeds[0]).toMatchObject({ after: null, lengthM: { from: 'laid' } });
  expect(nextIds.k).toBe(8);
  const { supplyA, idleA, ground } = electrical.rows[0]!.devices[0]!.body!;
  expect([idleA, ground]).toEqual([supplyA, 'negative']);
});

test('feeds and a DC cable from pedal to pedal of format 5 are a chain', () => {
  const { power, layout, nextIds } = FORMAT_5[1]!.rig;
  expect(power.supplies).toMatchObject([
    { id: 'u1', groupsFrom: 'sheet', groups: [{ outlets: 6, volts: 9, amps: 0.1 }] },
  ]);
  expect(power.feeds).toMatchObject([
    { id: 'k3', consumer: 'd1', supply: 'u1', outlet: 2, after: null },
    { id: 'k1', consumer: 'd2', supply: 'u1', outlet: 2, after: 'd1', lengthM: { value: 0.4 } },
  ]);
  expect(layout.controls.map(({ id, carries }) => [id, carries])).toEqual([['k2', 'midi']]);
  expect(nextIds.k).toBe(4);
});

const FORMAT_6 = kept<{ rig: object; expected: KeptFigures }[]>('rigs6.json');

test.each(FORMAT_6.map((one, i) => [i, one] as const))(
  'rig %i, kept in format 6, has an empty book and the same figures, and is kept again',
  (_, { rig: old, expected }) => {
    const rig = demand(old);
    const { format, book, ...rest } = rig;
    expect([format, book.songs, book.walked]).toEqual([RIG_FORMAT, [], {}]);
    expect({ ...rest, format: 6 }).toEqual(old);
    expectClose(figuresOf(rig), expected);
    expect(demand(JSON.parse(JSON.stringify(rig)))).toEqual(rig);
  },
);

const FORMAT_1 =
  kept<{ rig: { name: string; positions: object }; figures: Figures }[]>('rigs1.json');

test.each(FORMAT_1.map(({ rig, figures }) => [rig.name, rig, figures] as const))(
  '%s, kept in format 1, reads as this format and sounds the same',
  (name, old, figures) => {
    const rig = demand(old);
    expect(rig).toMatchObject({
      format: RIG_FORMAT,
      texts: { name },
      state: { positions: old.positions, playing: 'g1', unpowered: [] },
    });
    expectClose(soundOf(rig), { ...soundOf(rig), figures });
  },
);

test('what had no power has none; what was dismissed stays so; a new id is above every one spoken of', () => {
  const [{ rig: old }] = FORMATS_2_AND_3 as unknown as [{ rig: Record<string, object> }];
  const rig = demand({
    ...old,
    standing: { ...old.standing, powered: false },
    silenced: ['loadedBypass:d2', 'spread:'],
    brief: { ...old.brief, uses: { d40: 'stamped' }, keptLeads: ['l50'] },
  });
  expect(rig.state.unpowered).toEqual(
    rig.electrical.rows.flatMap((r) => r.devices.map((d) => d.id)),
  );
  expect(rig.texts.dismissed).toEqual(['hardwiredBypass:d2', 'spread:']);
  expect(rig.texts.brief).toMatchObject({ uses: { d40: 'switched' }, keptCables: ['l50'] });
  const put = applyEdit(rig, insertBuffer(rig, 0));
  if (put.kind === 'refused') throw new Error(put.message);
  expect(put.rig.electrical.rows[0]!.devices[0]!.id).toBe('d41');
  expect(put.rig.electrical.rows[0]!.cables.map((c) => c!.id)).toContain('l51');
  expect(switchesOf(put.rig).length).toBeGreaterThan(0);
});

test('every entry of a gear list of before, from JSON and from CSV, is the same thing', () => {
  const items = kept<{ id: string; kind: string; thing: { name: string } }[]>('gear.json');
  const read = items.map((item) => {
    const one = readItem(item);
    if (one.kind === 'refused') throw new Error(`${item.id}: ${JSON.stringify(one.problems)}`);
    return one.value;
  });
  for (const { kind } of read) expect(GEAR_KINDS).toContain(kind);
  const text = decodeText(readFileSync(new URL('older/gear.csv', import.meta.url)));
  if (text.kind === 'refused') throw new Error(text.problems[0]!.message);
  const table = readTable(text.value);
  if (table.kind === 'refused') throw new Error(table.problems[0]!.message);
  const report = readGearRows(table.value, {
    columns: table.value.header.map(guessColumn),
    kind: 'device',
    from: 'entered',
    newId: () => 'never-used',
  });
  expect(report.problems).toEqual([]);
  const inner = new Map(report.items.map((item) => [item.id, item]));
  for (const item of read) {
    const { thing, ...rest } = inner.get(item.id)!;
    expectClose({ ...rest, thing: { ...thing, id: item.thing.id } }, { ...item });
  }
});

test('a workspace of format 1, with rigs of formats 1 to 3', async () => {
  const parts = await partsIn(JSON.stringify(kept('workspace.json')));
  const of = <K extends WorkspacePart['kind']>(kind: K) =>
    parts.filter((part): part is Extract<WorkspacePart, { kind: K }> => part.kind === kind);
  expect(of('rig').map(({ document }) => demand(document).format)).toEqual([7, 7, 7]);
  expect(of('gear').every(({ item }) => GEAR_KINDS.includes(item.kind))).toBe(true);
  expect(of('settings')[0]!.settings).toMatchObject({ units: 'imperial' });
});

test('a damaged rig of any format is refused in words, not thrown', () => {
  const [{ rig: format1 }] = FORMAT_1 as [(typeof FORMAT_1)[0]];
  for (const damage of [
    { devices: 'none' },
    { leads: [null] },
    { guitar: 3 },
    { amp: undefined },
    { positions: [] },
    { devices: [{ bypass: {} }] },
  ])
    expectRefused({ ...format1, ...damage });
  const [{ rig: format3 }] = FORMATS_2_AND_3 as [(typeof FORMATS_2_AND_3)[0]];
  for (const damage of [
    { rows: 'none' },
    { rows: [{ at: 1 }] },
    { rows: [{ id: 'r1', at: { kind: 'side', to: 4 }, devices: 1, leads: {} }] },
    { standing: null },
    { scenes: [{ standing: 1 }] },
    { brief: 'much' },
    { pins: [{ rig: { rows: 3 } }] },
    { unheardOf: 1 },
    { electrical: {} },
  ])
    expectRefused({ ...format3, ...damage });
});

function expectRefused(value: unknown): void {
  const read = readRig(value);
  expect(read.kind).toBe('refused');
  if (read.kind === 'refused') expect(read.problems[0]!.message).toMatch(/\.$/u);
}
