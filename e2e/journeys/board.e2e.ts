import { randomUUID } from 'node:crypto';
import {
  addBoard,
  applyEdits,
  deviceOfClass,
  firstArrangement,
  insertDevice,
  newRig,
  typicalBoard,
  type Rig,
} from '@gullwind/core';
import { Key, Origin, type WebElement } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// From a chain to a board: laid out, set right, cut to length, printed.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

const pedals = (count: number): Rig =>
  Array.from({ length: count }, (_, i) => i).reduce(
    (rig, i) => applyEdits(rig, insertDevice(rig, i, deviceOfClass('drive', '', `Pedal ${i + 1}`))),
    newRig(`${count} pedals`),
  );

/** A rig of its own for one test. */
async function kept(rig: Rig): Promise<string> {
  const id = randomUUID();
  await page.keep(id, rig);
  return id;
}

const openBoard = async (id: string): Promise<void> => {
  await page.open(`/rigs/${id}/board`);
  await page.find('[data-testid="laid"]');
  await page.atRest('[role="listbox"] [data-deck]');
};

const conflicts = async (): Promise<readonly string[]> => {
  const lines = await world.driver.findElements({ css: '[aria-label="What is in the way"] li' });
  return Promise.all(lines.map((line) => line.getText()));
};

const until = (count: number): Promise<readonly string[]> =>
  page.eventually(`${count} conflicts`, async () => {
    const now = await conflicts();
    return now.length === count ? now : null;
  });

const thing = (name: string): Promise<WebElement> =>
  page.find(`[role="option"][aria-label^="${name},"]`);

const laidM = async (): Promise<number> =>
  Number(/as laid ([\d.]+)/u.exec(await page.textOf('[data-testid="laid"]'))?.[1] ?? NaN);

test('eight pedals from nothing: laid out, three conflicts found and cured, cable cut short', async () => {
  await page.open(`/rigs/${await kept(pedals(8))}/board`);
  await (await page.findText('button', 'A first arrangement')).click();
  await page.findText('h2', 'Nothing is in the way');
  expect(await world.driver.findElements({ css: '[data-thing]' })).toHaveLength(8);
  const before = await laidM();
  expect(before).toBeGreaterThan(0.8);

  // Three of them pushed too near: seen at once, cured by what is offered.
  for (const name of ['Pedal 1', 'Pedal 3', 'Pedal 7']) {
    await (await thing(name)).click();
    const field = await page.inputOf('From the left');
    const now = Number.parseFloat((await field.getAttribute('value'))!);
    await page.typeInto('From the left', `${now - 60}`);
  }
  const found = await page.eventually('conflicts', async () => {
    const now = await conflicts();
    return now.length >= 3 ? now : null;
  });
  expect(found[0]).toMatch(/mm missing/u);
  for (let left = found.length; left > 0; left = (await conflicts()).length) {
    const cure = await page.find('[aria-label="What is in the way"] li button:nth-of-type(2)');
    await cure.click();
    await page.eventually('one less', async () => (await conflicts()).length < left);
  }
  await page.findText('h2', 'Nothing is in the way');

  // A neighbour nearer to the one before it: less cable, and the thread of the Run follows.
  await page.saved();
});

test('a length that is typed is fixed, too short is said, and the board may have it again', async () => {
  await openBoard(PIT_BOARD);
  await (await thing('Gristle')).click();
  await (await page.findText('button', 'to Rope Burn')).click();
  await page.typeInto('As laid (type to fix it)', '90');
  const lines = await until(2);
  expect(lines.join(' ')).toMatch(/Gristle to Rope Burn is fixed and 50\smm too short/u);
  await (await page.findText('button', 'make it 140')).click();
  await until(1);
  await page.findText('p', 'as long as the board says');
  await page.saved();
});

test('by the keyboard alone: the fault is found and taken away, and back again', async () => {
  await openBoard(PIT_BOARD);
  await until(1);
  await page.tabTo('The board from above');
  for (let i = 0; i < 3; i++) await page.press(Key.PAGE_DOWN);
  await page.findText('h2', 'Ballast');
  for (let i = 0; i < 7; i++) await page.press(Key.ARROW_RIGHT);
  await until(0);
  await page.chord(Key.CONTROL, 'z');
  await until(1);
  await page.chord(Key.SHIFT, Key.ARROW_RIGHT);
  await until(0);
  await page.press('r');
  expect(await (await page.inputOf('Turned')).getAttribute('value')).toBe('90');
  await page.press('f');
  await page.find('[role="listbox"][aria-label="The board from below"]');
  await page.press('f', Key.DELETE);
  await page.findText('h2', 'Cargo: not placed yet');
  for (let i = 0; i < 3; i++) await page.chord(Key.CONTROL, 'z');
  await until(1);
});

test('dragged by hand, the lengths and the Run follow while it moves', async () => {
  await openBoard(PIT_BOARD);
  const { driver } = world;
  const before = await laidM();
  const undercroft = await thing('Undercroft');
  const by = (x: number, y: number) => ({ origin: Origin.POINTER, x, y, duration: 80 });
  await driver.actions({ async: true }).move({ origin: undercroft }).press().perform();
  for (const step of [by(-4, 4), by(-20, 6), by(-16, 4)])
    await driver.actions({ async: true }).move(step).perform();
  const during = await page.eventually('another length', async () => {
    const now = await laidM();
    return now === before ? null : now;
  });
  expect(during).toBeGreaterThan(before);
  expect(await page.textOf('[data-testid="laid"]')).toContain('instead of');
  await driver.actions({ async: true }).release().perform();
  await page.eventually(
    'at rest',
    async () => !(await page.textOf('[data-testid="laid"]')).includes('instead'),
  );
  expect(await laidM()).toBeGreaterThan(before);
  await page.chord(Key.CONTROL, 'z');
  await page.eventually('as before', async () => (await laidM()) === before);
});

