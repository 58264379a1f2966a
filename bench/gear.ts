import { entered, gearItem, cableOfClass } from '@gullwind/core';
import { openBrowser } from '../e2e/src/browser';
import { Page } from '../e2e/src/page';
import { startServerProcess } from '../e2e/src/serverProcess';
import { amount, isSmallest } from './amount';

/// From a letter typed into the search of the gear list until other rows are drawn, with 50 and 5,000 entries.

const ROUNDS = amount(20);

/** Types a letter, waits until the count of what is found has changed, and for the frame after that. */
const ONE_LETTER = `
  const [letter, done] = arguments;
  const field = document.querySelector('[aria-label="What to show"] input');
  const count = document.querySelector('[aria-pressed="true"] span');
  const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
  const began = performance.now();
  new MutationObserver((_, watch) => {
    watch.disconnect();
    requestAnimationFrame(() => setTimeout(() => done(performance.now() - began)));
  }).observe(count, { characterData: true, childList: true, subtree: true });
  set.call(field, letter);
  field.dispatchEvent(new Event('input', { bubbles: true }));`;

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

async function searchMs(count: number): Promise<number> {
  const server = await startServerProcess({ demo: false });
  const driver = await openBrowser();
  try {
    const items = Array.from({ length: count }, (_, i) =>
      gearItem(
        `cable-${i}`,
        'cable',
        cableOfClass('low', 'l1', entered(3), `${i % 2 ? 'Gull' : 'Tern'} ${i}`),
      ),
    );
    const added = await fetch(`${server.address}api/gear`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ items }),
    });
    if (!added.ok) throw new Error(await added.text());
    const page = new Page(driver, server.address);
    await page.open('/gear');
    await page.find('[role="option"]');
    const times: number[] = [];
    for (let k = 0; k < ROUNDS; k++) {
      times.push(await driver.executeAsyncScript<number>(ONE_LETTER, k % 2 === 0 ? 'gull' : ''));
    }
    return median(times);
  } finally {
    await driver.quit();
    await server.stop();
  }
}

const few = await searchMs(50);
const many = isSmallest ? few : await searchMs(5000);
console.log(`Search in the gear list, a word typed until drawn, median of ${ROUNDS}`);
console.log(`  50 entries    ${few.toFixed(1)} ms`);
console.log(
  `  5,000 entries ${many.toFixed(1)} ms, ${(many / few).toFixed(1)} × (100 × the entries)`,
);
