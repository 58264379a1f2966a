import { randomUUID } from 'node:crypto';
import { setCableLength, applyEdits, type Rig } from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { cutNetwork, stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// One cable is changed here without a network and elsewhere at the same time: somebody decides, and what was decided stays.

let world: World;
let page: Page;
let id = '';

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
  // From then on it stands between the page and the server, as for everybody who has been here before.
  await page.open('/');
  await page.eventually('the service worker', () =>
    world.driver.executeScript<boolean>('return navigator.serviceWorker.controller !== null'),
  );
});

afterAll(() => world.close());

const stored = async (rig: string) =>
  (await (await fetch(`${page.address}api/rigs/${rig}`)).json()) as {
    readonly revision: number;
    readonly rig: Rig;
  };

/** The revision that the server has of the rig, and the length of its cable in, m. */
const keptNow = async (): Promise<readonly [number, number]> => {
  const { revision, rig } = await stored(id);
  return [revision, rig.electrical.rows[0]!.cables[0]!.lengthM.value];
};

const cableInIs = (metres: number) =>
  page.find(`[role="option"][aria-label^="the cable in"][aria-label$=", ${metres}\u00a0m"]`);

const decide = async (answer: string): Promise<void> => {
  const path = `//button[normalize-space(.)="${answer}"]`;
  await (await world.driver.findElement({ xpath: path })).click();
  if (!answer.includes('copy')) return;
  await page.eventually('the copy', async () => !(await world.driver.getCurrentUrl()).includes(id));
};

beforeEach(async () => {
  id = randomUUID();
  const { rig } = await stored(PIT_BOARD);
  await page.keep(id, rig);
  await page.open(`/rigs/${id}/path`);
  await page.trebleDb();
  await cutNetwork(world.driver, true);
  await page.click('[role="option"][aria-label^="the cable in"]');
  await page.typeInto('Length', '5 m');
  await page.press(Key.ESCAPE);
  await page.find('[data-save="away"]');
  const { id: cable } = rig.electrical.rows[0]!.cables[0]!;
  const theirs = applyEdits(rig, setCableLength(cable, 15));
  const answer = await fetch(`${page.address}api/rigs/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ basedOn: 1, rig: theirs }),
  });
  expect(answer.status).toBe(200);
  await cutNetwork(world.driver, false);
  await page.findText('h2', 'changed elsewhere');
  await page.findText('li', 'cable length: 15\u00a0m instead of 5\u00a0m');
});

/** What is pressed, what the rig that is open shows then, m, and the revision and length that the server has of the one that both changed. */
const ANSWERS = [
  { answer: 'Keep mine', shows: 5, kept: [3, 5] },
  { answer: 'Keep theirs', shows: 15, kept: [2, 15] },
  { answer: 'Keep mine as a copy', shows: 5, kept: [2, 15] },
] as const;

const WAYS = {
  'a reload': () => world.driver.navigate().refresh(),
  'the list and back': async () => {
    const path = new URL(await world.driver.getCurrentUrl()).pathname;
    await page.click('nav a[href="/"]');
    await page.find(`a[href^="/rigs/${path.split('/')[2]!}"]`);
    await page.open(path);
  },
  'another stage and back': async () => {
    await page.click('a[href$="/brief"]');
    await page.find('input[aria-label="Name of the rig"]');
    await page.click('a[href$="/path"]');
  },
} as const;

const JOURNEYS = ANSWERS.flatMap((decided) =>
  (Object.keys(WAYS) as (keyof typeof WAYS)[]).map(
    (way) => [decided.answer, way, decided] as const,
  ),
);

test.each(JOURNEYS)('%s, then %s: what was decided stays', async (answer, way, { shows, kept }) => {
  await decide(answer);
  await cableInIs(shows);
  await page.saved();
  await WAYS[way]();
  await cableInIs(shows);
  await page.saved();
  expect(await world.driver.findElements({ css: '[role="dialog"]' })).toEqual([]);
  expect(await keptNow()).toEqual(kept);
});

test('theirs was kept: undo brings mine back', async () => {
  await decide('Keep theirs');
  await cableInIs(15);
  await page.saved();
  await page.click('button[aria-label="Undo"]');
  await cableInIs(5);
  await page.saved();
  expect(await keptNow()).toEqual([3, 5]);
});

test('without an answer nothing is sent, and it is asked again', async () => {
  await world.driver.navigate().refresh();
  await page.findText('h2', 'changed elsewhere');
  expect(await keptNow()).toEqual([2, 15]);
  await decide('Keep theirs');
  await cableInIs(15);
});

test('a copy is called one', async () => {
  await decide('Keep mine as a copy');
  const name = await page.find('input[aria-label="Name of the rig"]');
  expect(await name.getAttribute('value')).toBe('Pit board (copy)');
});
