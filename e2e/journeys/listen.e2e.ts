import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { abxOrder, writeWav, type Hearing } from '@gullwind/core';
import { Key, type WebElement } from 'selenium-webdriver';
import type { Driver } from 'selenium-webdriver/chrome.js';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// A rig heard: against its plan, blind, at the amp, with a sound of one's own and a live input.

const SOUND = [
  '--autoplay-policy=no-user-gesture-required',
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
];

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld({}, SOUND);
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

const button = (text: string): Promise<WebElement> => page.findText('button', text);
const press = async (text: string): Promise<void> => (await button(text)).click();
const open = async (): Promise<void> => {
  await page.open(`/rigs/${PIT_BOARD}/listen`);
  await page.find('[data-playing]:not([disabled])');
};
const hearings = async (): Promise<readonly Hearing[]> =>
  (
    (await (await fetch(`${world.server.address}api/hearings`)).json()) as {
      hearings: readonly Hearing[];
    }
  ).hearings;
const heard = (): Promise<string> => page.textOf('[aria-label="What is heard"] p[role="status"]');

test('the dull board against what is advised: by the keys, in words, at the same instant', async () => {
  await open();
  await page.find('[data-voice="plan"]');
  await page.press(Key.SPACE);
  await page.find('[data-playing="true"]');
  await page.eventually('what is heard', async () =>
    /as it is against straight in: treble −12\.\d dB, drastic/u.test(await heard()),
  );
  await page.press('3');
  await page.eventually('the step', async () =>
    /with the first step: .*treble/u.test(await heard()),
  );
  await page.press('1');
  await page.eventually('straight in', async () =>
    /straight in against straight in: treble 0\.0 dB/u.test(await heard()),
  );
  await page.press(Key.SPACE);
  await page.find('[data-playing="false"]');
  await page.find('[data-spectrum] rect');
});

test('a blind test of ten by the keys: nothing tells X, and what comes out is what was answered', async () => {
  await open();
  await press('blind test');
  await press('Begin');
  await page.findText('h2', 'Trial 1 of 10');
  await page.find('[aria-label="Listen to"] button:not([disabled])');
  const answers: ('A' | 'B')[] = [];
  const seen = new Set<string>();
  const driver = world.driver as Driver;
  const resources = () =>
    driver.executeScript<number>('return performance.getEntriesByType("resource").length');
  const before = await resources();
  for (let trial = 1; trial <= 10; trial++) {
    await page.findText('h2', `Trial ${trial} of 10`);
    await page.press('x');
    await page.find('[aria-label="Listen to"] [aria-pressed="true"]:last-child');
    seen.add(await pageAsSeen());
    const answer = trial % 3 === 0 ? 'A' : 'B';
    answers.push(answer);
    if (trial === 10) expect(await resources()).toBe(before);
    await press(`X is ${answer}`);
  }
  // Page, title and accessibility tree were the same in all ten, whatever X was.
  expect(seen.size).toBe(1);
  await page.findText('p', 'of 10 right');
  const [kept] = await hearings();
  expect(kept).toMatchObject({
    kind: 'abx',
    planned: 10,
    isFinished: true,
    listener: 'nobody named',
  });
  const order = abxOrder(kept!.seed!, 10);
  expect(new Set(order).size).toBe(2);
  expect(kept!.trials.map(({ isRight }) => isRight)).toEqual(order.map((x, i) => x === answers[i]));
});

/** All of the page, and all that a screen reader is told of it, without the number of the trial. */
async function pageAsSeen(): Promise<string> {
  const driver = world.driver as Driver;
  const html = await driver.executeScript<string>(
    // Where the focus is tells of the answer before, not of X.
    'document.activeElement.blur(); return document.title + document.querySelector("main").outerHTML',
  );
  const tree = (await driver.sendAndGetDevToolsCommand(
    'Accessibility.getFullAXTree',
    {},
  )) as unknown as {
    nodes: { role?: { value: string }; name?: { value: string } }[];
  };
  const told = tree.nodes.map(({ role, name }) => `${role?.value}:${name?.value}`).join('\n');
  return `${html}\n${told}`
    .replace(/Trial \d+ of 10/gu, 'Trial')
    .replace(/\d+(\.\d+)? of 8/gu, 'time')
    .replace(/translateX\([^)]*\)/gu, '')
    .replace(/aria-valuenow="\d+"/gu, '')
    .replace(/(aria-valuenow|value|left|width): ?[^;"]*/gu, '');
}

test('a test that is broken off is kept as that', async () => {
  await open();
  await press('blind test');
  await press('Begin');
  await page.find('[aria-label="Listen to"] button:not([disabled])');
  await press('X is A');
  await press('Break off');
  await page.findText('p', 'of 10 meant');
  // The ten before count, too.
  await page.findText('p', 'All 2 runs of this comparison together');
  const [kept] = await hearings();
  expect(kept).toMatchObject({ kind: 'abx', isFinished: false });
  expect(kept!.trials).toHaveLength(1);
});

test('a threshold run: nearer and nearer, broken off and kept', async () => {
  await open();
  await press('your threshold');
  await (await page.inputOf('Who listens')).sendKeys('Mate');
  await press('Begin');
  for (let trial = 1; trial <= 3; trial++) {
    await page.findText('h2', `${trial} of 50`);
    await page.eventually('the sound', async () =>
      (await button('The first has less')).isEnabled(),
    );
    await press('The first has less');
  }
  await page.findText('h2', '4 of 50');
  await press('Break off');
  await page.findText('p', 'Broken off after 3');
  const [kept] = await hearings();
  expect(kept).toMatchObject({ kind: 'threshold', listener: 'Mate', isFinished: false });
});

test('the straight-in test at the real amp: the verdict first, then the model’s', async () => {
  await open();
  await press('at the real amp');
  for (let step = 0; step < 5; step++) await press('Done');
  await press('Keep it, and show what the model says');
  await page.findText(
    'p',
    'You: through the board it is duller, noticeable. The model: treble −12',
  );
  const [kept] = await hearings();
  expect(kept).toMatchObject({ kind: 'amp', rig: PIT_BOARD });
});

test('say first: what is expected is written before anything is shown', async () => {
  await open();
  await press('say first');
  expect(await world.driver.findElements({ css: '[data-curve]' })).toEqual([]);
  await (await page.inputOf('What do you expect between them?')).sendKeys('a blanket over it');
  await press('I have heard it: show');
  await page.find('[data-curve="heard"]');
  await page.findText('p', 'You expected: a blanket over it');
});

test('a sound of one’s own: no WAV is said, a WAV is played with the difference', async () => {
  await open();
  const input = await page.find('input[aria-label="A sound of your own (WAV)"]');
  const file = (name: string, bytes: Uint8Array | string) => {
    const path = join(tmpdir(), name);
    writeFileSync(path, bytes);
    return path;
  };
  await input.sendKeys(file('none.wav', 'not a sound'));
  await page.findText('span', 'none.wav: This is not a WAV file');
  const samples = Float32Array.from({ length: 44_100 }, (_, i) => 0.4 * Math.sin(i * 0.05));
  await input.sendKeys(file('riff.wav', writeWav({ samples, rate: 44_100 })));
  await page.findText('label', 'It already went through');
  await page.findText('p', 'of 1 s');
  await press('Play');
  await page.find('[data-playing="true"]');
});

test('a live input: asked for, filtered, its lateness told', async () => {
  await open();
  await press('live input');
  await press('Begin');
  await page.findText('p', 'ms late');
  await page.press('1');
  await press('Stop');
  await page.findText('p', 'Not listening');
});
