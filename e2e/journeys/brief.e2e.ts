import { Key } from 'selenium-webdriver';
import { PIT_BOARD, STORM_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// What a player says, and that it is still there afterwards.

let world: World;

beforeAll(async () => {
  world = await openWorld();
});

afterAll(() => world.close());

const pedals = async (): Promise<readonly string[]> => {
  const items = await world.driver.findElements({ css: 'main ol[aria-label^="to "] li' });
  return Promise.all(items.map(async (item) => (await item.getText()).split('\n')[1] ?? ''));
};

test('what is said stays: uses, limits, places, approach; a reload shows it again', async () => {
  const { page, driver } = world;
  await page.open(`/rigs/${PIT_BOARD}/brief`);
  await page.find('ol[aria-label="A usual order"]');
  await page.chooseIn('How Ballast is used', 'left on');
  await page.typeInto('Boxes added at most', '1');
  await page.click('[aria-label="home, the cable in"]');
  await page.press('4 m', Key.ENTER);
  await page.click('input[value="oneBuffer"]');
  await page.saved();
  await driver.navigate().refresh();
  await page.find('ol[aria-label="A usual order"]');
  const value = async (css: string) => (await page.find(css)).getAttribute('value');
  expect(await value('select[aria-label="How Ballast is used"]')).toBe('leftOn');
  expect(await value('[aria-label="home, the cable in"]')).toBe('4\u00a0m');
  expect(await (await page.inputOf('Boxes added at most')).getAttribute('value')).toBe('1');
  expect(await (await page.find('input[value="oneBuffer"]')).isSelected()).toBe(true);
});

test('another amp waits at one place: its figures are of that amp, and the rig keeps its own', async () => {
  const { page, driver } = world;
  await page.open(`/rigs/${PIT_BOARD}/brief`);
  const name = (await page.find('[aria-label^="Plugged into at "]')).getAttribute('aria-label');
  const place = (await name)!.replace('Plugged into at ', '');
  const choice = `[aria-label="Plugged into at ${place}"]`;
  expect(await page.textOf(choice)).toBe('the same');
  await page.click(choice);
  await page.find('[role="dialog"] input');
  await page.press('line input');
  await page.findText('li', 'ine input');
  await page.press(Key.ENTER);
  await page.eventually('plugged in', async () => (await page.textOf(choice)) !== 'the same');
  await page.typeInto('Ready by', '2027-02-30');
  await page.findText('*', 'Ready by: “2027-02-30” is not a day');
  await page.typeInto('Ready by', '2027-02-28');
  await page.typeInto('Hours a day for it', '3');
  await page.saved();
  await driver.navigate().refresh();
  expect(await page.textOf(choice)).not.toBe('the same');
  expect(await (await page.inputOf('Ready by')).getAttribute('value')).toBe('2027-02-28');
  await page.click(`[aria-label="The same at ${place} as everywhere"]`);
  await page.eventually('its own again', async () => (await page.textOf(choice)) === 'the same');
  await page.typeInto('Ready by', '');
  await page.typeInto('Hours a day for it', '');
  await page.saved();
});

test('a length out of reach is refused where it was typed', async () => {
  const { page } = world;
  await page.open(`/rigs/${PIT_BOARD}/brief`);
  await page.click('[aria-label="Length of the cable to the amp"]');
  await page.press('400', Key.ENTER);
  const message = await page.find('table [role="alert"]');
  expect(await message.getText()).toBe('Cable length: 400 m, at most 100 m.');
  await page.press(Key.ESCAPE);
});

test('pedals move by their arrows, and one undo by key takes it back', async () => {
  const { page } = world;
  await page.open(`/rigs/${STORM_BOARD}/brief`);
  await page.find('ol[aria-label="A usual order"]');
  const before = await pedals();
  await page.click(`[aria-label="Far Bank earlier"]`);
  await page.eventually('another order', async () => (await pedals()).join() !== before.join());
  await page.chord(Key.CONTROL, 'z');
  await page.eventually(
    'the order as it was',
    async () => (await pedals()).join() === before.join(),
  );
});

test('the amp’s loop in use: the usual order puts the repeats there, with its reason', async () => {
  const { page } = world;
  await page.open(`/rigs/${STORM_BOARD}/brief`);
  await page.choose('Its effects loop', 'is used');
  const order = await page.find('ol[aria-label="A usual order"]');
  await page.eventually('the loop', async () =>
    /Far Bank In the amp’s loop/u.test(await order.getText()),
  );
  await (await page.findText('button', 'Put them so')).click();
  await page.findText('button', 'They stand so');
  await page.eventually('fewer in front', async () => !(await pedals()).includes('Far Bank delay'));
  await page.chord(Key.CONTROL, 'z');
  await page.findText('button', 'Put them so');
});

test('by wireless: the first cable is short, and it goes back to a cable', async () => {
  const { page } = world;
  await page.open(`/rigs/${STORM_BOARD}/brief`);
  await page.choose('It arrives by', 'wireless');
  await page.find('[aria-label="Delete wireless pair"]');
  await page.choose('It arrives by', 'a cable');
  await page.eventually('no wireless', async () => {
    const found = await world.driver.findElements({ css: '[aria-label="Delete wireless pair"]' });
    return found.length === 0;
  });
});

test('a scene that does not count, and a pedal switched in one, by keys alone', async () => {
  const { page } = world;
  await page.open(`/rigs/${STORM_BOARD}/brief`);
  const count = await page.find('[aria-label="Calm counts"]');
  await page.tabTo('Calm counts', 120);
  await page.press(Key.SPACE);
  await page.eventually('not counted', async () => !(await count.isSelected()));
  await page.saved();
  await page.click('nav a[href$="/plans"]');
  await page.find('[data-search="done"]');
  await page.findText('p', '2 scenes');
});

test('nothing bought, nothing soldered: every plan is free', async () => {
  const { page, driver } = world;
  await page.open(`/rigs/${STORM_BOARD}/brief`);
  await (await page.findText('label', 'no soldering')).click();
  await (await page.findText('label', 'nothing is bought')).click();
  await page.saved();
  await page.click('nav a[href$="/plans"]');
  await page.find('[data-search="done"]');
  await page.findText('p', 'Nothing is bought, nothing is soldered');
  for (const proposal of await driver.findElements({ css: '[data-testid="proposal"]' }))
    expect(await proposal.getText()).toMatch(/nothing to (buy|do)/u);
});
