import { deviceOfClass, applyEdits, insertDevice, mainRow, newRig, type Rig } from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { PIT_BOARD, RICH_BOARD, STORM_BOARD, TAVERN_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// From what a player says to a plan that is taken over.

let world: World;

describe('from an empty database', () => {
  beforeAll(async () => {
    world = await openWorld({ demo: false });
  });

  afterAll(() => world.close());

  test('a new player: brief, usual order, plans, taken over, in no more than 25 inputs', async () => {
    const { page, driver } = world;
    let inputs = 0;
    const click = async (tag: string, text: string) => {
      inputs++;
      await (await page.findText(tag, text)).click();
    };
    const type = async (...keys: string[]) => {
      inputs += keys.length;
      await page.press(...keys);
    };
    await page.open('/');
    await click('button', 'Begin with the brief');

    inputs++;
    await page.click('[aria-label="Another guitar instead"]');
    await page.find('[role="dialog"] input');
    await type('covered humb', Key.ENTER);
    await page.findText('p', 'covered humbucker');

    inputs++;
    await page.click('[aria-label="Length of the cable"]');
    await type('5.5', Key.ENTER);

    const adding = await page.inputOf('Add pedals: name or kind');
    inputs++;
    await adding.click();
    await type('delay, drive, wah, tuner, reverb, drive', Key.ENTER);
    await page.find('[aria-label="Delete reverb"]');

    inputs++;
    await page.click('[aria-label="Length of the cable to the amp"]');
    await type('9', Key.ENTER);
    await click('button', 'Put them so');
    await page.findText('button', 'They stand so');

    inputs++;
    await page.click('[aria-label="Another amp instead"]');
    await page.find('[role="dialog"] input');
    await type('amp', Key.ENTER);

    await click('a', 'Look for plans');
    await page.find('[data-search="done"]');
    await page.findText('strong', 'advised');
    const before = await page.textOf('[data-testid="proposal"] i');
    await click('button', 'Use this plan');
    expect(inputs).toBeLessThanOrEqual(25);

    // What was left of the goal is less now, in the rig itself.
    await page.eventually('a smaller goal', async () => {
      const now = await page.textOf('[data-testid="proposal"] i');
      return Number(now) < Number(before) / 2;
    });
    await page.saved();
    await page.click('nav a[href$="/path"]');
    expect(Math.abs(await page.trebleDb())).toBeLessThan(2);
    expect((await driver.findElements({ css: '[data-post]' })).length).toBeGreaterThanOrEqual(6);
  });

  test('what nobody sells is said in place, and the rest of the list is added', async () => {
    const { page } = world;
    await page.open('/');
    await (await page.findText('button', 'New rig')).click();
    await page.click('nav a[href$="/brief"]');
    await page.typeInto('Add pedals: name or kind', 'drive, zither, delay');
    await page.find('[aria-label="Delete delay"]');
    await page.findText('p', '“zither”: neither in the gear list nor a kind of pedal');
    expect(await (await page.inputOf('Add pedals: name or kind')).getAttribute('value')).toBe(
      'zither',
    );
    await page.typeInto('Money at most', '-5');
    await page.findText('span', 'Money at most: -5, at least 0.');
  });
});

/** Pedals of many kinds, and cables, in one long row. */
function longBoard(): Rig {
  const kinds = ['drive', 'wah', 'delay', 'modulation', 'passiveVolume', 'reverb'] as const;
  let rig = newRig('Thirty pedals');
  for (let i = 0; i < 30; i++) {
    const kind = kinds[i % kinds.length]!;
    const device = {
      ...deviceOfClass(kind, ''),
      name: `${kind} ${i + 1}`,
      sideJack: 'none',
    } as const;
    rig = applyEdits(rig, insertDevice(rig, mainRow(rig).devices.length, device));
  }
  return rig;
}

describe('with demo data', () => {
  beforeAll(async () => {
    world = await openWorld();
    await world.page.keep(RICH_BOARD, longBoard());
  });

  afterAll(() => world.close());

  test('a builder compares three plans, takes one over, and one undo takes it back', async () => {
    const { page, driver } = world;
    await page.open(`/rigs/${PIT_BOARD}/plans`);
    await page.find('[data-search="done"]');
    const pins = await driver.findElements({
      css: '[aria-label="Put side by side with others"]',
    });
    for (const pin of [pins[0]!, pins[3]!, pins[4]!]) await pin.click();
    const table = await page.find('[aria-label="Proposals side by side"]');
    expect(await table.getText()).toMatch(/Leave it alone/u);
    await page.findText('th', 'distance, pit');
    const first = await page.textOf('[data-testid="proposal"] i');
    // What is still being counted may move it from under the hand.
    await page.eventually('plan C is taken', async () => {
      const press = async () => (await page.findText('button', 'Use plan C')).click();
      return press().then(
        () => true,
        (error: unknown) => {
          if ((error as Error).name === 'ElementClickInterceptedError') return false;
          throw error;
        },
      );
    });
    await page.eventually('another rig', async () => {
      const now = await page.textOf('[data-testid="proposal"] i');
      return Number(now) < Number(first) / 4;
    });
    await page.saved();
    await (await page.findText('button', 'Undo')).click();
    await page.eventually(
      'the rig as it was',
      async () => (await page.textOf('[data-testid="proposal"] i')) === first,
    );
  });

  test('only the first move, and what counts how much', async () => {
    const { page } = world;
    await page.open(`/rigs/${PIT_BOARD}/plans`);
    await page.find('[data-search="done"]');
    await (await page.findText('button', 'Only the first move?')).click();
    await page.eventually(
      'one move',
      async () =>
        (await world.driver.findElements({ css: '[data-testid="plan"] ol li' })).length === 1,
    );
    await page.findText('button', 'All its moves');
    const left = await page.textOf('[data-testid="proposal"] i');
    await (await page.findText('summary', 'What counts how much')).click();
    await page.typeInto('spread', '20');
    await page.findText('span', 'spread: 20, at most 10.');
    await page.typeInto('spread', '2');
    await page.eventually('another goal', async () => {
      const now = await page.textOf('[data-testid="proposal"] i');
      return Number(now) > Number(left);
    });
  });

  test('a board that is right: leave it alone, with figures', async () => {
    const { page } = world;
    await page.open(`/rigs/${TAVERN_BOARD}/plans`);
    await page.find('[data-search="done"]');
    expect(await page.textOf('[data-testid="why"]')).toMatch(/It’s fine, leave it: \d\.\d\d dB/u);
    expect(await page.textOf('[data-testid="first-step"]')).toBe('It’s fine, leave it.');
    await page.click('nav a[href$="/path"]');
    await page.eventually('the same in the headline', async () =>
      (await page.textOf('[data-testid="sentence"]')).endsWith('It’s fine, leave it.'),
    );
  });

  test('one first step: in the headline, the advice, the explanation and the plans; done where it is said', async () => {
    const { page, driver } = world;
    await page.open(`/rigs/${STORM_BOARD}/path`);
    await page.lookAt('advice');
    const first = await page.textOf('[data-testid="first-step"] p');
    expect(first).toMatch(/^First step: /u);
    const headline = await page.textOf('[data-testid="sentence"]');
    expect(headline).toContain(first);
    expect(headline).toContain('Warning: Your first buffer (Eddy) comes too late.');
    // A warning stands on the Run and on the tab as well.
    await page.find('[data-warned]');
    await page.find('[data-testid="warnings"]');
    const move = /^First step: (.)(.*?)\. /u.exec(first)!;
    const said = `${move[1]!.toUpperCase()}${move[2]!}`;
    await (await page.findText('button', 'Explain this rig')).click();
    await page.eventually('an explanation', async () =>
      (await page.textOf('[data-testid="explanation"]')).includes(said),
    );
    await (await page.findText('button', 'Close')).click();
    await page.click('nav a[href$="/plans"]');
    await page.find('[data-search="done"]');
    expect(await page.textOf('[data-testid="first-step"]')).toBe(first);
    // Sorted by effect, what is nearest to the goal comes first.
    await page.chooseIn('Sort the plans', 'sorted by effect');
    const goals = await Promise.all(
      (await driver.findElements({ css: '[data-testid="proposal"] i' })).map((one) =>
        one.getText(),
      ),
    );
    expect(goals.map(Number)).toEqual(goals.map(Number).sort((a, b) => a - b));

    await page.click('nav a[href$="/path"]');
    const before = await page.trebleDb();
    await page.lookAt('advice');
    await page.click('[data-testid="first-step"] button');
    await page.eventually('another first step', async () => {
      const now = await page.textOf('[data-testid="sentence"]');
      return /First step|fine, leave it|single change/u.test(now) && !now.includes(first);
    });
    await page.lookAt('now');
    expect(await page.trebleDb()).toBeGreaterThan(before + 1);
    await page.click('button[aria-label="Undo"]');
    await page.eventually('as it was', async () => (await page.trebleDb()) === before);
    await page.saved();
  });

  test('a long search is stopped half way: the best so far stays, and it can be looked for again', async () => {
    const { page } = world;
    await page.open(`/rigs/${RICH_BOARD}/plans`);
    await page.chooseIn('Moves of a plan', 'plans of up to three moves');
    await page.find('[data-search="running"]');
    await page.find('[data-testid="proposal"]');
    await (await page.findText('button', 'Stop')).click();
    await page.find('[data-search="stopped"]');
    expect(await page.textOf('[data-testid="search-state"]')).toMatch(
      /^Stopped: of the plans of \d/u,
    );
    await page.find('[data-testid="plan"]');
    await page.findText('button', 'Search again');
  });

  test('by keys alone: from the brief to a plan taken over, and back', async () => {
    const { page } = world;
    await page.open(`/rigs/${PIT_BOARD}/brief`);
    await page.find('ol[aria-label="A usual order"]');
    await page.tabTo('Look for plans');
    await page.press(Key.ENTER);
    await page.find('[data-search="done"]');
    await page.find('[data-testid="plan"]');
    const first = await page.textOf('[data-testid="proposal"] i');
    await page.tabTo('Use this plan');
    await page.press(Key.ENTER);
    await page.eventually(
      'another rig',
      async () => (await page.textOf('[data-testid="proposal"] i')) !== first,
    );
    await page.chord(Key.CONTROL, 'z');
    await page.eventually(
      'the rig as it was',
      async () => (await page.textOf('[data-testid="proposal"] i')) === first,
    );
  });
});
