import { Key, type WebDriver } from 'selenium-webdriver';
import { PIT_BOARD, STORM_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// Open a rig, see its way, switch, draw a cable longer, stand a buffer, undo, come back and find it there.

let world: World;
let driver: WebDriver;
let page: Page;

beforeEach(async () => {
  world = await openWorld();
  ({ driver, page } = world);
});

afterEach(() => world.close());

test('the story by pointer', async () => {
  await page.open('/');
  await (await page.findText('a', 'Pit board')).click();
  const start = await page.trebleDb();
  expect(start).toBeCloseTo(-12.81, 1);
  expect(await page.textOf('[data-testid="sentence"]')).toContain('drastic');

  await page.click('[data-switch="d4"]');
  const switched = await page.trebleOtherThan(start);
  expect(switched).toBeGreaterThan(start);
  await page.find('[data-switch="d4"][data-on="true"]');

  const grips = await driver.findElements({ css: '[data-grip]' });
  await page.drag(grips[0]!, 60);
  await page.trebleOtherThan(switched);
  // On the way there are other values: the last one is the one that is saved.
  await page.saved();
  const longer = await page.trebleDb();
  expect(longer).toBeLessThan(switched);

  await page.click('[role="option"][aria-label^="the cable in"]');
  await page.eventually('length budgets', async () =>
    (await page.textOf('[data-testid="budgets"]')).includes('short enough'),
  );
  await page.press('b');
  const buffered = await page.trebleOtherThan(longer);
  expect(buffered).toBeGreaterThan(longer + 3);
  await page.selected('1, buffer, always on');

  await page.click('button[aria-label="Undo"]');
  expect(await page.trebleOtherThan(buffered)).toBe(longer);
  await page.click('button[aria-label="Undo"]');
  expect(await page.trebleOtherThan(longer)).toBe(switched);
  await page.click('button[aria-label="Redo"]');
  expect(await page.trebleOtherThan(switched)).toBe(longer);

  await page.saved();
  await driver.navigate().refresh();
  expect(await page.trebleDb()).toBe(longer);
  await page.find('[data-switch="d4"][data-on="true"]');
});

test('from the pit to home and back: all cables follow, figures of all places side by side', async () => {
  await page.open(`/rigs/${PIT_BOARD}/path`);
  const pit = await page.trebleDb();
  await page.chooseIn('Where it is played', 'home');
  const home = await page.trebleOtherThan(pit);
  expect(home).toBeGreaterThan(pit + 3);
  await page.find('[role="option"][aria-label^="the cable to the amp, "][aria-label*="3\u00a0m"]');
  await page.lookAt('scenes');
  const table = await page.find('table[aria-label="Places compared"]');
  const rows = await table.findElements({ css: 'tbody tr' });
  expect(rows).toHaveLength(3);
  expect(await rows[0]!.getText()).toContain('here');
  await page.chord(Key.CONTROL, 'z');
  await page.lookAt('now');
  expect(await page.trebleOtherThan(home)).toBe(pit);
});

test('a post dragged past its neighbour changes the order', async () => {
  await page.open(`/rigs/${STORM_BOARD}/path`);
  const before = await page.trebleDb();
  await page.drag(await page.find('[data-post="d3"] text'), -120);
  await page.trebleOtherThan(before);
  await page.selected('2, Brine, on');
  await page.saved();
});

test('the story by keyboard alone', async () => {
  await page.open('/');
  await page.findText('a', 'Pit board');
  // Tab to the first rig and open it.
  await page.eventually('focus on the first rig', async () => {
    await page.press(Key.TAB);
    return (await driver.switchTo().activeElement().getText()) === 'Pit board';
  });
  await page.press(Key.ENTER);
  const start = await page.trebleDb();

  await page.press('4');
  const switched = await page.trebleOtherThan(start);

  await page.press(Key.ARROW_RIGHT);
  await page.selected('the cable in');
  await page.press(Key.ARROW_UP, Key.ARROW_UP);
  await page.trebleOtherThan(switched);
  // On the way there are other values: the last one is the one that is saved.
  await page.saved();
  const longer = await page.trebleDb();
  await page.find('[role="option"][aria-label*="7\u00a0m"]');

  await page.press('b');
  const buffered = await page.trebleOtherThan(longer);
  expect(buffered).toBeGreaterThan(longer + 3);

  await page.chord(Key.CONTROL, 'z');
  expect(await page.trebleOtherThan(buffered)).toBe(longer);
  await page.press(Key.HOME);
  await page.selected('guitar');
  await page.press(Key.ARROW_RIGHT);
  await page.selected('the cable in');
  await page.press(Key.ENTER);
  await page.focused('Length');
  await page.press('20 ft', Key.ENTER, Key.ESCAPE);
  await page.find('[role="option"][aria-label*="6.1\u00a0m"]');

  await page.press('?');
  await page.findText('h2', 'Keys');
  await page.press(Key.ESCAPE);
  await page.eventually(
    'the keys are gone',
    async () => (await driver.findElements({ css: '[role="dialog"]' })).length === 0,
  );

  await page.press('a');
  await page.find('[role="dialog"] input');
  await page.press('wee');
  await page.findText('li', 'Wee Ferry');
  await page.press(Key.ENTER);
  await page.find('[role="option"][aria-label^="1, Wee Ferry"]');
  await page.press(Key.DELETE);
  await page.find('[role="option"][aria-label^="1, Plumb Line"]');

  await page.saved();
  const end = await page.trebleDb();
  await driver.navigate().refresh();
  expect(await page.trebleDb()).toBe(end);
});