test('something in a rack, a loom to it, a controller, and what is fed', async () => {
  await openBoard(PIT_BOARD);
  await (await thing('Far Bank')).click();
  await page.choose('Where', 'in a rack');
  await page.typeInto('Cable to it, each way', '4 m');
  await page.eventually('both ways', async () =>
    (await page.textOf('[data-testid="laid"]')).includes('as laid'),
  );
  await page.press(Key.ESCAPE);
  await page.press(Key.ESCAPE);
  await (await page.findText('button', 'cables that leave as one loom')).click();
  await page.findText('p', 'together,');
  await page.chooseIn('Add to the board', 'Helm');
  await page.click('button[aria-label="Add: Add to the board"]');
  await (await page.findText('button', 'Helm')).click();
  await thing('Helm');
  for (let i = 0; i < 5; i++) await page.chord(Key.CONTROL, 'z');
});

test('in two windows: what is moved in one stands so in the other', async () => {
  const { driver } = world;
  await openBoard(PIT_BOARD);
  const before = await laidM();
  const first = await driver.getWindowHandle();
  await driver.switchTo().newWindow('tab');
  await openBoard(PIT_BOARD);
  await (await thing('Undercroft')).click();
  await page.findText('h2', 'Undercroft');
  for (let i = 0; i < 3; i++) await page.chord(Key.SHIFT, Key.ARROW_LEFT);
  await page.saved();
  const after = await laidM();
  expect(after).not.toBe(before);
  await driver.close();
  await driver.switchTo().window(first);
  await page.eventually('the newest', async () => (await laidM()) === after);
  await page.chord(Key.CONTROL, 'z');
  await page.eventually('as before', async () => (await laidM()) === before);
});

test('on paper at full size, as SVG and as JSON', async () => {
  await openBoard(PIT_BOARD);
  await page.watchDownloads();
  for (const words of ['on A4', 'Outlines to cut out', 'The board (JSON)']) {
    await (await page.findText('button', '1:1')).click();
    await (await page.findText('li', words)).click();
  }
  const files = await page.eventually('three files', async () => {
    const now = await page.downloads();
    return now.length === 3 ? now : null;
  });
  const named = new Map(files.map(({ name, text }) => [name, text]));
  expect(named.get('pit-board-board.pdf')).toMatch(/^%PDF-1/u);
  expect(named.get('pit-board-outlines.svg')).toMatch(/^<svg[^>]* width="[\d.]+mm"/u);
  const board = JSON.parse(named.get('pit-board.board.json')!) as { readonly cables: object[] };
  expect(board.cables.length).toBeGreaterThan(6);
});

test('thirty pedals on two boards, in inches', async () => {
  const start = pedals(30);
  const wide = { ...typicalBoard('Port'), widthM: { value: 1.1, from: 'entered' } as const };
  const one = applyEdits(
    start,
    addBoard(start, { ...wide, depthM: { value: 0.4, from: 'entered' } }),
  );
  const both = applyEdits(
    one,
    addBoard(one, { ...wide, name: 'Starboard', depthM: { value: 0.4, from: 'entered' } }),
  );
  expect(firstArrangement(both).leftOver.length).toBeLessThan(12);
  await openBoard(await kept(both));
  await page.findText('h2', 'Cargo: not placed yet');
  await (await page.findText('button', 'Place them all')).click();
  await page.eventually(
    'placed',
    async () => (await world.driver.findElements({ css: '[data-thing]' })).length > 18,
  );
  await page.findText('h2', 'Nothing is in the way');
  await page.press('u');
  await page.eventually('feet', async () =>
    (await page.textOf('[data-testid="laid"]')).includes('ft'),
  );
  await page.press('u');
});

test('as another rig has it', async () => {
  await page.open(`/rigs/${await kept(pedals(2))}/board`);
  await page.chooseIn('As in which rig?', 'Pit board');
  await (await page.findText('button', 'As that rig has it')).click();
  await page.find('[role="listbox"] [data-deck]');
  await page.findText('h2', 'Cargo: not placed yet');
});

test('a board smaller than its pedals, slats that overlap, a jack beside its case: said where it was typed', async () => {
  await openBoard(PIT_BOARD);
  await page.typeInto('Slats', '0 55; 40 130');
  await page.findText('div', 'they overlap');
  await (await thing('Gristle')).click();
  await page.typeInto('Jacks', 'in right 174; out left 71');
  await page.findText('div', 'is not between 0\u00a0mm and 115\u00a0mm');
  await page.typeInto('Width', '5 m');
  await page.findText('span', 'Width of the case: 5000\u00a0mm, at most 2000\u00a0mm.');
  await page.press(Key.ESCAPE);
  await (await thing('Gristle')).click();
  await page.typeInto('From the left', '9 m');
  await page.findText('span', 'From the left: 9000\u00a0mm, at most 5000\u00a0mm.');
  await page.press(Key.ESCAPE);
});
