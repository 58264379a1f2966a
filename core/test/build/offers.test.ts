import { addBoard, applyFollowing, layBoard, USUAL_WISHES } from '../../src/board';
import { arrangeOffers, reworkOf } from '../../src/build';
import { deviceOfClass, entered, supplyOfClass, typicalBoard } from '../../src/gear';
import { addSupply } from '../../src/power';
import { applyEdits, insertDevice, laidOf, newRig, type Rig } from '../../src/rig';

/// Arrangements as they are offered: with what they cost, and all that usually hangs below hung.

const CLASSES = ['tuner', 'drive', 'boost', 'delay'] as const;

function bare(): Rig {
  const rig = CLASSES.reduce(
    (now, name, i) => applyEdits(now, insertDevice(now, i, deviceOfClass(name, '', name))),
    newRig('offers'),
  );
  const size = { widthM: entered(0.6), depthM: entered(0.36), belowM: entered(0.05) };
  const boarded = applyEdits(rig, addBoard(rig, { ...typicalBoard('Raft'), ...size }));
  return applyEdits(boarded, addSupply(boarded, supplyOfClass('brick')));
}

test('from nothing: everything stands, the supply hangs, nothing is in the way, figures are those of the rig', () => {
  const rig = bare();
  const building = { gear: [], units: 'metric' } as const;
  const question = { rig, wishes: USUAL_WISHES, seed: 3, budget: 450, building };
  const work = arrangeOffers(question);
  let soFar = 0;
  let step = work.next();
  for (; !step.done; step = work.next()) soFar = Math.max(soFar, step.value.best.length);
  const offers = step.value;
  // What there is when it is stopped.
  expect(soFar).toBeGreaterThan(0);
  expect(offers.length).toBeGreaterThan(0);
  expect(offers[0]!.kind).toBe('wished');
  expect(new Set(offers.map(({ edit }) => JSON.stringify(edit))).size).toBe(offers.length);
  for (const offer of offers) {
    const followed = applyFollowing(rig, offer.edit);
    if (followed.kind === 'refused') throw new Error(followed.message);
    const plan = layBoard(followed.rig);
    expect([offer.leftOver, offer.conflicts]).toEqual([[], []]);
    expect(plan.conflicts.filter(({ weight }) => weight !== 'note')).toEqual([]);
    expect(followed.rig.layout.placements.u1).toMatchObject({ at: 'deck', isUnder: true });
    expect(offer.laidM).toBe(laidOf(followed.rig));
    expect(offer.rework).toEqual(reworkOf(rig, followed.rig, building));
    const { free, careful, hit } = offer.feet;
    expect(free + careful + hit).toBe(plan.feet.length);
  }
});
