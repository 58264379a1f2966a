import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  allDevices,
  compileSection,
  createLadderState,
  drivePath,
  gridOf,
  routeOf,
  solveLadder,
  switchesOfDevice,
  writeNetlist,
  type Rig,
} from '@gullwind/core';
import { DEMO_RIGS } from '../src/demo/demoRigs';

/// The demo rigs in a general circuit simulator, where Debian's is installed.

const isThere = spawnSync('ngspice', ['--version']).status === 0;
if (!isThere) {
  process.emitWarning(
    'SKIPPED: ngspice is not installed; netlists are held against nodal analysis alone.',
  );
}
const whereInstalled = isThere ? describe : describe.skip;

const switchesOf = (rig: Rig) => allDevices(rig).flatMap(switchesOfDevice);
const inState = (rig: Rig, isOn: (index: number) => boolean): Rig => ({
  ...rig,
  state: {
    ...rig.state,
    positions: Object.fromEntries(
      switchesOf(rig).flatMap((id, i) => (isOn(i) ? [[id, true]] : [])),
    ),
  },
});

function simulate(netlist: string): readonly (readonly [hz: number, db: number])[] {
  const file = join(mkdtempSync(join(tmpdir(), 'gullwind-')), 'rig.cir');
  writeFileSync(file, netlist);
  const { stdout, stderr } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' });
  const rows = [...stdout.matchAll(/^\d+\t(\S+)\t(\S+)\t/gmu)].map(
    ([, hz, db]) => [Number(hz), Number(db)] as const,
  );
  if (rows.length === 0) throw new Error(`${stdout}\n${stderr}`);
  return rows;
}

function modelDb(rig: Rig, hz: readonly number[]): readonly number[] {
  const grid = gridOf(Float64Array.from(hz));
  const out = new Float64Array(2 * hz.length);
  const state = createLadderState(hz.length);
  const sum = hz.map(() => 0);
  for (const { circuit } of drivePath(routeOf(rig)).sections) {
    solveLadder(compileSection(circuit), circuit.load, grid, out, state);
    for (const i of hz.keys()) sum[i]! += 20 * Math.log10(Math.hypot(out[2 * i]!, out[2 * i + 1]!));
  }
  return sum;
}

whereInstalled.each(DEMO_RIGS.map(({ rig }) => [rig.texts.name, rig] as const))(
  '%s in a simulator',
  (_, rig) => {
    const audible = (state: Rig) => writeNetlist(state).kind === 'ok';
    const states: readonly (readonly [string, Rig])[] = [
      ['as it stands', rig],
      ['everything off', inState(rig, () => false)],
      // The tuner would mute: every second switch, from the first or the second on.
      ['every second on', [0, 1].map((odd) => inState(rig, (i) => i % 2 === odd)).find(audible)!],
    ];
    test.each(states)('%s: the same response to 0.01 dB', (_name, state) => {
      const netlist = writeNetlist(state);
      if (netlist.kind === 'refused') throw new Error(netlist.message);
      const simulated = simulate(netlist.text);
      expect(simulated.length).toBeGreaterThan(250);
      const model = modelDb(
        state,
        simulated.map(([hz]) => hz),
      );
      const apart = simulated.map(([, db], i) => Math.abs(db - model[i]!));
      expect(Math.max(...apart)).toBeLessThan(0.01);
    });
  },
);
