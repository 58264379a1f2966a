import { Key } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { openWorld, type World } from '../src/world';

/// From an empty database, as somebody who has never seen it.

let world: World;

beforeAll(async () => {
  world = await openWorld({ demo: false });
  // What is still moving when it is pressed is not pressed.
  await stopMotion(world.driver);
});

afterAll(() => world.close());

test('a first rig from nothing: cable, pedals by class, a name, and it is on the list', async () => {
  const { page, driver } = world;
  await page.open('/');
  await page.findText('p', 'No rigs yet');
  await (await page.findText('button', 'Start the first rig')).click();

  const short = await page.trebleDb();
  await page.press(Key.ARROW_RIGHT);
  await page.selected('the cable');
  await page.press(Key.ENTER);
  await page.focused('Length');
  await page.press('30 ft', Key.ENTER, Key.ESCAPE);
  const alone = await page.trebleOtherThan(short);
  expect(alone).toBeLessThan(-2);

  for (const kind of ['wah', 'drive', 'delay']) {
    await page.press(Key.END, 'a');
    await page.find('[role="dialog"] input');
    await page.press(kind);
    await page.findText('li', kind);
    await page.press(Key.ENTER);
    await page.find(`[role="option"][aria-selected="true"][aria-label*="${kind}"]`);
  }
  expect(await driver.findElements({ css: '[data-post]' })).toHaveLength(3);

  const name = await page.find('input[aria-label="Name of the rig"]');
  await name.click();
  await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'My first board', Key.ENTER);
  await page.saved();

  await page.click('nav a[href="/"]');
  await page.findText('a', 'My first board');
  await page.findText('p', '3 pedals');

  await page.click('button[aria-label="Delete “My first board”"]');
  await page.findText('p', 'No rigs yet');
  await (await page.findText('button', 'Put it back')).click();
  await page.findText('a', 'My first board');
});

test('feet instead of metres, everywhere at once and after a reload', async () => {
  const { page, driver } = world;
  await page.open('/settings');
  await page.click('input[value="imperial"]');
  await page.typeInto('Reference cable length', '10 ft');
  await page.eventually(
    'feet',
    async () =>
      (await (await page.inputOf('Reference cable length')).getAttribute('value')) === '10\u00a0ft',
  );
  await page.click('nav a[href="/"]');
  await page.findText('p', '\u00a0ft of cable');
  await driver.navigate().refresh();
  await (await page.findText('a', 'My first board')).click();
  await page.find('[role="option"][aria-label*="30\u00a0ft"]');
});
