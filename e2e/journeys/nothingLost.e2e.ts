import { Key, type WebDriver } from 'selenium-webdriver';
import { cutNetwork, setView } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { startServerProcess, type ServerProcess } from '../src/serverProcess';
import { openWorld, type World } from '../src/world';

/// Tabs, servers and networks come and go; what was done stays.

let world: World;
let driver: WebDriver;
let page: Page;
let restarted: ServerProcess | null;

beforeEach(async () => {
  restarted = null;
  world = await openWorld();
  ({ driver, page } = world);
});

afterEach(async () => {
  await world.close();
  await restarted?.stop();
});

const PATH = `/rigs/${PIT_BOARD}/path`;

/** Sets the cable in by its field: one edit with a known outcome. */
async function setCableIn(length: string): Promise<void> {
  await page.click('[role="option"][aria-label^="the cable in"]');
  await page.typeInto('Length', length);
  await page.press(Key.ESCAPE);
}

const cableInIs = (length: string) =>
  page.find(`[role="option"][aria-label^="the cable in"][aria-label$="${length}"]`);

const keptRevision = async (address: string): Promise<number> =>
  ((await (await fetch(`${address}api/rigs/${PIT_BOARD}`)).json()) as { revision: number })
    .revision;

test('the server is killed and comes back: nothing is lost, and the page recovers by itself', async () => {
  await page.open(PATH);
  await setCableIn('7 m');
  await page.saved();
  await world.server.kill();

  await setCableIn('8 m');
  await page.find('[data-save="away"]');
  expect(await page.textOf('[data-testid="save-state"]')).toContain('kept in this browser');
  await page.press('3');

  restarted = await startServerProcess({
    port: world.server.port,
    dataFolder: world.server.dataFolder,
  });
  await page.saved();
  const kept = (await (await fetch(`${restarted.address}api/rigs/${PIT_BOARD}`)).json()) as {
    revision: number;
    rig: {
      electrical: { rows: { cables: { lengthM: { value: number } }[] }[] };
      state: { positions: Record<string, boolean> };
    };
  };
  expect(kept.revision).toBe(3);
  expect(kept.rig.electrical.rows[0]!.cables[0]!.lengthM.value).toBe(8);
  expect(kept.rig.state.positions).toEqual({ d3: true });
});

test('edits made while the server is away outlive the tab', async () => {
  await page.open(PATH);
  await page.trebleDb();
  await world.server.kill();
  await setCableIn('9 m');
  await page.find('[data-save="away"]');
  await driver.switchTo().newWindow('tab');
  const [first, second] = await driver.getAllWindowHandles();
  await driver.switchTo().window(first!);
  await driver.close();
  await driver.switchTo().window(second!);
  await setView(driver);

  restarted = await startServerProcess({
    port: world.server.port,
    dataFolder: world.server.dataFolder,
  });
  await page.open(PATH);
  await cableInIs('9\u00a0m');
  await page.saved();
  expect(await keptRevision(restarted.address)).toBe(2);
});

test('a second window of the same rig is told and shows the newest; undo brings its own back', async () => {
  await page.open(PATH);
  await page.trebleDb();
  const first = await driver.getWindowHandle();
  await driver.switchTo().newWindow('tab');
  await setView(driver);
  await page.open(PATH);
  await setCableIn('12 m');
  await page.saved();

  await driver.switchTo().window(first);
  await page.findText('div', 'changed in another window');
  await cableInIs('12\u00a0m');
  await page.click('button[aria-label="Undo"]');
  await cableInIs('6\u00a0m');
  await page.saved();
});

test('what a window could not send before it was closed goes on in the other one that has the rig open', async () => {
  await page.open(PATH);
  await page.trebleDb();
  const first = await driver.getWindowHandle();
  await driver.switchTo().newWindow('tab');
  await setView(driver);
  await page.open(PATH);
  await page.trebleDb();
  await cutNetwork(driver, true);
  await setCableIn('13 m');
  await page.find('[data-save="away"]');
  await driver.close();

  await driver.switchTo().window(first);
  await cableInIs('13\u00a0m');
  await page.saved();
  expect(await keptRevision(page.address)).toBe(2);
  await page.press('3');
  await page.saved();
  await driver.navigate().refresh();
  await cableInIs('13\u00a0m');
});

test('what was done can be undone in the next stage at once, and after a reload', async () => {
  await page.open(PATH);
  await setCableIn('7 m');
  await setCableIn('8 m');
  // To the brief and back before the hand has rested.
  await page.click('a[href$="/brief"]');
  await page.click('a[href$="/path"]');
  await cableInIs('8\u00a0m');
  await page.click('button[aria-label="Undo"]');
  await cableInIs('7\u00a0m');
  await page.saved();
  await driver.navigate().refresh();
  await cableInIs('7\u00a0m');
  await page.click('button[aria-label="Undo"]');
  await cableInIs('6\u00a0m');
  await page.click('button[aria-label="Redo"]');
  await page.click('button[aria-label="Redo"]');
  await cableInIs('8\u00a0m');
  await page.saved();
});

test('foot-switches that another bench was at stay as that bench put them, without a question', async () => {
  await page.open(PATH);
  await page.trebleDb();
  const address = `${world.server.address}api/rigs/${PIT_BOARD}`;
  const kept = async () =>
    (await (await fetch(address)).json()) as {
      revision: number;
      rig: { state: { positions: Record<string, boolean> } };
    };
  const from = (await kept()).rig.state;
  const state = { ...from, positions: { ...from.positions, d3: true } };
  const answer = await fetch(`${address}/state`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ from, state }),
  });
  expect(answer.status).toBe(200);
  await setCableIn('7 m');
  await page.saved();
  expect(await kept()).toMatchObject({ revision: 2, rig: { state: { positions: { d3: true } } } });
  // It is shown here as well.
  await page.find('[data-switch="d3"][data-on="true"]');
});
