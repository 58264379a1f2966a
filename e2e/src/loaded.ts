import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { WebDriver } from 'selenium-webdriver';

const SCRIPTS = `return performance.getEntriesByType('resource').map(({ name }) => name).filter((name) => name.endsWith('.js') && !name.includes('worker'));`;

/** What of the application a page has loaded, packed, kB: its scripts, without those of workers. */
export async function loadedKb(driver: WebDriver): Promise<number> {
  const scripts = await driver.executeScript<string[]>(SCRIPTS);
  const sizes = scripts.map((address) => {
    const file = new URL(`../../web/dist${new URL(address).pathname}`, import.meta.url);
    return gzipSync(readFileSync(file)).length;
  });
  return sizes.reduce((sum, size) => sum + size, 0) / 1000;
}
