import { Key } from 'selenium-webdriver';
import { forceColors, setView, VIEW } from '../src/browser';
import { PIT_BOARD, STORM_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// By every hand: narrow and zoomed, by keyboard, in colours that are not ours.

let world: World;

beforeAll(async () => {
  world = await openWorld();
});

afterAll(() => world.close());

const VIEWS: readonly (readonly [name: string, path: string, heading: string])[] = [
  ['rigs', '/', 'Rigs'],
  ['removed rigs', '/?removed=yes', 'Removed rigs'],
  ['brief', `/rigs/${STORM_BOARD}/brief`, 'Brief'],
  ['path', `/rigs/${PIT_BOARD}/path?at=l1`, ''],
  ['plans', `/rigs/${STORM_BOARD}/plans`, 'Plans'],
  ['gear', '/gear', 'Gear'],
  ['which DI', '/di', 'Which DI?'],
  ['speaker cable', '/speaker', 'Speaker cable'],
  ['settings', '/settings', 'Settings'],
];

describe.each([
  ['400 px wide', { width: 400, height: 800 }],
  ['at 200 %', { width: 640, height: 400 }],
] as const)('%s', (_, view) => {
  beforeAll(() => setView(world.driver, view));
  afterAll(() => setView(world.driver, VIEW));

  test.each(VIEWS)('%s fits, and leads everywhere', async (_name, path) => {
    const { page, driver } = world;
    await page.open(path);
    await page.find('main h1, main h2, h1 input');
    await page.eventually('nothing beside the page', async () => {
      const over = await driver.executeScript<string[]>(`
        const wide = document.documentElement.clientWidth;
        const scrolls = (e) => e && (/auto|scroll/.test(getComputedStyle(e).overflowX) || scrolls(e.parentElement));
        if (document.scrollingElement.scrollWidth <= wide) return [];
        return [...document.querySelectorAll('main *')]
          .filter((e) => e.getBoundingClientRect().right > wide + 1 && !scrolls(e.parentElement))
          .slice(0, 5).map((e) => e.tagName + '.' + e.className + ' ' + (e.textContent || '').slice(0, 40));`);
      return over.length === 0;
    });
    await page.find('nav a[href="/settings"]');
  });
});

test('the keyboard is seen wherever it is', async () => {
  const { page, driver } = world;
  for (const path of ['/', '/settings', `/rigs/${PIT_BOARD}/path`, '/gear']) {
    await page.open(path);
    await page.find('main h1, h1 input');
    const unseen: string[] = [];
    for (let i = 0; i < 25; i++) {
      await page.press(Key.TAB);
      const found = await driver.executeScript<string | null>(`
        const e = document.activeElement;
        if (!e || e === document.body) return null;
        const marks = (x) => {
          const s = getComputedStyle(x);
          return (s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) > 0) || s.boxShadow !== 'none';
        };
        // A field is underlined, a stop on the Run is ringed: what shows may be around it or in it.
        const seen = [e, e.parentElement, e.parentElement?.parentElement].some((x) => x && marks(x))
          || e.matches('input, textarea, select') || e.closest('[class*="Mui-focused"], [class*="Mui-focusVisible"]')
          || e.matches('[role="option"], [role="listbox"]');
        return seen ? null : e.outerHTML.slice(0, 120);`);
      if (found) unseen.push(found);
    }
    expect(unseen).toEqual([]);
  }
});

test('in forced colours every line and letter of the Run stands out from its ground', async () => {
  const { page, driver } = world;
  try {
    await forceColors(driver, true);
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await page.trebleDb();
    const lost = await driver.executeScript<string[]>(`
      const ground = getComputedStyle(document.body).backgroundColor;
      const see = (value) => value !== 'none' && value !== ground;
      return [...document.querySelectorAll('main svg line, main svg text, main svg path')]
        .filter((e) => e.getBoundingClientRect().width + e.getBoundingClientRect().height > 0)
        .filter((e) => !e.closest('defs'))
        // A line that a chart only measures by is drawn in no colours.
        .filter((e) => !(e.getAttribute('stroke') === 'none' && e.getAttribute('fill') === 'none'))
        .filter((e) => { const s = getComputedStyle(e); return !see(s.stroke) && !see(s.fill); })
        .slice(0, 5).map((e) => e.outerHTML.slice(0, 140));`);
    expect(lost).toEqual([]);
  } finally {
    await forceColors(driver, false);
  }
});

test('after a dialog the focus is where the hand was', async () => {
  const { page, driver } = world;
  const focus = () =>
    driver.executeScript<string>(
      `const e = document.activeElement;
       return e.getAttribute('aria-label') ?? e.textContent;`,
    );
  const becomes = (what: string) =>
    page.eventually(`the focus on ${what}`, async () => (await focus()).startsWith(what));
  await page.open(`/rigs/${PIT_BOARD}/path`);
  await page.trebleDb();
  await page.press('a');
  await page.find('[role="dialog"] input');
  await page.press(Key.ESCAPE);
  await becomes('The way from guitar to amp');
  await (await page.findText('button', 'Add a pedal')).click();
  await page.find('[role="dialog"] input');
  await page.press(Key.ESCAPE);
  await becomes('Add a pedal');
  await page.click('button[aria-label="Kept revisions"]');
  await page.find('[role="dialog"]');
  await page.press(Key.ESCAPE);
  await becomes('Kept revisions');
  // What had the focus is gone with what was deleted.
  await page.addPedal('drive');
  await page.click('button[aria-label="Delete it"]');
  await becomes('The way from guitar to amp');
  await page.chord(Key.CONTROL, 'z');
  await page.chord(Key.CONTROL, 'z');
});

test('in feet on a narrow screen, by keyboard: a new rig, its lengths whole feet in one unit', async () => {
  const { page, driver } = world;
  try {
    await setView(driver, { width: 400, height: 800 });
    await page.open('/');
    await page.findText('button', 'New rig');
    await page.press('u');
    await page.tabTo('New rig');
    await page.press(Key.ENTER);
    await page.find('[role="option"][aria-label$="20\u00a0ft"]');
    expect(await page.textOf('[data-testid="sentence"]')).toMatch(
      /straight in \(10\sft\).*drives all 20\sft of cable to the amp; straight in it drives 10\sft/u,
    );
    await page.addPedal('drive');
    await page.addPedal('modulation');
    await page.find('[role="option"][aria-label$="1\u00a0ft"]');
    const strip = await driver.executeScript<string>(
      `return [...document.querySelectorAll('[role="listbox"] text')].map((e) => e.textContent).join(' ');`,
    );
    expect(strip).toContain('ft');
    expect(strip).not.toMatch(/\d\s*(?:m|cm|″)(?:\s|$)/u);
    expect(
      await driver.executeScript<number>(
        'return document.scrollingElement.scrollWidth - document.documentElement.clientWidth;',
      ),
    ).toBeLessThanOrEqual(0);
  } finally {
    await page.press('u');
    await setView(driver);
  }
});
