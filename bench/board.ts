import {
  addBoard,
  addSupply,
  applyEdits,
  applyFollowing,
  deviceOfClass,
  firstArrangement,
  hang,
  outletGroup,
  insertDevice,
  layBoard,
  newRig,
  supplyOfClass,
  typicalBoard,
  type Edit,
  type Rig,
} from '@gullwind/core';
import { openBrowser } from '../e2e/src/browser';
import { Page } from '../e2e/src/page';
import { startServerProcess } from '../e2e/src/serverProcess';
import { amount } from './amount';

/// A pedal moved on a board of twenty with thirty cables, in the core and on the page, beside a board of five; and all
/// routes of thirty pedals anew.

const ROUNDS = amount(25);
const ID = '6a000000-0000-4000-8000-000000000030';

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const follow = (rig: Rig, edit: Edit): Rig => {
  const result = applyFollowing(rig, edit);
  if (result.kind === 'refused') throw new Error(result.message);
  return result.rig;
};

/** So many drives on one wide board, and so many of them fed from below. */
function laidOut(pedals: number, fed: number): Rig {
  let rig = newRig(`${pedals} pedals`);
  for (let i = 0; i < pedals; i++)
    rig = applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `Pedal ${i + 1}`)));
  const size = {
    widthM: { value: 1.5, from: 'entered' },
    depthM: { value: 0.45, from: 'entered' },
  } as const;
  rig = follow(rig, addBoard(rig, { ...typicalBoard('Long'), ...size }));
  if (fed > 0) {
    const supply = { ...supplyOfClass('brick'), groups: [outletGroup(fed, 9, 0.1)] };
    rig = follow(rig, addSupply(rig, supply));
  }
  rig = follow(rig, firstArrangement(rig).edit!);
  for (let i = 0; i < fed; i++)
    rig = follow(rig, hang(rig, `d${i + 1}`, { supply: 'u1', outlet: i })!);
  return rig;
}

function moved(rig: Rig, id: string, byM: number): Edit {
  const to = rig.layout.placements[id];
  if (to?.at !== 'deck') throw new Error(`${id} stands nowhere`);
  return { kind: 'place', id, to: { ...to, xM: to.xM + byM } };
}

/** One step of a drag as the page makes it: the rig with its lengths, and all that is drawn of it. */
function stepMs(rig: Rig): number {
  const times = Array.from({ length: ROUNDS }, (_, i) => {
    const edit = moved(rig, 'd3', ((i % 5) + 1) / 1000);
    const start = performance.now();
    layBoard(follow(rig, edit));
    return performance.now() - start;
  });
  return median(times);
}

const [five, twenty, thirty] = [
  laidOut(5, 3),
  laidOut(amount(20, 6), amount(11, 3)),
  laidOut(amount(30, 7), 0),
];
const cables = (rig: Rig) => layBoard(rig).wires.filter(({ route }) => route).length;
const [small, large, all] = [stepMs(five), stepMs(twenty), stepMs(thirty)];
console.log(
  `one step of a drag, core: ${large.toFixed(1)} ms at 20 pedals with ${cables(twenty)} cables laid, ${small.toFixed(1)} ms at 5 with ${cables(five)} (× ${(large / small).toFixed(1)})`,
);
console.log(`all routes of 30 pedals (${cables(thirty)} cables) anew: ${all.toFixed(1)} ms`);

/** Presses an arrow, waits until case and cables have moved, and for the frame after that. */
const ONE_STEP = `
  const done = arguments[0];
  const drawn = () => document.querySelector('[data-thing="d3"] rect').getAttribute('x');
  const before = drawn();
  const pressed = performance.now();
  const watch = new MutationObserver(() => {
    if (drawn() === before) return;
    watch.disconnect();
    requestAnimationFrame(() => {
      const painted = new MessageChannel();
      painted.port1.onmessage = () => done(performance.now() - pressed);
      painted.port2.postMessage(null);
    });
  });
  watch.observe(document.querySelector('main'), { attributes: true, childList: true, subtree: true });
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', code: 'ArrowRight', bubbles: true }));
  document.body.dispatchEvent(new KeyboardEvent('keyup', { key: 'ArrowRight', code: 'ArrowRight', bubbles: true }));`;

if (process.argv[2] === 'core') process.exit(0);
const server = await startServerProcess({ demo: false });
const driver = await openBrowser();
try {
  const page = new Page(driver, server.address);
  for (const [name, rig, id] of [
    ['20 pedals', twenty, ID] as const,
    ['5 pedals', five, ID.replace('30', '05')] as const,
  ].slice(0, amount(2)) as readonly (readonly [string, Rig, string])[]) {
    await page.keep(id, rig);
    await page.open(`/rigs/${id}/board`);
    await (await page.find('[data-thing="d3"]')).click();
    await page.findText('h2', 'Pedal 3');
    const times: number[] = [];
    for (let i = 0; i < ROUNDS; i++) {
      times.push(Number(await driver.executeAsyncScript(ONE_STEP)));
      await driver.sleep(150);
    }
    console.log(`from a key to the board painted, ${name}: median ${median(times).toFixed(0)} ms`);
  }
} finally {
  await driver.quit();
  await server.stop();
}
