import {
  addBoard,
  applyEdits,
  applyFollowing,
  bestArrangement,
  deviceOfClass,
  entered,
  firstArrangement,
  insertDevice,
  newRig,
  NO_QUALITIES,
  swapCost,
  typicalBoard,
  USUAL_BUDGET,
  USUAL_WISHES,
  whatFitsHere,
  willItFit,
  type DeviceClass,
  type GearItem,
  type Rig,
} from '@gullwind/core';
import { amount } from './amount';

/// What a board is asked: arrangements of twelve and thirty, what fits out of two hundred pieces of gear, whether one more
/// fits on a full board, two that change places among thirty. And how near one search of twelve comes to the best of ten
/// with twenty times the budget.

const CLASSES: readonly DeviceClass[] = [
  'tuner',
  'wah',
  'compressor',
  'drive',
  'fuzz',
  'drive',
  'boost',
  'modulation',
  'delay',
  'reverb',
  'equaliser',
  'buffer',
];

function rigOf(count: number, [widthM, depthM]: readonly [number, number]): Rig {
  const rig = Array.from({ length: count }).reduce<Rig>(
    (now, _, i) =>
      applyEdits(
        now,
        insertDevice(now, i, deviceOfClass(CLASSES[i % CLASSES.length]!, '', `Pedal ${i + 1}`)),
      ),
    newRig('asked'),
  );
  const size = { widthM: entered(widthM), depthM: entered(depthM) };
  return applyEdits(rig, addBoard(rig, { ...typicalBoard('Long'), ...size }));
}

function toEnd<A>(work: Generator<unknown, A>): A {
  for (let step = work.next(); ; step = work.next()) if (step.done) return step.value;
}

function timed<T>(make: () => T): readonly [T, number] {
  const start = performance.now();
  const value = make();
  return [value, performance.now() - start];
}

const BUDGET = amount(USUAL_BUDGET, 3);
const PIECES = amount(200, 2);
const twelve = rigOf(12, [0.9, 0.42]);
const arrange = (rig: Rig, seed: number, budget: number) =>
  toEnd(bestArrangement({ rig, wishes: USUAL_WISHES, seed, budget }))!;

const [first, firstMs] = timed(() => arrange(twelve, 1, BUDGET));
console.log(
  `arrange 12: ${(firstMs / 1000).toFixed(2)} s for ${BUDGET} arrangements, worth ${first.worth.toFixed(3)} m of cable`,
);
const many = process.argv.includes('--long') ? 10 : amount(3);
const best = Math.min(
  ...Array.from({ length: many }, (_, i) => arrange(twelve, 101 + i, 20 * BUDGET).worth),
);
const others = Array.from({ length: amount(6) }, (_, i) => arrange(twelve, 1 + i, BUDGET).worth);
const off = (worth: number) => `${(100 * (worth / best - 1)).toFixed(2)} %`;
console.log(
  `best of ${many} with twenty times the budget: ${best.toFixed(3)}; six seeds with the usual one are off by ${others.map(off).join(', ')}`,
);

const thirty = rigOf(amount(30, 18), [1.6, 0.5]);
const [, thirtyMs] = timed(() => arrange(thirty, 1, BUDGET));
console.log(
  `arrange 30: ${(thirtyMs / 1000).toFixed(2)} s (× ${(thirtyMs / firstMs).toFixed(1)} of 12)`,
);

const laid = (rig: Rig): Rig => {
  const { edit } = firstArrangement(rig);
  const followed = edit ? applyFollowing(rig, edit) : null;
  return followed?.kind === 'ok' ? followed.rig : rig;
};
const stood = laid(rigOf(amount(10, 4), [1.1, 0.42]));
const gear = Array.from({ length: PIECES }, (_, i) => ({
  id: `piece-${i}`,
  kind: 'device',
  thing: deviceOfClass(CLASSES[i % CLASSES.length]!, 'x1', `Piece ${i + 1}`),
  note: '',
  retired: false,
  qualities: NO_QUALITIES,
})) as unknown as readonly GearItem[];
const [found, fitsMs] = timed(() =>
  toEnd(whatFitsHere({ rig: stood, gear, at: { x: 0.1, y: 0.1 } })),
);
console.log(
  `what fits here, of ${PIECES} pieces: ${(fitsMs / 1000).toFixed(2)} s, ${found.length} fit (${(fitsMs / PIECES).toFixed(1)} ms each)`,
);

const more = applyEdits(
  stood,
  insertDevice(stood, amount(10, 4), deviceOfClass('delay', '', 'One more')),
);
const id = `d${stood.nextIds.d!}`;
const [fit, fitMs] = timed(() => toEnd(willItFit({ rig: more, id, pinned: [] })));
console.log(`will it fit, one more beside 10: ${(fitMs / 1000).toFixed(2)} s, ${fit.kind}`);

const thirtyLaid = laid(thirty);
const building = { gear: [], units: 'metric' } as const;
const [cost, swapMs] = timed(() => swapCost(thirtyLaid, ['d3', 'd17'], 'both', building));
console.log(
  `swap of two among 30: ${swapMs.toFixed(0)} ms, ${cost!.rework.made.length} cables made, ${cost!.rework.minutes} min`,
);
