import { randomUUID } from 'node:crypto';
import { applyEdits, deviceOfClass, insertDevice, newRig, type Rig } from '@gullwind/core';
import { Key, Origin, type WebElement } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// A board is fed, wrongly and rightly.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

const openPower = async (id: string): Promise<void> => {
  await page.open(`/rigs/${id}/power`);
  await page.find('[aria-label="What is wrong"] h2');
};

const wrong = async (): Promise<string> => page.textOf('[aria-label="What is wrong"]');

const untilWrong = (words: RegExp): Promise<string> =>
  page.eventually(`${words}`, async () => {
    const now = (await wrong()).replace(/\s+/gu, ' ');
    return words.test(now) ? now : null;
  });

const thing = (id: string): Promise<WebElement> => page.find(`[data-thing="${id}"]`);

async function kept(rig: Rig): Promise<string> {
  const id = randomUUID();
  await page.keep(id, rig);
  return id;
}

const pedals = (count: number): Rig =>
  Array.from({ length: count }, (_, i) => i).reduce(
    (rig, i) => applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `Pedal ${i + 1}`))),
    newRig(`${count} pedals`),
  );

test('the pit board: over the line is said, a proposal puts it right, and one undo takes it back', async () => {
  await openPower(PIT_BOARD);
  await untilWrong(/outlet 6 is filled to 85 %/u);
  await (await page.findText('button', 'Propose')).click();
  await (await page.findText('button', 'Hang them so')).click();
  await untilWrong(/Everything is fed as it should be/u);
  await (await page.findText('button', 'Propose')).click();
  await page.findText('span', 'As it is, it is as good as it gets');
  await page.chord(Key.CONTROL, 'z');
  await untilWrong(/outlet 6 is filled to 85 %/u);
});

test('18 V into 9 V, plus in the middle, too much on one outlet: each is said in words', async () => {
  await openPower(PIT_BOARD);
  await (await thing('d8')).click();
  await page.choose('Outlet set to', '18\u00a0V');
  await untilWrong(/18 V into Undercroft, which takes 9 V: it may be destroyed/u);
  await page.choose('Outlet set to', '9\u00a0V');
  await page.choose('Polarity', 'plus in the middle');
  await untilWrong(/Undercroft wants plus in the middle and gets minus: it may be destroyed/u);
  await page.choose('Between', 'a polarity adaptor');
  await page.choose('Audio ground', 'the plus pole');
  await page.eventually('nothing of it', async () => !/Undercroft/u.test(await wrong()));
  // Dragged onto another thing it goes on from there, and asks too much of that outlet.
  const [from, to] = [await thing('d8'), await thing('d1')];
  await world.driver
    .actions()
    .move({ origin: from })
    .press()
    .move({ origin: Origin.POINTER, x: 8, y: -8 })
    .move({ origin: to })
    .release()
    .perform();
  const all = await untilWrong(/outlet 1 gives 100 mA, and 315 mA are drawn/u);
  expect(all).toMatch(/Plumb Line and Undercroft share Tide Eight, outlet 1/u);
  expect(all).toMatch(/have their audio ground at different poles/u);
  for (let i = 0; i < 6; i++) await page.chord(Key.CONTROL, 'z');
  await page.eventually('as before', async () => !/Undercroft/u.test(await wrong()));
  await page.saved();
});

test('what falls silent is hatched, and heard: the mains, a supply, an outlet', async () => {
  await openPower(PIT_BOARD);
  const fails = await page.findText('button', 'Tide Eight, outlet 7');
  expect((await fails.getText()).replace(/\s+/gu, ' ')).toMatch(/1 dark · (sounds|silence)/u);
  await fails.click();
  await page.find('[data-arm="u1 6"][data-dry="true"]');
  await page.find('[data-arm="u1 0"][data-dry="false"]');
});

test('by the keyboard alone: a supply from nothing, things hung, moved, fixed, proposed, unplugged', async () => {
  await openPower(await kept(pedals(3)));
  await untilWrong(/3 things are fed by nothing/u);
  const add = await page.find('select[aria-label="Add a supply"]');
  await add.sendKeys('supply, usual', Key.TAB, Key.ENTER);
  await page.find('[data-supply="u1"]');
  await world.driver.executeScript('document.activeElement.blur()');
  await page.press(Key.ARROW_UP);
  await page.find('[data-thing="d3"][aria-pressed="true"]');
  await page.chord(Key.SHIFT, Key.ARROW_DOWN);
  await page.find('[data-arm="u1 0 d3"]');
  await page.chord(Key.SHIFT, Key.ARROW_DOWN);
  await page.find('[data-arm="u1 1 d3"]');
  await page.press('f');
  await page.findText('button', 'fixed');
  await page.press('p');
  await (await page.findText('button', 'Hang them so')).sendKeys(Key.ENTER);
  await untilWrong(/Everything is fed as it should be/u);
  await page.find('[data-arm="u1 1 d3"]');
  await world.driver.executeScript('document.activeElement.blur()');
  await page.press(Key.DELETE);
  await untilWrong(/Pedal 3 is fed by nothing/u);
  await page.saved();
});

test('what cannot be fed is told why, and what of the list would feed it', async () => {
  await openPower(PIT_BOARD);
  await (await thing('d8')).click();
  await page.typeInto('Current, at most', '700');
  await (await page.findText('button', 'Propose')).click();
  await page.findText('p', 'Undercroft draws 700');
  await (await page.findText('button', 'Add Spout')).click();
  await (await page.findText('button', 'Propose')).click();
  await page.findText('span', 'all 8 fed');
  for (let i = 0; i < 2; i++) await page.chord(Key.CONTROL, 'z');
  await untilWrong(/outlet 6 is filled to 85 %/u);
  await page.saved();
});

test('two supplies beside each other, and as a table', async () => {
  await openPower(PIT_BOARD);
  await page.click('[data-supply="u1"]');
  await page.choose('In its place', 'Tide Six');
  const table = await page.find('table[aria-label="Two supplies"]');
  expect((await table.getText()).replace(/\s+/gu, ' ')).toMatch(/left out nobody [1-9]/u);
  await (await page.findText('button', 'table')).click();
  const rows = await page.textOf('table[aria-label="What feeds what"]');
  expect(rows).toMatch(/Undercroft/u);
  expect(rows.replace(/\s+/gu, ' ')).toMatch(/56 % of 500 mA/u);
});
