import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  analyseRig,
  analyseStates,
  applyEdits,
  deviceOfClass,
  insertDevice,
  keepScene,
  newRig,
  setCableLength,
  switchesOn,
  toggleSwitch,
  writeNetlist,
  writeResponseCsv,
  type Edit,
  type Rig,
} from '@gullwind/core';
import { runCommand } from '../src/runCommand';

const folder = mkdtempSync(join(tmpdir(), 'gullwind-cli-'));
let count = 0;
function fileOf(text: string): string {
  const path = join(folder, `${++count}.json`);
  writeFileSync(path, text);
  return path;
}
const fileWith = (rig: Rig) => fileOf(JSON.stringify(rig));

const edited = (rig: Rig, ...edits: readonly ((now: Rig) => Edit)[]): Rig =>
  edits.reduce((now, edit) => applyEdits(now, edit(now)), rig);

/** A long cable, a buffered delay that is off, and a scene in which it is on. */
const rig = edited(
  newRig('=cmd()'),
  () => setCableLength('l1', 9),
  (now) => insertDevice(now, 0, { ...deviceOfClass('delay', '', 'Delay'), name: 'Eddy' }),
  (now) => insertDevice(now, 0, { ...deviceOfClass('drive', '', 'Drive'), name: 'Gale' }),
  (now) => toggleSwitch(now, 'd1'),
  (now) => keepScene(now, 'Echo'),
  (now) => toggleSwitch(now, 'd1'),
);
const path = fileWith(rig);

const jsonOf = (...args: string[]) => {
  const { exitCode, out, err } = runCommand(args);
  expect(err).toBe('');
  expect(exitCode).toBe(0);
  return JSON.parse(out) as Record<string, unknown>;
};

function soundOf(of: Rig) {
  const analysis = analyseRig(of);
  if (analysis.kind !== 'sounding') throw new Error('it sounds');
  return analysis;
}

test('figures are those of the page', () => {
  const { figures } = soundOf(rig);
  const json = jsonOf('figures', path);
  for (const [name, db] of Object.entries(figures)) expect(json[name]).toBeCloseTo(db as number, 4);
  expect(json).toMatchObject({ rig: '=cmd()', way: 'r1' });
  expect(json.says).toMatch(/straight in \(3\sm\)/u);
  expect(jsonOf('figures', path, '--units', 'imperial').says).toMatch(
    /straight in \([\d.]+\sft\)/u,
  );
});

test('a scene is recalled first', () => {
  const on = soundOf(edited(rig, (now) => toggleSwitch(now, 'd1')));
  expect(on.figures.trebleDb).not.toBeCloseTo(soundOf(rig).figures.trebleDb, 2);
  expect(jsonOf('figures', path, '--scene', 'Echo').trebleDb).toBeCloseTo(on.figures.trebleDb, 4);
});

test('a curve is the table that the page exports, or the same numbers as JSON', () => {
  const sound = soundOf(rig);
  expect(runCommand(['curve', path, '--format', 'csv']).out).toBe(writeResponseCsv(sound));
  const { frequencyHz, nowDb } = jsonOf('curve', path) as {
    frequencyHz: number[];
    nowDb: number[];
  };
  expect(frequencyHz).toHaveLength(sound.nowDb.length);
  expect(nowDb[100]).toBeCloseTo(sound.nowDb[100]!, 4);
});

test('states name what is on at both ends', () => {
  const all = analyseStates(rig, switchesOn(rig, 'r1'), 'r1');
  if (all.kind !== 'states') throw new Error('it sounds');
  const json = jsonOf('states', path);
  expect(json).toMatchObject({ switches: 2, states: all.count });
  expect(json.spreadDb).toBeCloseTo(all.spreadDb, 4);
  const names = { d1: 'Eddy', d2: 'Gale' } as Readonly<Record<string, string>>;
  const on = Object.keys(all.brightest.positions).filter((id) => all.brightest.positions[id]);
  expect(on.length).toBeGreaterThan(0);
  expect(json.brightest).toMatchObject({ on: on.map((id) => names[id]) });
  const { out } = runCommand(['states', path, '--format', 'csv']);
  expect(out.split('\r\n')[0]).toBe('state,trebleDb,on');
});

test('plans begin with leaving it alone, and one of them is advised', () => {
  const { plans } = jsonOf('plans', path, '--changes', '1') as {
    plans: { changes: string[]; advised: boolean; goal: number }[];
  };
  expect(plans[0]!.changes).toEqual(['Leave it as it is']);
  expect(plans.filter(({ advised }) => advised)).toHaveLength(1);
  expect(plans.at(-1)!.goal).toBeLessThan(plans[0]!.goal);
  const gear = fileOf(
    'name,kind,length (m),capacitance (pF/m),price\nQuay special,cable,9,40,20\n',
  );
  expect(runCommand(['plans', path, '--changes', '1', '--gear', gear]).out).toContain(
    'Quay special',
  );
});

test('a netlist is the circuit as it stands', () => {
  const written = writeNetlist(rig, 'r1');
  expect(runCommand(['netlist', path]).out).toBe(written.kind === 'ok' && written.text);
});

test('a spreadsheet runs nothing that a rig is called', () => {
  const { out } = runCommand(['figures', path, '--format', 'csv']);
  expect(out).not.toMatch(/^=|,=/mu);
  expect(out).toContain('trebleDb,-');
});

test.each<[string, string[], number, RegExp]>([
  ['no command', [], 2, /figures, curve, states, plans or netlist/u],
  ['no file', ['figures'], 2, /name the file of a rig/u],
  ['two files', ['figures', 'a', 'b'], 2, /“b” is one too many/u],
  ['another command', ['dance', 'a'], 2, /must be one of figures, curve/u],
  ['another format', ['figures', path, '--format', 'xml'], 2, /must be one of json, csv/u],
  ['an option that there is not', ['figures', path, '--loud'], 2, /--loud/u],
  ['another scene', ['figures', path, '--scene', 'Calm'], 2, /there is “Echo”/u],
  ['another place', ['figures', path, '--place', 'pit'], 2, /there is none/u],
  ['another way', ['figures', path, '--way', 'r9'], 2, /there is r1/u],
  ['a file that is not there', ['figures', join(folder, 'none.json')], 1, /There is no file/u],
  ['what is not JSON', ['figures', fileOf('{')], 1, /is not JSON/u],
  ['what is not a rig', ['figures', fileOf('{"format":99}')], 1, /format: “format” is 99/u],
])('%s is said, with an exit code', (_, args, exitCode, says) => {
  const outcome = runCommand(args);
  expect(outcome).toMatchObject({ exitCode, out: '' });
  expect(outcome.err).toMatch(says);
});

test('where nothing comes through there is nothing to say', () => {
  const cut = fileWith(applyEdits(rig, { kind: 'connect', row: 'r1', at: 1, cable: null }));
  for (const command of ['figures', 'curve', 'states', 'netlist'])
    expect(runCommand([command, cut])).toMatchObject({ exitCode: 3, out: '' });
});

test('it is a program: what comes in is read, and what goes out can be piped on', () => {
  const program = fileURLToPath(new URL('../../scripts/gullwind.mjs', import.meta.url));
  const call = (...args: string[]) =>
    spawnSync(process.execPath, [program, ...args], {
      input: JSON.stringify(rig),
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    });
  const { status, stdout } = call('curve', '-', '--format', 'csv');
  expect(status).toBe(0);
  expect(stdout).toBe(writeResponseCsv(soundOf(rig)));
  expect(call('--help').stdout).toContain('Exit codes');
  expect(call('dance', '-').status).toBe(2);
});
