import { openBrowser } from '../e2e/src/browser';
import { Page } from '../e2e/src/page';
import { startServerProcess } from '../e2e/src/serverProcess';
import { twentyPedals } from './twentyPedals';

/// From a key press to the new curve in the real page: how long the worker takes, and until it is painted.

const EDITS = 50;
const ID = '6a000000-0000-4000-8000-000000000020';

/** Notes when the page asks its worker and when the answer arrives. */
const WATCH_WORKER = `
  window.workerTimes = [];
  const post = Worker.prototype.postMessage;
  Worker.prototype.postMessage = function (...args) {
    const asked = performance.now();
    if (args[0].path?.[0] === 'analyse') this.addEventListener('message', () => window.workerTimes.push(performance.now() - asked), { once: true });
    return post.apply(this, args);
  };`;

/** Presses a key, waits until thread and curve have both changed, and for the frame after that. */
const ONE_EDIT = `
  const done = arguments[0];
  const drawn = () => [
    document.querySelector('[data-thread]').getAttribute('points'),
    document.querySelector('.recharts-line-curve[stroke-width="2.6"]').getAttribute('d'),
  ];
  const before = drawn();
  const pressed = performance.now();
  const watch = new MutationObserver(() => {
    if (drawn().some((shape, i) => shape === before[i])) return;
    watch.disconnect();
    requestAnimationFrame(() => {
      const painted = new MessageChannel();
      painted.port1.onmessage = () => done(performance.now() - pressed);
      painted.port2.postMessage(null);
    });
  });
  watch.observe(document.querySelector('main'), { attributes: true, childList: true, subtree: true });
  document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', code: 'ArrowUp', bubbles: true }));`;

const RELEASE = `document.body.dispatchEvent(new KeyboardEvent('keyup', { key: 'ArrowUp', code: 'ArrowUp', bubbles: true }));`;

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const server = await startServerProcess({ demo: false });
const driver = await openBrowser();
try {
  const page = new Page(driver, server.address);
  await page.keep(ID, twentyPedals());
  await (
    driver as unknown as { sendDevToolsCommand(name: string, args: object): Promise<void> }
  ).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: WATCH_WORKER });
  await page.open(`/rigs/${ID}/path?at=l1`);
  await page.trebleDb();
  const painted: number[] = [];
  for (let k = 0; k < EDITS; k++) {
    painted.push(await driver.executeAsyncScript<number>(ONE_EDIT));
    await driver.executeScript(RELEASE);
    await driver.sleep(60);
  }
  const worker = (await driver.executeScript<number[]>('return window.workerTimes')).slice(-EDITS);
  console.log(`Edit to new curve in the page, 20 pedals, median of ${EDITS}`);
  console.log(`  worker, there and back ${median(worker).toFixed(1)} ms (wanted: under 16)`);
  console.log(`  painted                ${median(painted).toFixed(1)} ms (wanted: under 50)`);
} finally {
  await driver.quit();
  await server.stop();
}
