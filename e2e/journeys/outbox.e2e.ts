import type { HuntEnding, Rig } from '@gullwind/core';
import { Key, type WebDriver } from 'selenium-webdriver';
import { cutNetwork, openBrowser, setView, stopMotion } from '../src/browser';
import { Page, PIT_BOARD, TAVERN_BOARD } from '../src/page';
import { startServerProcess, type ServerProcess } from '../src/serverProcess';
import { openWorld, type World } from '../src/world';

/// The server goes in the middle of each kind of write and comes back; tabs are closed before anything was sent; two
/// machines are at the same work.

let world: World;
let page: Page;
let server: ServerProcess;

beforeAll(async () => {
  world = await openWorld();
  ({ page, server } = world);
  await stopMotion(world.driver);
});

afterEach(async () => {
  await cutNetwork(world.driver, false);
  if (isAway) await back();
});

afterAll(async () => {
  await world.close();
  await server.stop();
});

let isAway = false;
const goes = async (): Promise<void> => {
  isAway = true;
  await server.kill();
};
const back = async (): Promise<void> => {
  isAway = false;
  server = await startServerProcess({ port: server.port, dataFolder: server.dataFolder });
};

const asked = async <T>(path: string): Promise<T> =>
  (await (await fetch(`${server.address}api${path}`)).json()) as T;

const press = (words: string) =>
  page.eventually(`pressed “${words}”`, async () => {
    await (await page.findText('button', words)).click();
    return true;
  });

const waits = (words: string) => page.findText('button', words);

const nothingWaits = () =>
  page.eventually('nothing waits', async () => {
    const marks = await world.driver.findElements({
      xpath: '//button[contains(., "waiting") or contains(., "kept in this browser")]',
    });
    return marks.length === 0;
  });

/** The tab goes before anything was sent; another one is opened when the server is there again. */
async function anotherTab(): Promise<void> {
  const { driver } = world;
  const gone = await driver.getWindowHandle();
  await driver.switchTo().newWindow('tab');
  const next = await driver.getWindowHandle();
  await driver.switchTo().window(gone);
  await driver.close();
  await driver.switchTo().window(next);
  await setView(driver);
  await stopMotion(driver);
}

const LEFT_OPEN: HuntEnding = {
  ...{ kind: 'givenUp', suspect: null, finding: '', remedy: '', caution: '', proof: '' },
  ...{ task: null, taskMinutes: 0, note: '' },
};

const answersShown = async (): Promise<number> =>
  (await world.driver.findElements({ css: '[aria-label="Answers so far"] li' })).length;

interface Hunted {
  readonly hunts: readonly {
    readonly id: string;
    readonly answers: readonly object[];
    readonly rig: string | null;
  }[];
}

test('a hunt is begun and answered while the server is away, and goes on in another tab', async () => {
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await page.findText('button', 'Hum');
  await goes();
  await press('Hum');
  for (let nth = 0; nth < 3; nth++) {
    await press('Not sure');
    await page.eventually('an answer', async () => (await answersShown()) === nth + 1);
  }
  await waits('4 changes kept in this browser');
  await anotherTab();
  await back();
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await page.findText('button', 'goes on after 3 answers');
  await nothingWaits();
  const { hunts } = await asked<Hunted>(`/hunts?rig=${PIT_BOARD}`);
  expect(hunts.map(({ answers }) => answers.length)).toEqual([3]);
});

interface Built {
  readonly done: readonly { readonly step: string }[];
  readonly tests: readonly object[];
}

test('steps are ticked off and a cable is tested while the server is away', async () => {
  const next = () => page.textOf('[aria-label="Next step"] h2');
  // What another page is made of is there before the server goes.
  await page.open(`/rigs/${TAVERN_BOARD}/path`);
  await page.trebleDb();
  await page.click('a[href$="/build"]');
  await next();
  await goes();
  const done = async () => {
    const before = await next();
    await press('Done');
    await page.eventually(`something after “${before}”`, async () => (await next()) !== before);
  };
  while (!/^Test /u.test(await next())) await done();
  await press('Test it here');
  const answer = (label: string) =>
    page.click(`[role="group"][aria-label="${label}"] button[value="true"]`);
  await answer('Tip to tip through');
  // What is typed and not kept yet is there again on another page and back.
  await page.typeInto('pF reading', '61p');
  await page.click('a[href$="/path"]');
  await page.find('[data-testid="treble"]');
  await page.click('a[href$="/build"]');
  await press('Test it here');
  const reading = await page.find('input[placeholder="whole cable"]');
  expect(await reading.getAttribute('value')).toBe('61p');
  for (const label of ['Sleeve to sleeve through', 'Holds when pulled', 'Quiet when moved'])
    await answer(label);
  await press('Keep: it is');
  await waits('kept in this browser');
  await back();
  await nothingWaits();
  const { done: ticked, tests } = await asked<Built>(`/rigs/${TAVERN_BOARD}/build`);
  expect(tests).toHaveLength(1);
  expect(ticked.length).toBeGreaterThan(5);
});

