import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, type WebDriver } from 'selenium-webdriver';
import { Options, ServiceBuilder, type Driver } from 'selenium-webdriver/chrome.js';

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-dev-shm-usage',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--force-color-profile=srgb',
];

export const VIEW = { width: 1280, height: 800 };

/** A fresh browser with a profile of its own and a page of exactly 1280 × 800. */
export async function openBrowser(flags: readonly string[] = []): Promise<WebDriver> {
  process.env.SE_OFFLINE = 'true';
  const options = new Options();
  options.setBinaryPath('/usr/bin/chromium');
  options.addArguments(
    ...FLAGS,
    ...flags,
    `--user-data-dir=${mkdtempSync(join(tmpdir(), 'gullwind-browser-'))}`,
  );
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  await setView(driver);
  return driver;
}

/** Every window needs it once. */
export async function setView(driver: WebDriver, view = VIEW): Promise<void> {
  await (driver as Driver).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    ...view,
    deviceScaleFactor: 1,
    mobile: false,
  });
}

export type Look = 'day' | 'night' | 'forced colours';

/**
 * What is half faded in has no contrast of its own: the page is asked to hold still; where it is left to the system,
 * in the colours of day or night, or in those that the system forces.
 */
export async function stopMotion(driver: WebDriver, look: Look = 'day'): Promise<void> {
  await (driver as Driver).sendDevToolsCommand('Emulation.setEmulatedMedia', {
    features: [
      { name: 'prefers-reduced-motion', value: 'reduce' },
      { name: 'prefers-color-scheme', value: look === 'night' ? 'dark' : 'light' },
      { name: 'forced-colors', value: look === 'forced colours' ? 'active' : 'none' },
    ],
  });
}

/** How long a page may take to be painted in other colours. */
const LOOK_WAIT_MS = 30_000;

/** What the page itself asks for: where colours are forced, the browser says another thing of it. */
const SCHEME_IS = `
  const rules = [...document.styleSheets].flatMap((sheet) => [...sheet.cssRules]);
  return rules.findLast((rule) => rule.style?.colorScheme)?.style.colorScheme === arguments[0];
`;

/** Shows an open page in other colours, and comes back when it is painted in them. */
export async function recolour(driver: WebDriver, look: Look): Promise<void> {
  await stopMotion(driver, look);
  const scheme = look === 'night' ? 'dark' : 'light';
  await driver.wait(
    () => driver.executeScript<boolean>(SCHEME_IS, scheme),
    LOOK_WAIT_MS,
    `the page is not painted for ${look}`,
  );
}

export async function savePicture(driver: WebDriver, path: string): Promise<void> {
  writeFileSync(path, Buffer.from(await driver.takeScreenshot(), 'base64'));
}

/** The colours are the system's own, as where a person has chosen them for contrast. */
export async function forceColors(driver: WebDriver, isForced: boolean): Promise<void> {
  await (driver as Driver).sendDevToolsCommand('Emulation.setEmulatedMedia', {
    features: isForced ? [{ name: 'forced-colors', value: 'active' }] : [],
  });
}

/**
 * Takes the tab that is looked at off the network, or puts it back. What goes through a service worker goes by a network of
 * its own: meanwhile nothing does.
 */
export async function cutNetwork(driver: WebDriver, offline: boolean): Promise<void> {
  const chrome = driver as Driver;
  await chrome.sendDevToolsCommand('Network.enable', {});
  await chrome.sendDevToolsCommand('Network.setBypassServiceWorker', { bypass: offline });
  await chrome.setNetworkConditions({
    offline,
    latency: 0,
    download_throughput: 1e8,
    upload_throughput: 1e8,
  });
}
