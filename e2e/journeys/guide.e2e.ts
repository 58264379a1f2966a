import { Key } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// Somebody asks what this is: “?” at a stage, the pages, and a search through them.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

test('“?” at a stage says what it is for, and leads to all of the guide', async () => {
  await page.open(`/rigs/${PIT_BOARD}/power`);
  await page.find('[aria-label="The delta"], main svg');
  await page.press('?');
  await page.find('[role="dialog"] [data-guide="power"]');
  await page.findText('h2', 'What to mind');
  await page.findText('h2', 'Keys');
  const picture = await page.find('[role="dialog"] img');
  await page.eventually('its picture', async () =>
    world.driver.executeScript<boolean>('return arguments[0].naturalWidth > 600', picture),
  );
  await (await page.findText('a', 'All of the guide')).click();
  await page.find('main [data-guide="power"]');
  await page.eventually(
    'the help is gone',
    async () => (await world.driver.findElements({ css: '[role="dialog"]' })).length === 0,
  );
});

test('the guide is searched, by the keyboard alone', async () => {
  await page.open('/guide');
  await page.find('main [data-guide]');
  await page.tabTo('Search the guide', 40).catch(() => page.click('input[type="search"]'));
  const search = await page.find('input[type="search"]');
  await search.sendKeys('fume');
  await page.findText('p', 'page');
  await page.findText('p', 'fumes');
  await page.tabTo('Build', 60);
  await page.press(Key.ENTER);
  await page.find('main [data-guide="build"]');
  await search.sendKeys(Key.chord(Key.CONTROL, 'a'), 'zeppelin');
  await page.findText('p', 'Nothing in the guide says that.');
});
