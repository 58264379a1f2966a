import {
  applyEdits,
  addBoard,
  addSupply,
  allDevices,
  assignOutlets,
  deviceOfClass,
  entered,
  insertDevice,
  newRig,
  onDeck,
  outletGroup,
  solverOf,
  supplyOfClass,
  typicalBoard,
  typicalBody,
  type AssignGoal,
  type Feeding,
  type Rig,
} from '@gullwind/core';
import loadHighs from 'highs';
import { amount, isSmallest } from './amount';

/// How long it takes to say who hangs where: 30 things on 30 outlets of four supplies, and on 24 with chains.

const CLASSES = ['drive', 'delay', 'fuzz', 'reverb', 'boost', 'modulation', 'compressor'] as const;
const AMPS = [0.012, 0.09, 0.006, 0.28, 0.009, 0.06, 0.011, 0.016, 0.12, 0.004];

function rigOf(
  things: number,
  groups: readonly (readonly [number, number])[][],
  feeding: Feeding,
): Rig {
  let rig = newRig('many');
  for (let i = 0; i < things; i++) {
    const device = deviceOfClass(CLASSES[i % CLASSES.length]!, '', `Pedal ${i + 1}`);
    const body = {
      ...typicalBody(device),
      supplyA: entered(AMPS[i % AMPS.length]!),
      supplyV: entered(i % 13 === 0 ? 18 : 9),
      supplyMaxV: entered(i % 5 === 0 ? 18 : 9),
    };
    if (i % 13 === 0) Object.assign(body, { supplyMaxV: entered(18) });
    if (i % 11 === 3) Object.assign(body, { polarity: 'centrePositive' });
    rig = applyEdits(rig, insertDevice(rig, i, { ...device, body }));
  }
  for (const own of groups) {
    const supply = {
      ...supplyOfClass('brick'),
      groups: own.map(([outlets, amps], i) =>
        outletGroup(
          outlets,
          9,
          amps,
          i > 0 ? { volts2: 12, amps2: amps * 0.8, volts3: 18, amps3: amps / 2 } : {},
        ),
      ),
    };
    rig = applyEdits(rig, addSupply(rig, supply));
  }
  return { ...rig, power: { ...rig.power, feeding } };
}

const solve = solverOf((await loadHighs()) as never);

function measure(name: string, rig: Rig): void {
  const start = performance.now();
  const took: [AssignGoal, number][] = [];
  const work = assignOutlets(rig, solve);
  let goal: AssignGoal | null = null;
  let since = start;
  for (;;) {
    const step = work.next();
    const now = performance.now();
    if (goal) took.push([goal, now - since]);
    since = now;
    if (step.done) {
      const { unfed, price, headroom, cableM, proven } = step.value;
      console.log(
        `${name}: ${(now - start).toFixed(0)} ms (${took.map(([of, ms]) => `${of} ${ms.toFixed(0)}`).join(', ')}); unfed ${unfed.length}, price ${price}, headroom ${headroom?.toFixed(3)}, cable ${cableM.toFixed(2)} m, proven ${proven.join(' ')}`,
      );
      return;
    }
    goal = step.value.goal;
  }
}

/** The same with its pedals on two rows and the supplies between them. */
function laid(rig: Rig): Rig {
  const board = { ...typicalBoard('Long'), widthM: entered(2.6) };
  let now = applyEdits(rig, addBoard(rig, board));
  for (const [i, { id }] of allDevices(rig).entries())
    now = applyEdits(now, {
      kind: 'place',
      id,
      to: onDeck('b1', 0.05 + 0.16 * (i % 15), i < 15 ? 0 : 0.2),
    });
  for (const [i, { id }] of rig.power.supplies.entries())
    now = applyEdits(now, {
      kind: 'place',
      id,
      to: onDeck('b1', 0.2 + 0.6 * i, 0.1, { isUnder: true }),
    });
  return now;
}

const FOUR = [
  [
    [6, 0.1],
    [2, 0.5],
  ],
  [
    [6, 0.1],
    [2, 0.5],
  ],
  [
    [5, 0.15],
    [2, 0.4],
  ],
  [
    [5, 0.1],
    [2, 0.5],
  ],
] as const;
const FEWER = [
  [
    [4, 0.1],
    [2, 0.5],
  ],
  [
    [4, 0.1],
    [2, 0.5],
  ],
  [
    [4, 0.15],
    [2, 0.4],
  ],
  [
    [4, 0.1],
    [2, 0.5],
  ],
] as const;

const FEEDINGS = ['isolated', 'quietShare', 'chain'] as const;
for (const feeding of FEEDINGS.slice(0, amount(FEEDINGS.length))) {
  measure(`30 things on 30 outlets, ${feeding}`, rigOf(30, FOUR as never, feeding));
  if (feeding !== 'isolated')
    measure(`30 things on 24 outlets, ${feeding}`, rigOf(30, FEWER as never, feeding));
}
if (!isSmallest) {
  measure('20 things on 24 like outlets', rigOf(20, [[[24, 0.4]]], 'isolated'));
  measure('20 things on 24 like outlets, chained', rigOf(20, [[[24, 0.4]]], 'chain'));
  measure(
    '30 things on 30 outlets, isolated, on a board',
    laid(rigOf(30, FOUR as never, 'isolated')),
  );
  measure('30 things on 24 outlets, chain, on a board', laid(rigOf(30, FEWER as never, 'chain')));
}
