import { randomUUID } from 'node:crypto';
import { newRig } from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, TAVERN_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// A board is built: from the first cut to the last tie, with what goes wrong on the way.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
  // A tablet on the bench.
  await world.driver.manage().window().setRect({ width: 1024, height: 768 });
});

afterAll(() => world.close());

const openBuild = async (id: string, more = ''): Promise<void> => {
  await page.open(`/rigs/${id}/build${more}`);
  await page.find('[aria-label="Next step"] h2');
};

const next = async (): Promise<string> =>
  (await page.find('[aria-label="Next step"] h2')).getText();

/** Presses the one large button, and waits until something else is next. */
async function done(): Promise<void> {
  const before = await next();
  await (await page.findText('button', 'Done')).click();
  await page.eventually(`something after “${before}”`, async () => (await next()) !== before);
}

const answer = async (label: string, word: 'yes' | 'no'): Promise<void> =>
  page.click(`[role="group"][aria-label="${label}"] button[value="${word === 'yes'}"]`);

const hours = (): Promise<string> => page.textOf('[data-testid="hours"]');

test('the tavern board, step by step; one cable fails its test and is made again', async () => {
  await openBuild(TAVERN_BOARD);
  expect(await next()).toMatch(/Photograph it as it is/u);
  expect(await hours()).toMatch(/^0 of \d+ steps/u);
  for (let i = 0; i < 6; i++) await done();
  expect(await next()).toMatch(/^(?:Test|Cut) A/u);

  // To the first cable that is cut here, and onto the meter with it.
  while (!/^Cut /u.test(await next())) await done();
  const label = /^Cut (A\d+):/u.exec(await next())![1]!;
  await done();
  await done();
  expect(await next()).toBe(`Test ${label}`);
  await (await page.findText('button', 'Test it here')).click();
  await page.findText('h2', label);
  await answer('Tip to tip through', 'yes');
  await answer('Sleeve to sleeve through', 'no');
  await (await page.findText('button', 'Keep: it is not right')).click();
  await page.findText('p', `${label}: the sleeve is not through`);
  expect(await next()).toBe(`Test ${label}`);

  // Made again, and right.
  for (const one of [
    'Tip to tip through',
    'Sleeve to sleeve through',
    'Holds when pulled',
    'Quiet when moved',
  ])
    await answer(one, 'yes');
  await page.typeInto('Tip to sleeve, ohms range', '2M');
  await page.findText('p', 'between tip and sleeve; at least');
  await page.typeInto('Tip to sleeve, ohms range', '100M');
  await (await page.findText('button', 'Keep: it is right')).click();
  await page.eventually('it is tested', async () => (await next()) !== `Test ${label}`);
  expect(await next()).toMatch(new RegExp(`^Lay ${label}`, 'u'));

  // To the last tie.
  for (let i = 0; i < 80 && !/All of it is done/u.test(await next()); i++) {
    const now = await next();
    if (/^Tie /u.test(now)) expect(await hours()).not.toMatch(/^0 of/u);
    await done();
  }
  expect(await next()).toBe('All of it is done.');

  // One taken back, and it is next again.
  await (await page.findText('button', 'Not done after all')).click();
  await page.eventually('it is next again', async () =>
    /Photograph it as it is now/u.test(await next()),
  );
});

test('a reading that is off is named, and goes into the rig as measured', async () => {
  await openBuild(TAVERN_BOARD, '?look=cables&cable=l2');
  await page.typeInto('pF reading', '150p');
  await page.findText('p', 'were expected. It may be another kind of cable');
  await (await page.findText('button', 'Keep: it is not right')).click();
  await (await page.findText('button', 'Into the rig as measured')).click();
  await page.saved();
  const rig = (await (await fetch(`${page.address}api/rigs/${TAVERN_BOARD}`)).json()) as {
    rig: { electrical: { rows: { cables: { id: string; cPerMF: { from: string } }[] }[] } };
  };
  const cable = rig.rig.electrical.rows[0]!.cables.find(({ id }) => id === 'l2')!;
  expect(cable.cPerMF.from).toBe('measured');
});