test('readings that were typed are there again in another tab; what is kept of them arrives once', async () => {
  await page.open('/bench?job=coil');
  const type = async (text: string) => {
    const field = await page.find('input[type="text"]:not([readonly])');
    await field.sendKeys(text);
    await press('Add the reading');
  };
  await type('4.31 H');
  await type('4.33 H');
  await page.findText('p', 'of the coil itself');
  await anotherTab();
  await page.open('/bench?job=coil');
  await page.findText('p', 'of the coil itself');
  await goes();
  await press('Keep the readings only');
  await page.findText('p', 'Kept, with every reading.');
  await waits('1 change kept in this browser');
  await page.find('[aria-label="Kept measurements"] article');
  await back();
  await nothingWaits();
  const { measurements } = await asked<{ measurements: readonly { id: string }[] }>(
    '/measurements',
  );
  expect(measurements).toHaveLength(1);
  const { readings } = await asked<{ readings: readonly { values: readonly number[] }[] }>(
    `/measurements/${measurements[0]!.id}`,
  );
  expect(readings[0]!.values).toEqual([4.31, 4.33]);
});

test('a setting is kept for the server, and heard of by itself', async () => {
  await page.open('/settings');
  await page.find('input[value="metric"]');
  await goes();
  const imperial = await page.find('input[value="imperial"], button[value="imperial"]');
  await world.driver.executeScript('arguments[0].click()', imperial);
  await waits('1 change kept in this browser');
  await back();
  await nothingWaits();
  expect(await asked<{ units: string }>('/settings')).toMatchObject({ units: 'imperial' });
  const metric = await page.find('input[value="metric"], button[value="metric"]');
  await world.driver.executeScript('arguments[0].click()', metric);
  await page.eventually(
    'it is kept',
    async () => (await asked<{ units: string }>('/settings')).units === 'metric',
  );
});

test('a refusal that comes later is shown with what it was, to be tried again or discarded', async () => {
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await press('goes on after 3 answers');
  await page.find('[data-test]');
  await cutNetwork(world.driver, true);
  await press('Not sure');
  await page.eventually('an answer', async () => (await answersShown()) === 4);
  await waits('1 change kept in this browser');
  // Another bench ends the hunt meanwhile.
  const { hunts } = await asked<Hunted>(`/hunts?rig=${PIT_BOARD}`);
  const ended = await fetch(`${server.address}api/hunts/${hunts[0]!.id}/ending`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ending: LEFT_OPEN }),
  });
  expect(ended.status).toBe(200);
  await cutNetwork(world.driver, false);
  await press('1 change not saved');
  await page.findText('p', 'The hunt has ended.');
  await press('Discard');
  await page.eventually(
    'nothing is left of it',
    async () => (await world.driver.findElements({ css: '[role="dialog"]' })).length === 0,
  );
});

describe('two machines', () => {
  let other: WebDriver;
  let there: Page;

  beforeAll(async () => {
    other = await openBrowser();
    await stopMotion(other);
    there = new Page(other, server.address);
  });

  afterAll(() => other.quit());

  const lengthIn = (of: Page, length: string) =>
    of.find(`[role="option"][aria-label^="the cable in"][aria-label$="${length}"]`);

  test('what one does the other sees within a moment, without a hand', async () => {
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await there.open(`/rigs/${PIT_BOARD}/path`);
    await page.trebleDb();
    await there.trebleDb();
    await page.click('[role="option"][aria-label^="the cable in"]');
    await page.typeInto('Length', '7 m');
    await page.saved();
    await lengthIn(there, '7\u00a0m');
  });

  test('different parts of one rig are put together without a question', async () => {
    const { driver } = world;
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await page.trebleDb();
    await there.open(`/rigs/${PIT_BOARD}/path`);
    await there.trebleDb();
    await cutNetwork(world.driver, true);
    const name = await page.find('input[aria-label="Name of the rig"]');
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Pit, spring', Key.ENTER);
    await page.find('[data-save="away"]');
    await there.click('[role="option"][aria-label^="the cable in"]');
    await there.typeInto('Length', '9 m');
    await there.saved();
    await cutNetwork(world.driver, false);
    await lengthIn(page, '9\u00a0m');
    await page.saved();
    const { rig } = await asked<{ rig: Rig }>(`/rigs/${PIT_BOARD}`);
    expect(rig.texts.name).toBe('Pit, spring');
    expect(rig.electrical.rows[0]!.cables[0]!.lengthM.value).toBe(9);
    expect(await driver.findElements({ css: '[role="dialog"]' })).toEqual([]);
  });
});
