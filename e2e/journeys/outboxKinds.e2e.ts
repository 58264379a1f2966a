import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { applyEdits, deviceOfClass, insertDevice, newRig, type GearItem } from '@gullwind/core';
import sharp from 'sharp';
import { setView, stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { startServerProcess, type ServerProcess } from '../src/serverProcess';
import { openWorld, type World } from '../src/world';

/// Gear, photographs, verdicts and off-cuts while the server is away: each is kept over a closed tab, and arrives once.

let world: World;
let page: Page;
let server: ServerProcess;

beforeAll(async () => {
  world = await openWorld();
  ({ page, server } = world);
  await stopMotion(world.driver);
});

afterAll(async () => {
  await world.close();
  await server.stop();
});

const press = async (words: string): Promise<void> =>
  (await page.findText('button', words)).click();

const asked = async <T>(path: string): Promise<T> =>
  (await (await fetch(`${server.address}api${path}`)).json()) as T;

/** Does something without a server, closes the tab, and opens the same address in another one when the server is back. */
async function withoutServer(work: () => Promise<void>): Promise<void> {
  const { driver } = world;
  await server.kill();
  await work();
  await page.findText('button', 'kept in this browser');
  const [address, gone] = [await driver.getCurrentUrl(), await driver.getWindowHandle()];
  await driver.switchTo().newWindow('tab');
  const next = await driver.getWindowHandle();
  await driver.switchTo().window(gone);
  await driver.close();
  await driver.switchTo().window(next);
  await setView(driver);
  server = await startServerProcess({ port: server.port, dataFolder: server.dataFolder });
  await driver.get(address);
}

test('a value of an entry of the gear list', async () => {
  const capacitance = async () => (await page.inputOf('Capacitance')).getAttribute('value');
  await page.open('/gear?at=pit-18');
  await capacitance();
  await withoutServer(async () => {
    await page.typeInto('Capacitance', '70');
  });
  expect(await capacitance()).toMatch(/^70/u);
  await page.eventually('it is with the server', async () => {
    const { items } = await asked<{
      items: readonly { item: GearItem; revision: number }[];
    }>('/gear');
    const found = items.find(({ item }) => item.id === 'pit-18')!;
    return JSON.stringify(found.item.thing).includes('7e-11') && found.revision === 2;
  });
});

test('a photograph of a board', async () => {
  const photograph = join(mkdtempSync(join(tmpdir(), 'gullwind-')), 'board.jpg');
  const size = { width: 400, height: 300, channels: 3 as const, background: '#664422' };
  writeFileSync(photograph, await sharp({ create: size }).jpeg().toBuffer());
  const [id, empty] = [randomUUID(), newRig('Seen')];
  const drive = deviceOfClass('drive', '', 'Gale');
  await page.keep(id, applyEdits(empty, insertDevice(empty, 0, drive)));
  await page.open(`/rigs/${id}/board`);
  await page.findText('button', 'From a photograph');
  await withoutServer(() =>
    world.driver
      .findElement({ css: 'input[type="file"][aria-label="From a photograph"]' })
      .sendKeys(photograph),
  );
  await page.find('img[alt="The board as it was photographed"]');
  const picture = await fetch(`${server.address}api/rigs/${id}/photo/picture`);
  const { width } = await sharp(Buffer.from(await picture.arrayBuffer())).metadata();
  expect(width).toBe(400);
});

test('a verdict at the real amp', async () => {
  await page.open(`/rigs/${PIT_BOARD}/listen`);
  await page.find('[data-playing]:not([disabled])');
  await press('at the real amp');
  for (let step = 0; step < 5; step++) await press('Done');
  await withoutServer(() => press('Keep it, and show what the model says'));
  await page.eventually('it is with the server', async () => {
    const { hearings } = await asked<{ hearings: readonly { kind: string; rig: string }[] }>(
      '/hearings',
    );
    return hearings.length === 1 && hearings[0]!.kind === 'amp' && hearings[0]!.rig === PIT_BOARD;
  });
});

test('an off-cut that is used up', async () => {
  const id = randomUUID();
  const answer = await fetch(`${server.address}api/off-cuts/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: 'Reel of rope', gear: null, lengthM: 0.4, note: '' }),
  });
  expect(answer.status).toBe(200);
  await page.open(`/rigs/${PIT_BOARD}/build`);
  await press('cuts');
  await page.findText('span', 'Reel of rope');
  const cuts = () => page.textOf('[aria-label="Off-cuts"]');
  await withoutServer(async () => {
    await press('Used up');
    await page.eventually('it is gone', async () => !(await cuts()).includes('Reel of rope'));
  });
  await page.eventually('it is gone from the server', async () => {
    const { offCuts } = await asked<{ offCuts: readonly object[] }>('/off-cuts');
    return offCuts.length === 0;
  });
});