test('the layout changes half-way: what is another now asks to be made again, the old one is an off-cut', async () => {
  await openBuild(PIT_BOARD);
  await page.click('input[aria-label^="Cut A4:"]');
  await page.find('[data-step="cut l4"][data-done="true"]');
  await page.click('input[aria-label^="Cut A7:"]');
  await page.find('[data-step="cut l7"][data-done="true"]');
  await page.open(`/rigs/${PIT_BOARD}/board`);
  await (await page.findText('button', 'move Ballast')).click();
  await page.saved();
  await openBuild(PIT_BOARD);
  await page.find('[data-step="cut l7"][data-done="true"]');
  await page.find('[data-step="cut l4"][data-done="false"]');
  await (await page.findText('button', 'cuts')).click();
  await (await page.findText('button', 'Keep as an off-cut')).click();
  await page.eventually('the off-cut is kept', async () =>
    /patch · \d+\s*mm · from l4/u.test(await page.textOf('[aria-label="Off-cuts"]')),
  );
  await page.eventually(
    'it is offered once',
    async () =>
      (await world.driver.findElements({ css: '[aria-label="Made for nothing"]' })).length === 0,
  );
});

test('parts: what is on its way is waited for, and by whom it is bought', async () => {
  await openBuild(PIT_BOARD, '?look=parts');
  const field = async (label: string) => page.find(`input[aria-label="${label}"]`);
  const name = 'DC plug';
  await (await field(`${name}, ordered`)).sendKeys(Key.chord(Key.CONTROL, 'a'), '20', Key.ENTER);
  await (await field(`${name}, who buys`)).sendKeys('Mate', Key.ENTER);
  await page.saved();
  await (await page.findText('button', 'order of work')).click();
  await page.findText('li', 'waits for DC plug');
  await page.choose('Plugs', 'screwed on');
  await page.findText('li', 'Both plugs on A2');
  await page.saved();
});

test('everything printed, and as files', async () => {
  await openBuild(PIT_BOARD);
  await page.watchDownloads();
  for (const item of [
    'Cables (CSV)',
    'To order (CSV)',
    'Order of work (CSV)',
    'Labels on A4 (PDF)',
    'Work plan, cables, cuts, order on Letter (PDF)',
  ]) {
    await (await page.findText('button', 'Papers')).click();
    const entry = await page.findText('li', item);
    await page.eventually(
      `${item} can be pressed`,
      async () => (await entry.getAttribute('aria-disabled')) !== 'true',
    );
    await entry.click();
  }
  const files = await page.eventually('five files', async () => {
    const all = await page.downloads();
    return all.length >= 5 ? all : null;
  });
  const names = files.map(({ name }) => name);
  expect(names).toEqual(
    expect.arrayContaining([
      'pit-board-cables.csv',
      'pit-board-order.csv',
      'pit-board-work.csv',
      'pit-board-labels.pdf',
      'pit-board-build.pdf',
    ]),
  );
  expect(files.find(({ name }) => name === 'pit-board-cables.csv')!.text).toMatch(
    /^label,from,to,of,length/u,
  );
});

test('by the keyboard alone: a step ticked off and taken back', async () => {
  await openBuild(PIT_BOARD);
  const first = await next();
  const button = await page.findText('button', 'Done');
  await button.sendKeys(Key.ENTER);
  await page.eventually('the next one', async () => (await next()) !== first);
  await (await page.findText('button', 'Not done after all')).sendKeys(Key.SPACE);
  await page.eventually('the first again', async () => (await next()) === first);
});

test('what is due stands above the list of rigs, with what is next', async () => {
  const id = randomUUID();
  const rig = newRig('Sea shanty');
  const brief = { ...rig.texts.brief, deadline: '2031-05-01', hoursADay: 2 };
  await page.keep(id, { ...rig, texts: { ...rig.texts, brief } });
  await page.open('/');
  const due = await page.find('[aria-label="What is due"]');
  const text = (await due.getText()).replace(/\s+/gu, ' ');
  expect(text).toMatch(/Sea shanty 2031-05-01 0 of \d+ steps, \d+ h \d+ min left/u);
  expect(text).toMatch(/next: Photograph it as it is/u);
  await (await page.findText('a', 'Sea shanty')).click();
  await page.find('[aria-label="Next step"] h2');
  expect(await hours()).toMatch(/of work until then: enough/u);
});
