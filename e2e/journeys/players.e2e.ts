import { Key } from 'selenium-webdriver';
import { forceColors } from '../src/browser';
import { openWorld, type World } from '../src/world';

/// Players with a question each, clicking what they read: from an empty database.

let world: World;

beforeAll(async () => {
  world = await openWorld({ demo: false });
});

afterAll(() => world.close());

async function begin(...pedals: readonly string[]): Promise<void> {
  const { page } = world;
  await page.open('/');
  const buttons = await page.eventually('a way to begin', async () => {
    const found = await world.driver.findElements({
      xpath: '//button[contains(., "Start the first rig") or contains(., "New rig")]',
    });
    return found.length > 0 ? { now: found } : null;
  });
  await buttons.now[0]!.click();
  await page.trebleDb();
  await page.press(Key.END);
  for (const kind of pedals) await page.addPedal(kind);
}

test('fuzz and wah: what is wrong is said at the two of them, and mended there', async () => {
  const { page, driver } = world;
  await begin('wah', 'low-impedance fuzz', 'drive');
  for (const id of ['d1', 'd2']) {
    await page.click(`[data-switch="${id}"]`);
    await page.find(`[data-switch="${id}"][data-on="true"]`);
  }
  await page.eventually('the warning', async () =>
    (await page.textOf('[data-testid="sentence"]')).includes('straight into'),
  );
  await page.find('[data-post="d2"]');
  expect((await driver.findElements({ css: '[data-warned]' })).length).toBeGreaterThan(0);
  await page.lookAt('advice');
  const judgement = await page.find('article[data-judgement="wahIntoFuzz"]');
  await judgement.findElement({ xpath: './/button[contains(., "Do it here")]' }).click();
  await page.eventually('nothing warned between them', async () => {
    const left = await driver.findElements({ css: 'article[data-judgement="wahIntoFuzz"]' });
    return left.length === 0;
  });
  await page.chord(Key.CONTROL, 'z');
  await page.find('article[data-judgement="wahIntoFuzz"]');
});

test('fourteen pedals: all are read, switched by their foot-switches, and searched for plans', async () => {
  const { page, driver } = world;
  const kinds = ['compressor', 'wah', 'fuzz', 'drive', 'boost', 'equaliser', 'octave'];
  await begin(
    ...kinds,
    ...['drive', 'gate', 'modulation', 'modulation', 'delay', 'delay', 'reverb'],
  );
  const posts = await driver.findElements({ css: '[data-post]' });
  expect(posts).toHaveLength(14);
  for (const id of ['d4', 'd14']) {
    await page.click(`[data-switch="${id}"]`);
    await page.find(`[data-switch="${id}"][data-on="true"]`);
  }
  // A disc selects and switches nothing.
  await page.click('[data-post="d7"] circle');
  await page.find('[role="option"][aria-selected="true"][aria-label*="octave"]');
  await page.find('[data-switch="d7"][data-on="false"]');
  await page.lookAt('states');
  await page.eventually('all states', async () =>
    /^14 switches, 16,384 states/u.test(await page.textOf('[data-testid="states-counted"]')),
  );
  await (await page.findText('a', 'Plans')).click();
  await page.find('[data-search="done"]');
  await page.find('[data-testid="first-step"]');
});

test('by keyboard alone, in colours that the system forces: a pedal in, a cable longer, undone', async () => {
  const { page, driver } = world;
  try {
    await forceColors(driver, true);
    await page.open('/');
    await page.tabTo('New rig');
    await page.press(Key.ENTER);
    const before = await page.trebleDb();
    await page.press(Key.ARROW_RIGHT);
    await page.chord(Key.SHIFT, Key.ARROW_UP);
    const longer = await page.trebleOtherThan(before);
    expect(longer).toBeLessThan(before);
    await page.addPedal('delay');
    await page.press('1');
    await page.find('[data-switch="d1"][data-on="true"]');
    await page.saved();
    await page.tabTo('Undo');
    await page.press(Key.ENTER);
    await page.find('[data-switch="d1"][data-on="false"]');
  } finally {
    await forceColors(driver, false);
  }
});
