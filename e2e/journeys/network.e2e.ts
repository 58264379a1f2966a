import { Key } from 'selenium-webdriver';
import { startProxy, type Proxy } from '../../server/test/support/proxy';
import { openBrowser } from '../src/browser';
import { Page, PIT_BOARD } from '../src/page';
import { startServerProcess } from '../src/serverProcess';

/// From another machine: by a name, through a proxy, with TLS and without.

const PASSPHRASE = 'a long enough phrase';

const open: (() => Promise<unknown>)[] = [];
afterEach(async () => {
  for (const close of open.splice(0).toReversed()) await close();
});

async function visit(isTls: boolean) {
  const proxy: Proxy = await startProxy({ isTls });
  open.push(() => proxy.close());
  const address = `${isTls ? 'https' : 'http'}://rigs.test:${proxy.port}/`;
  const server = await startServerProcess({
    options: ['--public-url', address, '--proxy', '127.0.0.1'],
    environment: { GULLWIND_PASSPHRASE: PASSPHRASE },
  });
  open.push(() => server.stop());
  proxy.target = server.address;
  const driver = await openBrowser([
    '--host-resolver-rules=MAP rigs.test 127.0.0.1',
    '--ignore-certificate-errors',
  ]);
  open.push(() => driver.quit());
  return { driver, page: new Page(driver, address) };
}

test.each([
  ['with TLS', true],
  ['without TLS', false],
] as const)('by a name through a proxy %s: in, at work, kept, and out', async (_, isTls) => {
  const { driver, page } = await visit(isTls);
  await page.open(`/rigs/${PIT_BOARD}/path`);
  expect(await driver.executeScript('return window.isSecureContext')).toBe(isTls);
  const field = await page.find('input[type="password"]');
  await field.sendKeys('not the passphrase', Key.ENTER);
  await page.findText('div', 'That is not the passphrase');
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), PASSPHRASE, Key.ENTER);
  await page.trebleDb();
  await page.click('[role="option"][aria-label^="the cable in"]');
  await page.typeInto('Length', '7 m');
  await page.press(Key.ESCAPE);
  await page.saved();
  await driver.navigate().refresh();
  await page.find('[role="option"][aria-label^="the cable in"][aria-label$="7\u00a0m"]');
  // A rig of its own id, made by the browser.
  await page.open('/');
  await (await page.findText('button', 'New rig')).click();
  await page.saved();
  await page.open('/settings');
  await (await page.findText('button', 'Sign out')).click();
  await page.find('input[type="password"]');
  await page.open('/');
  await page.find('input[type="password"]');
});
