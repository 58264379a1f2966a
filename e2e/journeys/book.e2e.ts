import {
  applyEdits,
  cableList,
  changeOf,
  editBrief,
  measurePlaces,
  workPlan,
  type Rig,
} from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, readDb, TAVERN_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// A rig is handed over; half a year later two pedals change places; an amp is hired at one place.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

interface Stored {
  readonly rig: Rig;
  readonly revision: number;
}

const stored = async (id: string): Promise<Stored> =>
  (await (await fetch(`${page.address}api/rigs/${id}`)).json()) as Stored;

const openBook = async (id: string, part: string): Promise<void> => {
  await page.open(`/rigs/${id}/book${part === 'revisions' ? '' : `?part=${part}`}`);
  await page.find('[role="tab"][aria-selected="true"]');
};

const nameIt = async (words: string): Promise<void> => {
  const field = await page.inputOf('Name the rig as it is now');
  await field.sendKeys(words, Key.ENTER);
  await page.findText('li p', words).catch(() => page.find('[data-named]'));
};

test('the tavern board is handed over: named, walked through, printed', async () => {
  await page.open(`/rigs/${TAVERN_BOARD}/path`);
  const treble = await page.trebleDb();
  await openBook(TAVERN_BOARD, 'revisions');
  await nameIt('handed over');
  await page.find('[data-named="1"]');

  // What it says is what the path says.
  await openBook(TAVERN_BOARD, 'handover');
  await page.findText('h2', 'Tavern board');
  const figures = await page.eventually('figures with how sure they are', async () => {
    const text = await page.textOf('[data-section="figures"]');
    return / to [+−]?[\d.]+ dB/u.test(text) ? text : null;
  });
  const row = /Treble, 2–8 kHz\s+([+−][\d.]+)/u.exec(figures)!;
  expect(readDb(row[1]!)).toBeCloseTo(treble, 2);
  for (const section of [
    'signal',
    'board',
    'cables',
    'playing',
    'faults',
    'spares',
    'away',
    'cautions',
    'walked',
  ])
    await page.find(`[data-section="${section}"]`);

  // On paper, of both sizes.
  await page.watchDownloads();
  await (await page.findText('button', 'PDF on A4')).click();
  await page.eventually('a file', async () => (await page.downloads()).length === 1);
  await (await page.findText('button', 'Letter instead')).click();
  await (await page.findText('button', 'PDF on Letter')).click();
  const files = await page.eventually('two files', async () => {
    const all = await page.downloads();
    return all.length === 2 ? all : null;
  });
  for (const { name, text } of files) {
    expect(name).toBe('tavern-board-book.pdf');
    expect(text.slice(0, 5)).toBe('%PDF-');
  }

  // Ten things, ticked and dated, by the keyboard.
  await openBook(TAVERN_BOARD, 'walk');
  expect(await page.textOf('[data-testid="walked"]')).toBe('4 of 10 done');
  const third = await page.find('ol > li:nth-child(3) input[type="checkbox"]');
  await third.sendKeys(Key.SPACE);
  await page.eventually('five', async () =>
    (await page.textOf('[data-testid="walked"]')).startsWith('5'),
  );
  await page.find('ol > li:nth-child(3) input[type="date"]');
  await page.saved();
  await page.open('/');
  await page.find(
    `a[href="/rigs/${TAVERN_BOARD}/book"][aria-label="Book, begun: 5 of 10 walked through"]`,
  );
});

test('the cue sheet says what hand and foot do, and what a song is that is gone', async () => {
  await openBook(TAVERN_BOARD, 'cues');
  const second = '[data-song="c2"]';
  expect(await page.textOf(second)).toContain('change');
  expect(await page.textOf(second)).toContain('Plumb Line');
  await (await page.inputOf('The next song')).sendKeys('Encore', Key.ENTER);
  await page.find('[data-song="c5"]');
  await page.click('button[aria-label="Encore earlier"]');
  await page.eventually('it is the fourth', async () =>
    (await page.textOf('tbody tr:nth-child(4)')).startsWith('4'),
  );
  const title = await page.find('input[aria-label="Title of song 4"]');
  expect(await title.getAttribute('value')).toBe('Encore');
  await page.chord(Key.CONTROL, 'z');
  await page.eventually('undone', async () => {
    const fifth = await page.find('input[aria-label="Title of song 5"]');
    return (await fifth.getAttribute('value')) === 'Encore';
  });
});

