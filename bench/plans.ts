import {
  analyseStates,
  applyEdits,
  countedScenes,
  deviceOfClass,
  entered,
  goalOf,
  insertDevice,
  keepScene,
  keepPlace,
  mainRow,
  makeMoves,
  measureRig,
  newRig,
  searchToEnd,
  setCableLength,
  goToPlace,
  toggleSwitch,
  stillSwitches,
  switchesOf,
  weightsOf,
  type DeviceClass,
  type Rig,
} from '@gullwind/core';
import { DEMO_GEAR } from '../server/src/demo/demoGear';
import { amount } from './amount';

/// The search for plans on twenty pedals at three places: time of all plans of two moves, and what one plan
/// costs in it beside solving it afresh. Read the ratio, the machine is noisy.

const AFRESH = amount(40);

const CLASSES: readonly DeviceClass[] = [
  'tuner',
  'wah',
  'octave',
  'compressor',
  ...Array.from({ length: 6 }, (): DeviceClass => 'drive'),
  'equaliser',
  ...Array.from({ length: 5 }, (): DeviceClass => 'modulation'),
  'boost',
  'delay',
  'delay',
  'reverb',
];

/** Twenty pedals as they stand on boards, no two alike to the signal. */
function twentyPedals(): Rig {
  let rig = newRig('twenty pedals');
  for (const [i, name] of CLASSES.entries()) {
    const typical = deviceOfClass(name, '');
    const strayF = { value: (20 + i) * 1e-12, from: 'measured' } as const;
    const on = { ...typical.on, rOutOhm: entered(800 + 350 * i) };
    const device = { ...typical, name: `${name} ${i + 1}`, strayF, on };
    rig = applyEdits(rig, insertDevice(rig, i, device));
  }
  return rig;
}

function atThreePlaces(): Rig {
  let rig = twentyPedals();
  const [first, last] = [mainRow(rig).cables[0]!, mainRow(rig).cables.at(-1)!];
  for (const [name, inM, outM] of [
    ['home', 3, 3],
    ['rehearsal', 5, 6],
    ['the big stage', 9, 14],
  ] as const) {
    rig = applyEdits(rig, setCableLength(first.id, inM), setCableLength(last.id, outM));
    rig = applyEdits(rig, keepPlace(rig, name));
  }
  for (const at of [3, 9, 15]) {
    rig = applyEdits(rig, toggleSwitch(rig, mainRow(rig).devices[at]!.id));
    rig = applyEdits(rig, keepScene(rig, `scene ${at}`));
  }
  const reach = { [first.id]: entered(3), [last.id]: entered(3) };
  return applyEdits(rig, { kind: 'assign', field: 'brief', to: { ...rig.texts.brief, reach } });
}

/** The goal of a rig with nothing remembered and nothing shared. */
function afresh(rig: Rig): number {
  const still = stillSwitches(rig);
  const sums = { distance: 0, level: 0, spread: 0 };
  const scenes = countedScenes(rig);
  for (const place of rig.electrical.places) {
    const there = applyEdits(rig, goToPlace(rig, place));
    for (const state of scenes) {
      const measured = measureRig({ ...there, state });
      if (measured.kind !== 'sounding') continue;
      sums.distance += measured.figures.distanceDb;
      sums.level += Math.abs(measured.figures.levelDb);
    }
    const positions = { ...there.state.positions, ...Object.fromEntries(still) };
    const counted = switchesOf(rig).filter((id) => !still.has(id));
    const states = analyseStates({ ...there, state: { ...there.state, positions } }, counted);
    if (states.kind === 'states') sums.spread += states.spreadDb;
  }
  const heard = scenes.length * rig.electrical.places.length;
  const terms = {
    distance: sums.distance / heard,
    level: sums.level / heard,
    spread: sums.spread / rig.electrical.places.length,
    resonance: 0,
    ends: 0,
    buffers: 0,
    rules: 0,
  };
  return goalOf(terms, weightsOf(rig));
}

const rig = atThreePlaces();
const start = performance.now();
const search = searchToEnd(rig, DEMO_GEAR);
const searchMs = performance.now() - start;
const samples = search.front.slice(0, AFRESH);
const freshStart = performance.now();
for (let i = 0; i < AFRESH; i++)
  afresh(makeMoves(rig, samples[i % samples.length]!.moves)?.rig ?? rig);
const freshMs = (performance.now() - freshStart) / AFRESH;
const eachMs = searchMs / search.looked;

process.stdout.write(
  [
    '',
    'Plans: 20 pedals, 3 places, 3 scenes',
    `  ${search.moves.length} moves, ${search.looked} plans of up to two, all of them: ${(searchMs / 1000).toFixed(2)} s`,
    `  one plan in the search ${(eachMs * 1000).toFixed(0)} µs, afresh ${freshMs.toFixed(1)} ms, ratio ${(freshMs / eachMs).toFixed(0)}`,
    `  heap ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB`,
    '',
  ].join('\n'),
);
