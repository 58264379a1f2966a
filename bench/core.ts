import {
  analyseRig,
  analyseStates,
  applyEdit,
  applyEdits,
  compileSection,
  createLadderState,
  deviceOfClass,
  DRAW_GRID,
  drivePath,
  findTolerance,
  finish,
  insertDevice,
  mainRow,
  newRig,
  routeOf,
  SectionSolver,
  setCableLength,
  solveLadder,
  switchesOf,
  type Rig,
  type Section,
} from '@gullwind/core';
import { twentyPedals } from './twentyPedals';
import { amount, isSmallest } from './amount';

/// Times of the solver beside a bare loop over the same elements, in one run: read the ratios, the
/// machine is noisy.

const ROUNDS = amount(15);

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

function onceUs(calls: number, work: () => void): number {
  const start = performance.now();
  for (let i = 0; i < calls; i++) work();
  return ((performance.now() - start) * 1000) / calls;
}

/** The median over rounds of the time of one call, µs. */
function timeUs(calls: number, work: () => void): number {
  onceUs(calls, work);
  return median(Array.from({ length: ROUNDS }, () => onceUs(calls, work)));
}

/** Two pieces of work by turns, so that both meet the same noise: median times and the median of the ratios. */
function compareUs(calls: number, one: () => void, other: () => void) {
  onceUs(calls, one);
  onceUs(calls, other);
  const rounds = Array.from(
    { length: 3 * ROUNDS },
    () => [onceUs(calls, one), onceUs(calls, other)] as const,
  );
  return {
    oneUs: median(rounds.map(([a]) => a)),
    otherUs: median(rounds.map(([, b]) => b)),
    ratio: median(rounds.map(([a, b]) => a / b)),
  };
}

const rig = twentyPedals();
const section: Section = drivePath(routeOf(rig)).sections[0]!.circuit;
const points = DRAW_GRID.omega.length;
const out = new Float64Array(2 * points);
const state = createLadderState(points);
const ladder = compileSection(section);

/** The same elements as plain arrays, frequency by frequency: what one would write for this chain alone. */
function bareLoop(target: Float64Array): () => void {
  const { source, path, load } = section;
  if (source.kind !== 'pickup' || !load.grid) throw new Error('not the chain of this benchmark');
  const { lH, rDcOhm, cWindingF, rEddyOhm, controls } = source;
  const shuntF = new Float64Array(21);
  const seriesOhm = new Float64Array(20);
  let k = 0;
  for (const element of path) {
    if (element.kind === 'cable') shuntF[k]! += element.cPerMF * element.lengthM + element.plugsF;
    else if (element.kind === 'series') seriesOhm[k++] = element.rOhm;
    else if (element.kind === 'shunt') shuntF[k]! += element.cF;
  }
  const { volume, tone } = controls;
  if (!volume || !tone) throw new Error('not the guitar of this benchmark');
  const { potOhm, wiper } = volume;
  const { potOhm: toneOhm, cF: toneF, remaining } = tone;
  if (wiper !== 1) throw new Error('the volume is full up in this benchmark');
  const gEddy = 1 / rEddyOhm!;
  const gVolume = 1 / potOhm;
  const rTone = toneOhm * remaining;
  const gLoad = 1 / load.rOhm;
  const { stopperOhm, millerF } = load.grid;
  const { omega } = DRAW_GRID;
  return () => {
    for (let i = 0; i < points; i++) {
      const w = omega[i]!;
      const xL = w * lH;
      const q = xL * gEddy;
      const eddy = xL / (1 + q * q);
      let nRe = rDcOhm + eddy * q;
      let nIm = eddy;
      let dRe = 1;
      let dIm = 0;
      const xT = w * toneF;
      const bT = xT / (1 + xT * xT * rTone * rTone);
      const g = gVolume + bT * xT * rTone;
      const b = w * cWindingF + bT;
      dRe += g * nRe - b * nIm;
      dIm += g * nIm + b * nRe;
      for (let j = 0; j < 21; j++) {
        const c = w * shuntF[j]!;
        dRe -= c * nIm;
        dIm += c * nRe;
        if (j < 20) {
          const r = seriesOhm[j]!;
          nRe += r * dRe;
          nIm += r * dIm;
        }
      }
      const xM = w * millerF;
      const bM = xM / (1 + xM * xM * stopperOhm * stopperOhm);
      const gL = gLoad + bM * xM * stopperOhm;
      const re = dRe + gL * nRe - bM * nIm;
      const im = dIm + gL * nIm + bM * nRe;
      const inverse = 1 / (re * re + im * im);
      target[2 * i] = re * inverse;
      target[2 * i + 1] = -im * inverse;
    }
  };
}

