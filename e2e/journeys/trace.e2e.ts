import {
  NO_RECORDS,
  newRig,
  suspectsFor,
  testsFor,
  wayOf,
  type Rig,
  type Symptom,
  type TraceSuspect,
} from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { openBrowser, setView, stopMotion } from '../src/browser';
import { Page, PIT_BOARD, STORM_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// A fault is hunted: one question at a time, paused, taken up elsewhere, with a thumb on a telephone, and without a rig.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

const rigOf = async (id: string): Promise<Rig> =>
  ((await (await fetch(`${page.address}api/rigs/${id}`)).json()) as { rig: Rig }).rig;

/** Somebody who knows what is wrong and says what would be heard. */
function stageWith(rig: Rig, symptom: Symptom, cause: string) {
  const trace = { rig, symptom, comesAndGoes: false, records: NO_RECORDS, weights: {} };
  const suspect: TraceSuspect = suspectsFor(trace).find(({ id }) => id === cause)!;
  const tests = new Map(testsFor(wayOf(rig), symptom).map((test) => [test.id, test]));
  return { suspect, says: (test: string) => tests.get(test)!.yesIf(suspect) >= 0.5 };
}

/** What is asked for now: a test, a remedy, or nothing yet. */
async function asked(of: Page): Promise<{ readonly test?: string; readonly finding?: string }> {
  return of.eventually('a question', async () => {
    const found = await of.driver.executeScript<{ test?: string; finding?: string }>(
      `const [test, finding] = ['test', 'finding'].map((key) =>
         document.querySelector('[data-' + key + ']')?.dataset[key]);
       return { test, finding };`,
    );
    return found.test || found.finding ? found : null;
  });
}

/** How many answers there are so far. */
const answersOn = async (of: Page): Promise<number> =>
  (await of.driver.findElements({ css: '[aria-label="Answers so far"] li' })).length;

/** Answers until it comes down to somebody; a remedy that does not help is said, too. */
async function hunt(
  of: Page,
  stage: ReturnType<typeof stageWith>,
  answer: (isYes: boolean) => Promise<void>,
  stillThere: () => Promise<void>,
): Promise<void> {
  for (let nth = 0; nth < 40; nth++) {
    const { test, finding } = await asked(of);
    if (finding === stage.suspect.id) return;
    const before = await answersOn(of);
    if (finding) await stillThere();
    else await answer(stage.says(test!));
    // Where it comes and goes, the same may be asked again.
    await of.eventually('one answer more', async () => (await answersOn(of)) > before);
  }
  throw new Error('it did not come to an end');
}

test('hum on the pit board, to its cause, into Build and into the book', async () => {
  const rig = await rigOf(PIT_BOARD);
  const stage = stageWith(rig, 'hum', 'l7:sleeveOpen');
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await (await page.findText('button', 'Hum')).click();
  // The usual order can be had; both say how long they should take.
  await page.eventually('both are counted', async () => {
    const text = await page.textOf('[aria-label="Order of the questions"]');
    const [best, usual] = [...text.matchAll(/([\d.]+) min/gu)].map(([, minutes]) =>
      Number(minutes),
    );
    return best !== undefined && usual !== undefined && best < usual;
  });
  // One is answered wrongly, and taken back.
  const first = (await asked(page)).test!;
  await (await page.findText('button', 'Not sure')).click();
  await page.eventually('another question', async () => (await asked(page)).test !== first);
  await (await page.findText('button', 'Take back: not sure')).click();
  await page.eventually('the same again', async () => (await asked(page)).test === first);
  const press = async (words: string) => (await page.findText('button', words)).click();
  await hunt(
    page,
    stage,
    (isYes) => press(isYes ? 'Yes' : 'No'),
    () => press('Still there'),
  );
  expect(await page.textOf('[data-finding]')).toContain('the sleeve is not through');
  // The search area has narrowed to it.
  const share = await (await page.find('[data-suspect="l7"]')).getAttribute('data-share');
  expect(Number(share)).toBeGreaterThan(0.5);
  await press('It is gone');
  await page.findText('h3', 'Found.');
  await page.typeInto('For the book (as you like)', 'it was the pancake plug');
  await press('End the hunt');
  await (await page.findText('a', 'In Build:')).click();
  await page.eventually('Build asks for it first', async () =>
    /Make or mend the patch to/u.test(await page.textOf('[aria-label="Next step"] h2')),
  );
  await (await page.findText('button', 'Done')).click();
  await page.eventually(
    'it is ticked off',
    async () => !/Make or mend/u.test(await page.textOf('[aria-label="Next step"] h2')),
  );
  await page.open(`/rigs/${PIT_BOARD}/book?part=faults`);
  await page.findText('td', 'Found and cured');
  await page.findText('td', 'pancake plug');
  // The next hunt knows the cable as it was; this one is on the list.
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await page.findText('button', 'found and cured');
});

test('a crackle that comes and goes is paused, and goes on on another device', async () => {
  const rig = await rigOf(STORM_BOARD);
  const stage = stageWith(rig, 'crackle', 'l3:joint');
  await page.open(`/rigs/${STORM_BOARD}/trace`);
  await page.click('input[type="checkbox"]');
  await (await page.findText('button', 'Crackle when moved')).click();
  await page.findText('h2', 'comes and goes');
  await asked(page);
  // Not there just now: that clears nobody.
  await page.press('n');
  await page.eventually('one answer', async () => (await answersOn(page)) === 1);
  expect(await page.textOf('[aria-label="Suspects"]')).not.toContain('Ruled out');
  const address = (await world.driver.getCurrentUrl()).replace(page.address, '/');
  await (await page.findText('button', 'Pause')).click();
  await page.findText('button', 'goes on after 1 answers');

  const other = await openBrowser();
  try {
    const elsewhere = new Page(other, page.address);
    await elsewhere.open(address);
    await asked(elsewhere);
    await (await page.findText('button', 'goes on after 1 answers')).click();
    await asked(page);
    await elsewhere.press('s');
    // What is answered there is asked here no more.
    await page.eventually(
      'the answer of the other device',
      async () => (await answersOn(page)) === 2,
    );
    await hunt(
      elsewhere,
      stage,
      (isYes) => elsewhere.press(isYes ? 'y' : 'n'),
      async () => (await elsewhere.findText('button', 'Still there')).click(),
    );
    expect(await elsewhere.textOf('[data-finding]')).toContain('a plug or joint is loose');
  } finally {
    await other.quit();
  }
});

test('without a rig, on a telephone: nothing to the side, and the answers within reach', async () => {
  const phone = { width: 375, height: 720 };
  await setView(world.driver, phone);
  try {
    await page.open('/trace');
    await (await page.findText('button', 'No signal')).click();
    await asked(page);
    const wide = await world.driver.executeScript<number>(
      'return document.documentElement.scrollWidth',
    );
    expect(wide).toBeLessThanOrEqual(phone.width);
    for (const words of ['Yes', 'No', 'Not sure']) {
      const { y, height } = await (await page.findText('button', words)).getRect();
      expect(height).toBeGreaterThanOrEqual(44);
      expect(y + height).toBeLessThan(phone.height);
    }
    const stage = stageWith(newRig('bare'), 'noSignal', 'l1:open');
    await hunt(
      page,
      stage,
      async (isYes) => (await page.findText('button', isYes ? 'Yes' : 'No')).click(),
      async () => (await page.findText('button', 'Still there')).click(),
    );
    expect(await page.textOf('[data-finding]')).toContain('the tip is not through');
    await (await page.findText('button', 'Leave it open')).click();
    await page.findText('h3', 'Left open');
  } finally {
    await setView(world.driver);
  }
});

test('by the keyboard alone, from the symptom to the end', async () => {
  const rig = await rigOf(PIT_BOARD);
  const stage = stageWith(rig, 'noSignal', 'd4:dead');
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await page.findText('h2', 'What is wrong?');
  await page.tabTo('No signal');
  await page.press(Key.ENTER);
  await hunt(
    page,
    stage,
    (isYes) => page.press(isYes ? 'y' : 'n'),
    async () => {
      await page.tabTo('Still there');
      await page.press(Key.ENTER);
    },
  );
  // “N” is no here, and not the night.
  expect(
    ((await (await fetch(`${page.address}api/settings`)).json()) as { theme: string }).theme,
  ).not.toBe('night');
  await page.tabTo('It is gone');
  await page.press(Key.ENTER);
  await page.findText('h3', 'Found.');
  await page.tabTo('End the hunt');
  await page.press(Key.ENTER);
  await page.findText('h3', 'Found and cured');
});
