import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chainOf, exerciseOf, pickupLevelDb, type Rig } from '@gullwind/core';
import { Key, type WebElement } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// Measured: a reel, a pickup, a whole rig; and a meter that is gone.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld({ instruments: true });
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

const button = (text: string): Promise<WebElement> => page.findText('button', text);
const press = async (text: string): Promise<void> => (await button(text)).click();
const asked = async <T>(path: string): Promise<T> =>
  (await (await fetch(`${world.server.address}api${path}`)).json()) as T;

const choose = async (label: string, value: string): Promise<void> => {
  const select = await page.find(`select[aria-label="${label}"]`);
  await world.driver.executeScript(
    `const set = Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set;
     set.call(arguments[0], arguments[1]);
     arguments[0].dispatchEvent(new Event('change', { bubbles: true }));`,
    select,
    value,
  );
};

const medians = async (): Promise<number> =>
  (await world.driver.findElements({ xpath: '//p[contains(., "median")]' })).length;

const readThree = async (): Promise<void> => {
  await press('Take three readings');
  await page.eventually('readings', async () => (await medians()) > 0);
};

test('a reel by three lengths goes into the gear list, and the rig moves', async () => {
  await page.open(`/rigs/${PIT_BOARD}/path?at=l1`);
  const before = await page.trebleDb();
  const { uses } = await asked<{ uses: { kind: string; gear: string }[] }>(
    `/gear/uses?rig=${PIT_BOARD}`,
  );
  const cable = uses.find(({ kind }) => kind === 'cable')!.gear;
  await page.open('/bench');
  await page.find('select[aria-label="Which cable"]');
  await choose('Which cable', cable);
  await press('several lengths');
  await readThree();
  for (let more = 0; more < 2; more++) {
    await press('Another length of it');
    await readThree();
  }
  await page.findText('p', 'A straight line through 3 lengths');
  await press('Into the gear list as measured');
  await press('Bring Pit board up to date');
  await page.eventually(
    'the rig is up to date',
    async () =>
      (
        await world.driver.findElements({
          xpath: '//button[contains(., "Bring Pit board up to date")]',
        })
      ).length === 0,
  );
  await page.find('article[aria-label]');
  await page.open(`/rigs/${PIT_BOARD}/path?at=l1`);
  await page.trebleOtherThan(before);
  const { items } = await asked<{
    items: { item: { id: string; thing: { cPerMF: { from: string; by: string } } } }[];
  }>('/gear');
  const { cPerMF } = items.find(({ item }) => item.id === cable)!.item.thing;
  expect(cPerMF).toMatchObject({ from: 'measured', by: 'Simulated meter' });
});

test('a pickup: one response is not enough and says so, two are', async () => {
  await page.open('/bench?job=pickup');
  await press('Take the first response');
  await page.findText('p', 'One response cannot tell inductance from winding capacitance');
  expect(
    await world.driver.findElements({ xpath: '//button[contains(., "Into the gear list")]' }),
  ).toEqual([]);
  await press('Take the second response');
  await page.findText('p', 'left (RMS)');
  await press('Into the gear list as measured');
  await page.findText('h2', 'Where used');
});

test('responses from files: a wrong load is said, a bad row by its number', async () => {
  await page.open('/bench?job=pickup');
  await page.find('select[aria-label="The sweep"]');
  await choose('The sweep', 'hand');
  const hz = Array.from({ length: 60 }, (_, k) => 100 * 150 ** (k / 59));
  const csv = (addedF: number, rLoadOhm: number) =>
    hz
      .map(
        (f) =>
          `${f},${pickupLevelDb({ lH: 4.4, cWindingF: 130e-12, rEddyOhm: 250e3 }, { rDcOhm: 7800, rLoadOhm, addedF }, f)}`,
      )
      .join('\n');
  const file = (name: string, text: string) => {
    const path = join(tmpdir(), name);
    writeFileSync(path, text);
    return path;
  };
  const input = (which: string) => page.find(`input[aria-label="Open the ${which} response"]`);
  await (await input('first')).sendKeys(file('bad.csv', 'Hz,dB\n100,loud\n'));
  await page.findText('span', 'Row 2: the level “loud” is not between');
  await (await input('first')).sendKeys(file('one.csv', csv(47e-12, 100e3)));
  await (await input('second')).sendKeys(file('two.csv', csv(470e-12, 100e3)));
  await page.findText('p', 'look at the load and the capacitances');
});

test('a shorted cable is found by the sweep of the whole rig', async () => {
  const { rig } = await asked<{ rig: Rig }>(`/rigs/${PIT_BOARD}`);
  const chain = chainOf(rig);
  const number = Array.from({ length: 200 }, (_, i) => i + 1).find(
    (one) => exerciseOf(chain, one).fault === 'shorted',
  )!;
  await page.open(`/rigs/${PIT_BOARD}/bench`);
  await button('Take the response');
  await page.typeInto('Exercise (0 hides nothing)', String(number));
  await press('Take the response');
  await page.findText('p', 'it acts as if it were shorted, tip on sleeve');
  await press('Show what was hidden');
  await page.findText('p', 'is shorted, tip on sleeve');
  await press('Keep this response');
  await page.find('article[aria-label^="Pit board"]');
});

test('a rig as it is: nothing need be wrong', async () => {
  await page.open(`/rigs/${PIT_BOARD}/bench`);
  await press('Take the response');
  await page.eventually('nothing need be wrong', async () =>
    /as far as this can tell|No part by itself explains it|within what it may be off/u.test(
      await page.textOf('[aria-label="What explains it"]'),
    ),
  );
});

test('training: measure, commit to a number, see how far off', async () => {
  await page.open('/bench?job=training');
  await readThree();
  const field = await page.inputOf('Capacitance, as read');
  await field.sendKeys('500p', Key.ENTER);
  await press('Show what it truly is');
  await page.findText('p', 'You said 500');
});

test('with the keys alone: readings taken and kept, and struck out with a reason', async () => {
  await page.open('/bench');
  await button('Take three readings');
  await page.tabTo('Take three readings');
  await page.press(Key.ENTER);
  await page.findText('p', 'median');
  await page.tabTo('Keep the readings only');
  await page.press(Key.ENTER);
  await page.find('article[aria-label^="Short stage cable"]');
  await page.tabTo('Strike out');
  await page.press(Key.ENTER);
  await page.press(...'wrong clip', Key.ENTER);
  await page.findText('p', 'Struck out: wrong clip');
});

test('the meter is gone in the middle: a clear word, and by hand it goes on', async () => {
  await page.open('/bench');
  await readThree();
  await world.server.pull('meter');
  await press('Three more');
  await page.findText('div', 'is not there (ECONNREFUSED)');
  await choose('The meter', 'hand');
  await (await page.inputOf('Capacitance, as read')).sendKeys('580 pF', Key.ENTER);
  await page.findText('p', '4 readings');
});
