import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chainOf, exerciseOf, type HiddenFault, type Rig } from '@gullwind/core';
import { openBrowser, savePicture } from './src/browser';
import { Page, PIT_BOARD, STORM_BOARD } from './src/page';
import { startServerProcess } from './src/serverProcess';

/// One picture of every main view, from the demo data, 1280 × 800.

const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url));
mkdirSync(folder, { recursive: true });
const server = await startServerProcess({ instruments: true });
const driver = await openBrowser();
const page = new Page(driver, server.address);

async function setTheme(theme: 'day' | 'night'): Promise<void> {
  const url = `${server.address}api/settings`;
  const settings = (await (await fetch(url)).json()) as object;
  await fetch(url, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ ...settings, theme }),
  });
}

const take = async (name: string) => {
  await driver.sleep(700); // transitions and fonts
  await savePicture(driver, `${folder}/${name}.png`);
};

/** The first exercise that hides such a fault in the pit board. */
async function exerciseWith(fault: HiddenFault): Promise<string> {
  const answer = await fetch(`${server.address}api/rigs/${PIT_BOARD}`);
  const { rig } = (await answer.json()) as { rig: Rig };
  let number = 1;
  while (exerciseOf(chainOf(rig), number).fault !== fault) number++;
  return String(number);
}

const KEY = { yes: 'y', no: 'n' } as const;

/** Answers a hunt; the last question stays. */
async function answerWith(answers: readonly (keyof typeof KEY)[]): Promise<void> {
  for (const [nth, answer] of answers.entries()) {
    await page.find('[data-test]');
    await page.press(KEY[answer]);
    await page.eventually(
      'the answer',
      async () =>
        (await driver.findElements({ css: '[aria-label="Answers so far"] li' })).length === nth + 1,
    );
  }
  await page.eventually('minutes', async () =>
    /min.*min/su.test(await page.textOf('[aria-label="Order of the questions"]')),
  );
}

async function openPlans(id: string): Promise<void> {
  await page.open(`/rigs/${id}/plans`);
  await page.find('[data-search="done"]');
  await page.findText('p', 'it is established');
}

async function openPath(id: string, at: string): Promise<void> {
  await page.open(`/rigs/${id}/path?at=${at}`);
  await page.trebleDb();
}

try {
  await setTheme('day');
  await page.open('/');
  await page.findText('a', 'Pit board');
  await take('rigs');
  await openPath(PIT_BOARD, 'l1');
  await take('path-dull');
  await page.open('/settings');
  await page.findText('h1', 'Settings');
  await take('settings');
  await setTheme('night');
  await openPath(STORM_BOARD, 'd3');
  await take('path-night');
  await setTheme('day');
  await page.open(`/rigs/${STORM_BOARD}/brief`);
  await page.find('ol[aria-label="A usual order"]');
  await take('brief');
  await openPlans(PIT_BOARD);
  await take('plans');
  await page.open(`/rigs/${PIT_BOARD}/board`);
  await page.findText('button', 'move Ballast');
  await take('board');
  await page.open(`/rigs/${PIT_BOARD}/power`);
  await page.findText('button', 'Tide Eight, outlet 7');
  await take('power');
  await page.open(`/rigs/${PIT_BOARD}/build`);
  for (let i = 0; i < 9; i++) {
    const [now] = await driver.findElements({ css: '[aria-label="Next step"] h2' });
    const before = now ? await now.getText() : '';
    await (await page.findText('button', 'Done')).click();
    await page.eventually(
      'the next step',
      async () => (await page.textOf('[aria-label="Next step"] h2')) !== before,
    );
  }
  await page.open(`/rigs/${PIT_BOARD}/build?cable=l3`);
  await page.findText('h2', 'A3');
  await page.find('[data-done="true"]');
  await take('build');
  await page.open(`/rigs/${PIT_BOARD}/bench`);
  await page.typeInto('Exercise (0 hides nothing)', await exerciseWith('twiceAsLong'));
  await (await page.findText('button', 'Take the response')).click();
  await page.findText('button', 'Show what was hidden');
  await take('bench');
  await page.open(`/rigs/${PIT_BOARD}/listen`);
  await page.find('[data-voice="plan"]');
  await page.find('[data-spectrum] rect');
  await take('listen');
  await page.open(`/rigs/${PIT_BOARD}/trace`);
  await (await page.findText('button', 'Hum')).click();
  await answerWith(['yes', 'no']);
  await take('trace');
  await page.open('/trace');
  await page.findText('h2', 'What is wrong?');
  await take('trace-free');
  await page.open(`/rigs/${PIT_BOARD}/book?part=handover`);
  await page.findText('td', ' to ');
  await take('book');
  await page.open('/guide?page=trace');
  await page.find('main [data-guide="trace"] img');
  await take('guide');
  await page.open('/bench');
  await (await page.findText('button', 'several lengths')).click();
  for (const more of [false, true, true]) {
    if (more) await (await page.findText('button', 'Another length of it')).click();
    await (await page.findText('button', 'Take three readings')).click();
    await page.findText('button', 'Three more');
  }
  await page.findText('p', 'A straight line through 3 lengths');
  await take('measure');
  await page.open('/gear?at=mudlark');
  await page.find('#gear-mudlark');
  await take('gear');
  await page.open('/di');
  await page.find('article[data-fit]');
  await take('which-di');
  await page.open('/speaker');
  await page.findText('p', 'Thick enough');
  await take('speaker-cable');
} finally {
  await driver.quit();
  await server.stop();
}
