import { openBrowser } from '../e2e/src/browser';
import { loadedKb } from '../e2e/src/loaded';
import { Page } from '../e2e/src/page';
import { startServerProcess } from '../e2e/src/serverProcess';
import { twentyPedals } from './twentyPedals';
import { amount } from './amount';

/// The real page: what it loads, from a link to the sentence, and from a key press to the new curve.

const EDITS = amount(50);
const OPENINGS = amount(9);
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
    document.querySelector('[data-curve="now"]').getAttribute('d'),
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

/** Notes when the sentence of Path is first there, in milliseconds from the beginning of the page. */
const WATCH_SENTENCE = `
  const noteSentence = new MutationObserver(() => {
    const said = document.querySelector('[data-testid="sentence"]')?.textContent.trim();
    if (!said) return;
    noteSentence.disconnect();
    window.sentenceAt = performance.now();
  });
  addEventListener('DOMContentLoaded', () => noteSentence.observe(document.body, { childList: true, subtree: true, characterData: true }));`;

const RELEASE = `document.body.dispatchEvent(new KeyboardEvent('keyup', { key: 'ArrowUp', code: 'ArrowUp', bubbles: true }));`;

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

const server = await startServerProcess({ demo: false });
const driver = await openBrowser();
const page = new Page(driver, server.address);

async function atEveryPage(source: string): Promise<void> {
  await (
    driver as unknown as { sendDevToolsCommand(name: string, args: object): Promise<void> }
  ).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source });
}

try {
  await page.keep(ID, twentyPedals());
  await atEveryPage(WATCH_WORKER);
  await atEveryPage(WATCH_SENTENCE);
  await page.open('/');
  await page.findText('a', 'twenty pedals');
  console.log('Scripts loaded, gzip');
  console.log(
    `  Rigs, the first page   ${(await loadedKb(driver)).toFixed(0)} kB (wanted: under 300)`,
  );
  await page.open(`/rigs/${ID}/path?at=l1`);
  await page.find('[data-curve="now"]');
  console.log(`  Path                   ${(await loadedKb(driver)).toFixed(0)} kB`);

  const opened: number[] = [];
  for (let k = 0; k < OPENINGS; k++) {
    await driver.get('about:blank');
    await page.open(`/rigs/${ID}/path?at=l1`);
    await page.find('[data-curve="now"]');
    opened.push(await driver.executeScript<number>('return window.sentenceAt'));
  }
  console.log(
    `From a link to the sentence of Path, 20 pedals, everything cached, median of ${OPENINGS}`,
  );
  console.log(`  ${median(opened).toFixed(0)} ms (wanted: under 1000)`);

  const painted: number[] = [];
  for (let k = 0; k < EDITS; k++) {
    painted.push(await driver.executeAsyncScript<number>(ONE_EDIT));
    await driver.executeScript(RELEASE);
    await driver.sleep(60);
  }
  const worker = (await driver.executeScript<number[]>('return window.workerTimes')).slice(-EDITS);
  console.log(`Edit to new curve in the page, 20 pedals, median of ${EDITS}`);
  console.log(`  worker, there and back ${median(worker).toFixed(1)} ms (wanted: under 16)`);
  console.log(`  painted                ${median(painted).toFixed(1)} ms (wanted: under 33)`);
} finally {
  await driver.quit();
  await server.stop();
}
