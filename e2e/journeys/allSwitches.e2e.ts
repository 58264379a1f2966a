import { By } from 'selenium-webdriver';
import { readDb, STORM_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// What switching alone does to a board that changes with every switch.

let world: World;

beforeAll(async () => {
  world = await openWorld();
});

afterAll(() => world.close());

test('all states at once: the spread, and state in its extremes', async () => {
  const { page, driver } = world;
  await page.open(`/rigs/${STORM_BOARD}/path`);
  const start = await page.trebleDb();
  await page.lookAt('states');
  expect(await page.textOf('[data-testid="states-counted"]')).toContain('7 switches, 128 states');
  const spread = readDb(await page.textOf('[data-testid="spread"]'));

  const recallScene = async (name: string): Promise<number> => {
    const button = await page.findText('button', `${name}:`);
    const said = readDb(await button.findElement(By.css('i')).getText());
    await button.click();
    await (await page.findText('button', 'now')).click();
    const stood = await page.eventually(`${name} to be stood in`, async () => {
      const now = await page.trebleDb();
      return Math.abs(now - said) < 0.011 ? { now } : null;
    });
    await page.lookAt('states');
    return stood.now;
  };
  const dullest = await recallScene('Dullest');
  const brightest = await recallScene('Brightest');
  expect(brightest - dullest).toBeCloseTo(spread, 1);

  await page.click('button[aria-label="Undo"]');
  await page.click('button[aria-label="Undo"]');
  await (await page.findText('button', 'now')).click();
  expect(await page.trebleOtherThan(brightest)).toBe(start);

  await page.lookAt('states');
  await (await page.findText('label', '1 Cinder Pot')).click();
  await page.eventually('half the states', async () =>
    (await page.textOf('[data-testid="states-counted"]')).includes('6 switches, 64 states'),
  );
  expect(readDb(await page.textOf('[data-testid="spread"]'))).toBeLessThan(spread);
  expect(await driver.findElements(By.css('[data-curve="band"]'))).toHaveLength(1);
});