test('half a year later two pedals change places; the cost is read beforehand, and is what Build asks for', async () => {
  const { rig, revision } = await stored(PIT_BOARD);
  const cuts = new Map(cableList(rig).map(({ id, cutM }) => [id, cutM]));
  for (const { id, fingerprint, cable } of workPlan(rig)) {
    const lengthM = (cable !== null && cuts.get(cable)) || null;
    const done = { step: id, fingerprint, lengthM, revision, by: '', isDone: true };
    await fetch(`${page.address}api/rigs/${PIT_BOARD}/done`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ticks: [done] }),
    });
  }
  await openBook(PIT_BOARD, 'revisions');
  await nameIt('first night');
  await page.open(`/rigs/${PIT_BOARD}/build`);
  await page.findText('h2', 'All of it is done.');

  // Read beforehand, on the board.
  await page.open(`/rigs/${PIT_BOARD}/board?at=d4`);
  await page.find('[role="listbox"] [data-deck]');
  for (const [nth, id] of ['d3', 'd4'].entries()) {
    const thing = await page.find(`[data-thing="${id}"]`);
    const actions = world.driver.actions();
    await (nth === 0
      ? actions.move({ origin: thing }).click().perform()
      : actions.keyDown(Key.SHIFT).move({ origin: thing }).click().keyUp(Key.SHIFT).perform());
  }
  await page.press('s');
  const both = 'section[aria-label="Both: each takes over from the other"]';
  const cost = await page.eventually('its cost', async () => {
    const text = await page.textOf(both);
    return text.includes('Build’s table') ? text : null;
  });
  await (await page.find(`${both} button`)).click();
  await page.saved();

  // The book says the same of what was done, and Build asks for it.
  await openBook(PIT_BOARD, 'revisions');
  const list = 'ul[aria-label="What it costs"]';
  const minutes = Number(await (await page.find(list)).getAttribute('data-minutes'));
  const said = await page.textOf(list);
  expect(cost).toContain(said.split('\n').at(-1)!);
  const after = (await stored(PIT_BOARD)).rig;
  expect(minutes).toBeCloseTo(changeOf(rig, after, { gear: [], units: 'metric' }).minutes, 6);
  expect(await page.textOf('ul[aria-label="What has changed"]')).toContain('The order is another');
  await page.open(`/rigs/${PIT_BOARD}/build`);
  const hours = await page.eventually('what is left', async () => {
    const text = await page.textOf('[data-testid="hours"]');
    return /left/u.test(text) ? text : null;
  });
  const [, h = '0', min = '0'] = /(?:(\d+) h )?(\d+) min left/u.exec(hours) ?? [];
  expect(60 * Number(h) + Number(min)).toBe(Math.round(minutes));

  // And back again: a new revision.
  await openBook(PIT_BOARD, 'revisions');
  const changed = (await stored(PIT_BOARD)).revision;
  await page.click('button[aria-label="Back to first night"]');
  const again = await page.eventually('a new revision', async () => {
    const now = await stored(PIT_BOARD);
    return now.revision > changed ? now : null;
  });
  expect(again.rig.electrical).toEqual(rig.electrical);
  expect(again.revision).toBeGreaterThan(revision + 1);
});

test('a hired amp at one place: its figures there, in the brief and on the path', async () => {
  await openBook(PIT_BOARD, 'away');
  const pit = '[data-place="w3"]';
  const before = await page.eventually('its figure', async () => {
    const text = await page.textOf(`${pit} td:last-child`);
    return text === '–' ? null : text;
  });
  const home = await page.textOf('[data-place="w1"] td:last-child');
  await (await page.find(`${pit} button`)).click();
  await page.find('[role="dialog"] input');
  await page.press('mixer');
  await page.findText('li', 'mixer');
  await page.press(Key.ENTER);
  const there = await page.eventually('another figure', async () => {
    const now = await page.textOf(`${pit} td:last-child`);
    return now !== before && now !== '–' ? now : null;
  });
  expect(await page.textOf('[data-place="w1"] td:last-child')).toBe(home);
  await page.saved();
  const { rig } = await stored(PIT_BOARD);
  const sound = measurePlaces(rig, 'r1').find(({ id }) => id === 'w3')!.sound!;
  expect(readDb(there)).toBeCloseTo(sound.figures.trebleDb, 2);
  await page.open(`/rigs/${PIT_BOARD}/brief`);
  await page.find('button[aria-label="Plugged into at pit"]');
  expect(await page.textOf('button[aria-label="Plugged into at pit"]')).toBe(
    rig.electrical.places[2]!.destination!.name,
  );
  await page.open(`/rigs/${PIT_BOARD}/path`);
  await page
    .chooseIn('Where it is played', 'pit')
    .catch(() => page.choose('Where it is played', 'pit'));
  await page.eventually(
    'the path at the hired amp',
    async () => Math.abs((await page.trebleDb()) - sound.figures.trebleDb) < 0.006,
  );
});

test('what is due stands first on the list of jobs', async () => {
  const { rig, revision } = await stored(TAVERN_BOARD);
  const late = applyEdits(rig, editBrief(rig, { deadline: '2020-01-01' }));
  await fetch(`${page.address}api/rigs/${TAVERN_BOARD}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ basedOn: revision, rig: late }),
  });
  await page.open('/?sort=deadline');
  await page.eventually('the late one first', async () =>
    (await page.textOf('main li h2')).includes('Tavern board'),
  );
  expect(await page.textOf('[data-testid="due"]')).toMatch(/days late: \d+ to feed/u);
});
