import { Key, type WebDriver } from 'selenium-webdriver';
import { recolour, stopMotion, type Look } from '../src/browser';
import { violationsOn } from '../src/violations';
import { PIT_BOARD, RICH_BOARD, STORM_BOARD, type Page } from '../src/page';
import { richRig } from '../src/richRig';
import { openWorld, type World } from '../src/world';

/// What every view owes: no violation that axe can find.

let world: World;
let driver: WebDriver;
let page: Page;

beforeAll(async () => {
  world = await openWorld({ instruments: true });
  ({ driver, page } = world);
  await stopMotion(driver);
  await page.keep(RICH_BOARD, richRig());
});

afterAll(() => world.close());

/** Forced colours are the system's, the same few in every state of a view: one look at each view is enough. */
let isForcedSeen = false;

/** By day all rules; by night and in forced colours the same view has other colours, and nothing else can have changed. */
async function expectNoViolations(): Promise<void> {
  const found = [...(await violationsOn(driver, false))];
  const looks: readonly Look[] = isForcedSeen ? ['night'] : ['night', 'forced colours'];
  for (const look of looks) {
    await recolour(driver, look);
    found.push(...(await violationsOn(driver, true)).map((one) => `${look}: ${one}`));
  }
  isForcedSeen = true;
  await recolour(driver, 'day');
  expect(found).toEqual([]);
}

const PIN = '[aria-label="Put side by side with others"]';