const bareOut = new Float64Array(2 * points);
const bare = bareLoop(bareOut);
solveLadder(ladder, section.load, DRAW_GRID, out, state);
bare();
const apart = out.reduce((most, value, i) => Math.max(most, Math.abs(value - bareOut[i]!)), 0);
if (apart > 1e-12) throw new Error(`the two disagree by ${apart}`);

const {
  oneUs: solveUs,
  otherUs: bareUs,
  ratio,
} = compareUs(500, () => solveLadder(ladder, section.load, DRAW_GRID, out, state), bare);
const compileUs = timeUs(2000, () => compileSection(section));
console.log('Full response, 479 points, 20 bypassed pedals');
console.log(
  `  solver           ${solveUs.toFixed(1)} µs (compiling the section: ${compileUs.toFixed(1)} µs)`,
);
console.log(`  bare loop        ${bareUs.toFixed(1)} µs`);
console.log(`  ratio            ${ratio.toFixed(2)} (wanted: under 1.5)`);

const line = compileSection(section, 'line');
const lineUs = timeUs(200, () => solveLadder(line, section.load, DRAW_GRID, out, state));
console.log(
  `  every cable a line ${lineUs.toFixed(1)} µs, ${(lineUs / solveUs).toFixed(1)} × lumped`,
);

let step = 0;
/** The whole analysis after another length of the first cable, by a solver that may remember the rest. */
const afterEdit = (edited: Rig, cableId: string, solver: () => SectionSolver) => () => {
  const next = applyEdit(edited, setCableLength(cableId, 1 + (step++ % 9000) / 1000));
  if (next.kind === 'ok') analyseRig(next.rig, solver());
};
const kept = new SectionSolver();
const editMs = timeUs(
  30,
  afterEdit(rig, 'l1', () => kept),
);
console.log(
  `Whole analysis after an edit, 20 pedals: ${(editMs / 1000).toFixed(2)} ms (curve, figures, running level, losses by part, buffer advice)`,
);

/** A board of true-bypass drives, every fifth pedal a delay that always buffers. */
function board(count: number): Rig {
  let made = newRig('board');
  for (let i = 0; i < count; i++) {
    const device = deviceOfClass(i % 5 === 4 ? 'delay' : 'drive', '', `pedal ${i + 1}`);
    made = applyEdits(made, insertDevice(made, i, device));
  }
  return mainRow(made).cables.reduce(
    (rig, cable, i) => applyEdits(rig, setCableLength(cable!.id, i === 0 ? 6 : 0.3)),
    made,
  );
}

const buffered = board(20);
const {
  oneUs: againUs,
  otherUs: freshUs,
  ratio: spared,
} = compareUs(
  5,
  afterEdit(buffered, 'l1', () => kept),
  afterEdit(buffered, 'l1', () => new SectionSolver()),
);
console.log('One edit, 20 pedals with four buffered delays: what did not change is remembered');
console.log(
  `  re-solved        ${(againUs / 1000).toFixed(2)} ms; everything anew ${(freshUs / 1000).toFixed(2)} ms, ratio ${spared.toFixed(2)}`,
);

const drawsMs =
  onceUs(1, () => {
    finish(
      findTolerance({ chain: buffered, rowId: mainRow(buffered).id }, { draws: amount(2000, 10) }),
    );
  }) / 1000;
console.log(`2,000 tolerance draws, 20 pedals: ${drawsMs.toFixed(0)} ms`);

console.log('All states at once (98 + 120 frequencies)');
let tenMs = 0;
for (const count of isSmallest ? [10] : [10, 20, 30, 40]) {
  const many = board(count);
  const all = switchesOf(many);
  const ms = timeUs(2, () => analyseStates(many, all)) / 1000;
  if (count === 10) tenMs = ms;
  console.log(
    `  n = ${count}  ${ms.toFixed(1)} ms, ${(ms / tenMs).toFixed(1)} × n = 10 (n²: ${(count / 10) ** 2} ×), 2^${count} states`,
  );
}
const sixteen = board(16);
const counted = switchesOf(sixteen);
const dynamicMs = timeUs(2, () => analyseStates(sixteen, counted)) / 1000;
const bruteMs =
  onceUs(1, () => {
    const remembered = new SectionSolver();
    for (let bits = 0; bits < 2 ** amount(16, 4); bits++) {
      const positions = Object.fromEntries(counted.map((id, k) => [id, ((bits >> k) & 1) === 1]));
      const state = { ...sixteen.state, positions };
      for (const { circuit } of drivePath(routeOf({ ...sixteen, state })).sections)
        remembered.solve(circuit);
    }
  }) / 1000;
console.log(
  `  n = 16  ${dynamicMs.toFixed(1)} ms; one by one, sections remembered: ${bruteMs.toFixed(0)} ms, ${(bruteMs / dynamicMs).toFixed(0)} ×`,
);
