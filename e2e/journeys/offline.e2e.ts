import { allDevices, type Rig } from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { PIT_BOARD } from '../src/page';
import { startServerProcess } from '../src/serverProcess';
import { openWorld } from '../src/world';

/// The server goes away while somebody is at work, and the window is reloaded: application and rig are still there.

const PATH = `/rigs/${PIT_BOARD}/path`;

/** The service worker holds the page, and what was asked before it came was asked once more. */
const HOLDS = `
  const done = arguments[0];
  const look = async () => {
    const answers = await caches.open('gullwind-answers');
    const rig = await answers.match('/api/rigs/${PIT_BOARD}');
    if (navigator.serviceWorker.controller && rig) done(true);
    else setTimeout(look, 200);
  };
  look();`;

test('without a server a reload shows the rig as it was last, edits go on, and are sent when it is back', async () => {
  const world = await openWorld();
  const { driver, page, server } = world;
  const length = (says: string) =>
    page.find(`[role="option"][aria-label^="the cable in"][aria-label$="${says}"]`);
  const setLength = async (to: string) => {
    await page.click('[role="option"][aria-label^="the cable in"]');
    await page.typeInto('Length', to);
    await page.press(Key.ESCAPE);
  };
  let back: Awaited<ReturnType<typeof startServerProcess>> | null = null;
  try {
    await page.open(PATH);
    await page.trebleDb();
    await driver.executeAsyncScript(HOLDS);
    // Saved after it was read: what is kept is what was saved.
    await setLength('7 m');
    await page.saved();
    const saved = await page.trebleDb();
    await server.kill();

    await page.open(PATH);
    await length('7\u00a0m');
    expect(await page.trebleDb()).toBe(saved);
    expect(await page.textOf('[data-testid="save-state"]')).toContain('as last seen here');
    await page.open('/');
    await page.findText('a', 'Pit board');
    await page.open(PATH);
    await setLength('8 m');
    await page.find('[data-save="away"]');
    // Once more, with what was not sent yet.
    await page.open(PATH);
    await length('8\u00a0m');

    back = await startServerProcess({ port: server.port, dataFolder: server.dataFolder });
    await page.saved();
    const kept = (await (await fetch(`${back.address}api/rigs/${PIT_BOARD}`)).json()) as {
      rig: { electrical: { rows: { cables: { lengthM: { value: number } }[] }[] } };
    };
    expect(kept.rig.electrical.rows[0]!.cables[0]!.lengthM.value).toBe(8);

    // A new one is made without it, too, and what is edited in it at once.
    await page.open('/');
    await page.findText('a', 'Pit board');
    await back.kill();
    await (await page.findText('button', 'New rig')).click();
    await page.find('[role="option"]');
    await page.addPedal('delay');
    const path = new URL(await driver.getCurrentUrl()).pathname;
    await driver.navigate().refresh();
    await page.find('[role="option"][aria-label*="elay"]');
    back = await startServerProcess({ port: server.port, dataFolder: server.dataFolder });
    await page.saved();
    const id = path.split('/')[2]!;
    const made = await page.eventually('the new rig', async () => {
      const answer = await fetch(`${back!.address}api/rigs/${id}`);
      const { rig } = (answer.ok ? await answer.json() : {}) as { rig?: Rig };
      return rig !== undefined && allDevices(rig).length === 1 ? rig : null;
    });
    expect(made.texts.name).toBe('New rig');
    expect(await driver.findElements({ css: '[role="dialog"]' })).toEqual([]);
  } finally {
    await world.close();
    await back?.stop();
  }
});