describe('axe by day, by night and in forced colours', () => {
  beforeEach(() => (isForcedSeen = false));

  test('rigs', async () => {
    await page.open('/');
    await page.findText('a', 'Pit board');
    await expectNoViolations();
  });

  test('path, with each kind of thing selected', async () => {
    for (const at of ['g1', 'l1', 'd3', 'd5', 'e1']) {
      await page.open(`/rigs/${STORM_BOARD}/path?at=${at}`);
      await page.trebleDb();
      await expectNoViolations();
    }
  });

  test('path of a rig with every kind of branch', async () => {
    for (const at of ['d3', 'e1', 'g2', 'r6.0']) {
      await page.open(`/rigs/${RICH_BOARD}/path?at=${at}`);
      await page.trebleDb();
      await expectNoViolations();
    }
  });

  test('brief', async () => {
    await page.open(`/rigs/${STORM_BOARD}/brief`);
    await page.find('ol[aria-label="A usual order"]');
    await expectNoViolations();
  });

  test('plans, one and side by side', async () => {
    await page.open(`/rigs/${STORM_BOARD}/plans`);
    await page.find('[data-search="done"]');
    await page.find('[data-testid="plan"]');
    await (await page.findText('summary', 'What counts how much')).click();
    await expectNoViolations();
    for (const pin of (await driver.findElements({ css: PIN })).slice(0, 2)) await pin.click();
    await page.find('[aria-label="Proposals side by side"]');
    await page.findText('button', 'Use plan B');
    await expectNoViolations();
  });

  test('board, empty, laid out, from below, with a thing and a cable selected', async () => {
    await page.open(`/rigs/${RICH_BOARD}/board`);
    await page.findText('button', 'A first arrangement');
    await expectNoViolations();
    await page.open(`/rigs/${PIT_BOARD}/board`);
    await page.findText('button', 'move Ballast');
    await expectNoViolations();
    await page.press('g');
    await (await page.find('section[aria-label="Arrange"] button.MuiButton-contained')).click();
    await page.findText('button', 'Stand them so');
    await expectNoViolations();
    await page.press(Key.ESCAPE, 'w');
    await page.findText('p', 'fit');
    await expectNoViolations();
    await page.press(Key.ESCAPE);
    await (await page.find('[role="option"][aria-label^="Gristle,"]')).click();
    await page.findText('h2', 'Gristle');
    await expectNoViolations();
    await (await page.findText('button', 'to Rope Burn')).click();
    await page.findText('p', 'as long as the board says');
    await page.click('[aria-label="From which side"] [value="below"]');
    await expectNoViolations();
  });

  test('power, without a supply, fed, as a table, with a thing, a supply and a proposal', async () => {
    await page.open(`/rigs/${STORM_BOARD}/power`);
    await page.findText('h2', 'Nothing feeds this rig yet');
    await expectNoViolations();
    await page.open(`/rigs/${PIT_BOARD}/power`);
    await (await page.findText('button', 'Tide Eight, outlet 7')).click();
    await (await page.findText('button', 'Propose')).click();
    await page.findText('button', 'Hang them so');
    await expectNoViolations();
    await page.click('[data-thing="d8"]');
    await page.findText('h2', 'Undercroft');
    await expectNoViolations();
    await page.click('[data-supply="u1"]');
    await page.find('[aria-label="Picked"] input[aria-label="Name"]');
    await (await page.findText('button', 'table')).click();
    await page.find('table[aria-label="What feeds what"]');
    await expectNoViolations();
  });

  test('build, its lists, a cable with its test, and what is due', async () => {
    await page.open(`/rigs/${PIT_BOARD}/build`);
    await page.find('[data-step="cut l3"]');
    await expectNoViolations();
    for (const look of ['cables', 'cuts', 'parts']) {
      await page.click(`[aria-label="What is shown"] [value="${look}"]`);
      if (look === 'cuts') await page.findText('p', 'is thrown away');
      await expectNoViolations();
    }
    await page.open(`/rigs/${PIT_BOARD}/build?cable=l3`);
    await page.findText('h2', 'A3');
    await page.click('[role="group"][aria-label="Tip to tip through"] button[value="false"]');
    await page.findText('p', 'the tip is not through');
    await expectNoViolations();
  });

  test('measure: cables read, a pickup fitted, training; a rig against its model', async () => {
    await page.open('/bench');
    await (await page.findText('button', 'Take three readings')).click();
    await page.findText('p', 'median');
    await expectNoViolations();
    await page.open('/bench?job=pickup');
    await (await page.findText('button', 'Take the first response')).click();
    await page.findText('p', 'One response cannot tell');
    await expectNoViolations();
    for (const job of ['coil', 'input', 'training']) {
      await page.open(`/bench?job=${job}`);
      await page.find('figure');
      await expectNoViolations();
    }
    await page.open(`/rigs/${PIT_BOARD}/bench`);
    await page.typeInto('Exercise (0 hides nothing)', '3');
    await (await page.findText('button', 'Take the response')).click();
    await page.findText('button', 'Show what was hidden');
    await expectNoViolations();
  });

  test('listen: voices, a blind test, the real amp, a live input', async () => {
    await page.open(`/rigs/${PIT_BOARD}/listen`);
    await page.find('[data-playing]:not([disabled])');
    await expectNoViolations();
    for (const mode of ['said', 'abx', 'threshold', 'amp', 'live']) {
      await page.click(`[aria-label="How to listen"] [value="${mode}"]`);
      await page.find(`[aria-label="How to listen"] [value="${mode}"][aria-pressed="true"]`);
      await expectNoViolations();
    }
    await page.click('[aria-label="How to listen"] [value="abx"]');
    await (await page.findText('button', 'Begin')).click();
    await page.findText('h2', 'Trial 1 of 10');
    await expectNoViolations();
  });

  test('path with scenes, advice and pins', async () => {
    await page.open(`/rigs/${STORM_BOARD}/path`);
    await page.trebleDb();
    await page.lookAt('scenes');
    await page.findText('th', 'as it stands');
    await expectNoViolations();
    await page.lookAt('advice');
    await page.find('article[data-judgement]');
    await expectNoViolations();
    await (await page.findText('button', 'Explain this rig')).click();
    await page.findText('h3', 'What costs what');
    await expectNoViolations();
    await page.press(Key.ESCAPE);
    await page.lookAt('pins');
    await (await page.findText('button', 'Pin this')).click();
    await page.find('[aria-label^="Name of Pin"]');
    await expectNoViolations();
  });

  test('path with all states', async () => {
    await page.open(`/rigs/${STORM_BOARD}/path`);
    await page.trebleDb();
    await page.lookAt('states');
    await page.find('[data-testid="spread"]');
    await expectNoViolations();
  });

  test('path as a table, keys, picker', async () => {
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await page.trebleDb();
    await (await page.findText('button', 'Table')).click();
    await page.findText('th', 'difference');
    await expectNoViolations();
    await page.press('?');
    await page.findText('h2', 'Keys');
    await expectNoViolations();
    await page.press(Key.ESCAPE);
    await page.eventually(
      'no dialog',
      async () => (await driver.findElements({ css: '[role="dialog"]' })).length === 0,
    );
    await page.press('a');
    await page.findText('li', 'Plumb Line');
    await expectNoViolations();
  });

  test('trace: what is wrong, a question, a finding, without a rig', async () => {
    await page.open(`/rigs/${PIT_BOARD}/trace`);
    await page.findText('h2', 'What is wrong?');
    await expectNoViolations();
    await (await page.findText('button', 'Squeal')).click();
    await page.find('[data-test], [data-finding]');
    await expectNoViolations();
    for (let i = 0; i < 30; i++) {
      if ((await driver.findElements({ css: '[data-finding]' })).length > 0) break;
      await page.press(i % 2 === 0 ? 'n' : 'y');
      await driver.sleep(250);
    }
    await page.find('[data-finding]');
    await expectNoViolations();
    await page.open('/trace');
    await page.findText('h2', 'What is wrong?');
    await expectNoViolations();
  });

  test('book, every part of it', async () => {
    for (const part of ['revisions', 'handover', 'cues', 'away', 'walk', 'faults']) {
      await page.open(`/rigs/${STORM_BOARD}/book?part=${part}`);
      await page.find(part === 'handover' ? 'article' : 'main section h2');
      // What is fetched for it is there, and it holds still.
      await driver.sleep(500);
      await expectNoViolations();
    }
  });

  test('the guide, and a search through it', async () => {
    await page.open('/guide?page=power');
    await page.find('main [data-guide="power"] img');
    await driver.sleep(500);
    await expectNoViolations();
    await (await page.find('input[type="search"]')).sendKeys('cable');
    await page.findText('p', 'pages');
    await expectNoViolations();
  });

  test('settings, and an address that cables nowhere', async () => {
    await page.open('/settings');
    await page.findText('h1', 'Settings');
    await expectNoViolations();
    await page.open('/nowhere');
    await page.findText('h1', 'Off the chart');
    await expectNoViolations();
  });

  test('gear, with each kind of thing selected', async () => {
    const entries = [
      'pit-teal',
      'mudlark',
      'stage-6',
      'under-stage',
      'bollard',
      'tide-six',
      'raft',
      'jetty',
      'cleat',
    ];
    for (const at of entries) {
      await page.open(`/gear?at=${at}`);
      await page.find(`#gear-${at}`);
      await expectNoViolations();
    }
  });

  test('a gear list before it comes in, and a file that stays outside', async () => {
    await page.open('/gear');
    await page.findText('p', 'Teal pit guitar');
    await page.drop('list.csv', 'name,length\nGull,6\nTern,far\n');
    await page.findText('p', '1 entry can come in; 1 row cannot');
    await expectNoViolations();
    await page.press(Key.ESCAPE);
    await page.drop('list.json', '{}');
    await page.find('[data-testid="refused-problems"]');
    await expectNoViolations();
  });

  test('which DI, speaker cable', async () => {
    await page.open('/di');
    await page.find('article[data-fit]');
    await expectNoViolations();
    await page.open('/speaker');
    await page.findText('p', 'Thick enough');
    await expectNoViolations();
  });

  test('a rig that is not there', async () => {
    await page.open('/rigs/00000000-0000-4000-8000-000000000000/path');
    await page.findText('div', 'There is no rig');
    await expectNoViolations();
  });
});
