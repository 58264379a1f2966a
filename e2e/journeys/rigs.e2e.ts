import { randomUUID } from 'node:crypto';
import { newRig } from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { PIT_BOARD } from '../src/page';
import { openWorld, type World } from '../src/world';

/// The list of rigs, what was removed, and what was kept of each.

let world: World;

beforeAll(async () => {
  world = await openWorld();
});

afterAll(() => world.close());

const names = async () =>
  Promise.all(
    (await world.driver.findElements({ css: 'main li h2' })).map((heading) => heading.getText()),
  );

test('rigs are found, ordered, duplicated, removed and put back', async () => {
  const { page } = world;
  await page.open('/');
  await page.findText('a', 'Pit board');
  expect(await names()).toEqual(['Pit board', 'Storm board', 'Tavern board']);
  await page.choose('Order', 'by player');
  await page.eventually('by player', async () => (await names())[0] !== 'Pit board');
  const search = await page.find('input[type="search"]');
  await search.sendKeys('storm scene');
  await page.eventually('the one', async () => (await names()).join() === 'Storm board');
  await page.click('button[aria-label="Duplicate “Storm board”"]');
  await page.findText('a', 'Storm board, copy');
  await page.click('button[aria-label="Delete “Storm board, copy”"]');
  await page.eventually('one again', async () => (await names()).length === 1);
  await search.sendKeys(Key.chord(Key.CONTROL, 'a'), 'nothing like it');
  await page.findText('p', 'No rig here answers to that');

  await page.open('/');
  await (await page.findText('button', 'Removed rigs')).click();
  await page.findText('h2', 'Storm board, copy');
  await (await page.findText('button', 'Put it back')).click();
  await page.findText('p', 'No rig was removed in the last 30 days');
  await (await page.findText('button', 'Back to the rigs')).click();
  await page.findText('a', 'Storm board, copy');
});

test('a revision is named and gone back to, and undo takes that back', async () => {
  const { page } = world;
  const cableInIs = (length: string) =>
    page.find(`[role="option"][aria-label^="the cable in"][aria-label$="${length}"]`);
  await page.open(`/rigs/${PIT_BOARD}/path`);
  await page.click('[role="option"][aria-label^="the cable in"]');
  await page.typeInto('Length', '9 m');
  await page.press(Key.ESCAPE);
  await page.saved();
  await page.click('button[aria-label="Kept revisions"]');
  const name = await page.find('input[aria-label="Name of revision 1"]');
  await name.sendKeys('before the long cable', Key.ENTER);
  await page.click('button[aria-label="Go back to revision 1"]');
  await cableInIs('6\u00a0m');
  await page.saved();
  await page.click('button[aria-label="Undo"]');
  await cableInIs('9\u00a0m');
  await page.saved();
  await page.click('button[aria-label="Kept revisions"]');
  await page.eventually('the name', async () => {
    const field = await page.find('input[aria-label="Name of revision 1"]');
    return (await field.getAttribute('value')) === 'before the long cable';
  });
  await page.press(Key.ESCAPE);
});

test('of hundreds of rigs those in sight are drawn, and the last is reached', async () => {
  const { page, driver, server } = world;
  for (let i = 0; i < 120; i++) {
    const answer = await fetch(`${server.address}api/rigs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), rig: newRig(`Many ${String(i).padStart(3, '0')}`) }),
    });
    expect(answer.status).toBe(201);
  }
  await page.open('/?sort=name');
  await page.findText('a', 'Many 000');
  await page.findText('p', '124 rigs');
  await page.eventually('those in sight', async () => (await names()).length < 40);
  await page.eventually('the last', async () => {
    await driver.executeScript('window.scrollTo(0, document.body.scrollHeight)');
    return (await names()).includes('Tavern board');
  });
  await page.eventually('those in sight', async () => (await names()).length < 40);
});
