import { mkdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chainOf, exerciseOf, type HiddenFault, type Rig } from '@gullwind/core';
import { openBrowser, savePicture } from './src/browser';
import { Page, PIT_BOARD, STORM_BOARD, TAVERN_BOARD } from './src/page';
import { startServerProcess } from './src/serverProcess';

/// One picture of every main view, from the demo data, 1280 × 800.

const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url));
mkdirSync(folder, { recursive: true });
const server = await startServerProcess({ instruments: true });
const driver = await openBrowser();
const page = new Page(driver, server.address);

const READINGS = `Cable;Length (m);Capacitance (pF);Date;Meter
Harbour reel;1;128,4;2026-11-20;bench LCR
Harbour reel;3;330,1;2026-11-20;bench LCR
Harbour reel;6;634,9;2026-11-20;bench LCR
Harbour reel;10;1039,8;2026-11-20;bench LCR
Odd patch;0,3;61;2026-11-20;bench LCR
Broken;six;700;2026-11-20;bench LCR
`;

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
  await openPath(TAVERN_BOARD, 'd1');
  await take('path-right');
  await page.open('/settings');
  await page.findText('h1', 'Settings');
  await take('settings');
  await setTheme('night');
  await openPath(STORM_BOARD, 'd3');
  await take('path-night');
  await page.lookAt('states');
  await page.find('[data-testid="spread"]');
  await take('all-switches');
  await setTheme('day');
  await openPath(STORM_BOARD, 'l1');
  await page.lookAt('advice');
  await page.find('article[data-judgement]');
  await take('advice');
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
  await page.drop('readings.csv', READINGS);
  await page.findText('p', '2 entries can come in');
  await take('import');
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
