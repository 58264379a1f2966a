import { diagnoseRig, fitPickup, suspectsOf, type PickupRun } from '@gullwind/core';
import { readFileSync } from 'node:fs';
import { amount } from './amount';
import { CALIBRATED, faultyRig, FAULTS } from '../core/test/bench/faultyRigs';

/// How often a changed part of a rig is found by its response, and how long fits take.

const NOISE_DB = 0.2;
const RIGS = amount(50, 2);
const median = (values: readonly number[]) => values.toSorted((a, b) => a - b)[values.length >> 1]!;

const all = Array.from({ length: RIGS }, (_, seed) => {
  const { rig, id, fault, frequencyHz, levelDb } = faultyRig(seed, NOISE_DB);
  const began = performance.now();
  const work = diagnoseRig({
    chain: rig,
    sweep: CALIBRATED,
    measured: { frequencyHz, levelDb },
    units: 'metric',
    noiseDb: NOISE_DB,
  });
  let step = work.next();
  while (!step.done) step = work.next();
  const ms = performance.now() - began;
  if (step.value.kind !== 'diagnosed') throw new Error(step.value.kind);
  const { suspicions, isWithinNoise } = step.value;
  const tied = suspicions.filter(({ isTied }) => isTied);
  return {
    fault,
    ms,
    isWithinNoise,
    parts: suspectsOf(rig, 'metric').length,
    tie: tied.length,
    isFirst: suspicions[0]?.id === id,
    isFound: tied.some((one) => one.id === id),
  };
});

const percent = (share: number) => `${(100 * share).toFixed(0)} %`;
const shareOf = <T>(list: readonly T[], is: (one: T) => boolean) =>
  list.filter(is).length / Math.max(1, list.length);
const mean = (list: readonly number[]) => list.reduce((sum, value) => sum + value, 0) / list.length;

for (const fault of [null, ...FAULTS]) {
  const some = all.filter((one) => fault === null || one.fault === fault);
  console.log(
    `${(fault ?? 'all').padEnd(14)} ${String(some.length).padStart(2)} rigs: first ${percent(shareOf(some, (one) => one.isFirst))}, ` +
      `first or tied first ${percent(shareOf(some, (one) => one.isFound))}, mean tie ${mean(some.map(({ tie }) => tie)).toFixed(1)} ` +
      `of ${mean(some.map(({ parts }) => parts)).toFixed(1)} parts; guessing as many would reach ${percent(mean(some.map(({ tie, parts }) => tie / parts)))}; ` +
      `change within the noise in ${some.filter((one) => one.isWithinNoise).length}`,
  );
}
const seen = all.filter((one) => !one.isWithinNoise);
console.log(
  `where the change is above the noise (${seen.length}): first or tied first ${percent(shareOf(seen, (one) => one.isFound))}, mean tie ${mean(seen.map(({ tie }) => tie)).toFixed(1)}`,
);
console.log(`one diagnosis: median ${median(all.map(({ ms }) => ms)).toFixed(0)} ms`);

const { cases } = JSON.parse(readFileSync('core/test/reference/fits.json', 'utf8')) as {
  cases: { id: string; runs: PickupRun[] }[];
};
const pairs = cases.filter(({ runs }) => runs.length > 1);
const times = pairs.flatMap(({ runs }) =>
  Array.from({ length: amount(7) }, () => {
    const began = performance.now();
    fitPickup(runs);
    return performance.now() - began;
  }),
);
console.log(`fit of two responses (aim under 50 ms): median ${median(times).toFixed(0)} ms`);
