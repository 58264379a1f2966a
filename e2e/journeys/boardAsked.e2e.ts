import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  addBoard,
  applyEdits,
  applyFollowing,
  deviceOfClass,
  entered,
  firstArrangement,
  insertDevice,
  newRig,
  onDeck,
  typicalBoard,
  workPlan,
  type DeviceClass,
  type Rig,
} from '@gullwind/core';
import { Key } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import type { Page } from '../src/page';
import { picture } from '../src/picture';
import { openWorld, type World } from '../src/world';

/// The board is asked before anything is unscrewed: what fits, what has to move, what a swap costs, how it stands best.

let world: World;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ page } = world);
  await stopMotion(world.driver);
});

afterAll(() => world.close());

function rigOf(classes: readonly DeviceClass[], [widthM, depthM]: readonly [number, number]): Rig {
  const rig = classes.reduce(
    (now, name, i) =>
      applyEdits(now, insertDevice(now, i, deviceOfClass(name, '', `${name} ${i + 1}`))),
    newRig('Asked'),
  );
  const board = {
    ...typicalBoard('Raft'),
    surface: 'mesh' as const,
    slats: [],
    widthM: entered(widthM),
    depthM: entered(depthM),
  };
  return applyEdits(rig, addBoard(rig, board));
}

async function kept(rig: Rig): Promise<string> {
  const id = randomUUID();
  await page.keep(id, rig);
  return id;
}

async function openBoard(id: string): Promise<void> {
  await page.open(`/rigs/${id}/board`);
  await page.find('[role="listbox"] [data-deck]');
}

const rigNow = async (id: string): Promise<Rig> => {
  await page.saved();
  const answer = await fetch(`${world.server.address}api/rigs/${id}`);
  return ((await answer.json()) as { rig: Rig }).rig;
};

const isClear = () => page.findText('h2', 'Nothing is in the way');

const thing = (name: string) => page.find(`[role="option"][aria-label^="${name},"]`);

test('a pedal for a gap, found among the gear at hand', async () => {
  const empty = rigOf(['drive', 'delay'], [0.6, 0.3]);
  const laid = applyFollowing(empty, {
    kind: 'group',
    edits: [
      { kind: 'place', id: 'd1', to: onDeck('b1', 0.47, 0.02) },
      { kind: 'place', id: 'd2', to: onDeck('b1', 0.06, 0.02) },
    ],
  });
  const id = await kept(laid.kind === 'ok' ? laid.rig : empty);
  await openBoard(id);
  const chart = await page.find('[role="listbox"]');
  const { width, height } = await chart.getRect();
  await world.driver
    .actions()
    .move({ origin: chart, x: Math.round(width * 0.02), y: Math.round(height * 0.1) })
    .click()
    .perform();
  await page.findText('p', 'here with plugs');
  const [put] = await world.driver.findElements({ css: '[aria-label="What fits"] button' });
  await put!.click();
  await page.eventually('it stands there', async () => {
    const { electrical, layout } = await rigNow(id);
    const { devices } = electrical.rows[0]!;
    return devices.length === 3 && devices.every((one) => layout.placements[one.id]);
  });
  await isClear();
});

test('a pedal put on a full board: what has to move is said first, and one undo takes it back', async () => {
  const rig = rigOf(['buffer', 'buffer', 'drive'], [0.33, 0.25]);
  const id = await kept(
    applyEdits(
      rig,
      { kind: 'place', id: 'd1', to: onDeck('b1', 0.24, 0.07) },
      { kind: 'place', id: 'd2', to: onDeck('b1', 0.1, 0.07) },
    ),
  );
  await openBoard(id);
  await (await page.find('button[aria-label="Where does drive 3 fit?"]')).click();
  const says = await page.eventually('an answer', async () => {
    const text = await page.textOf('section[aria-label="Where does drive 3 fit?"]');
    return /fits once|fits on the board/u.test(text) ? text : null;
  });
  expect(says).toMatch(/drive 3 fits (?:once buffer \d is moved by \d+\smm|on the board): ?/u);
  const accept = says.includes('once') ? 'Move and stand it so' : 'Stand it there';
  await (await page.findText('button', accept)).click();
  await page.eventually(
    'it stands',
    async () => (await rigNow(id)).layout.placements.d3 !== undefined,
  );
  await isClear();
  await page.chord(Key.CONTROL, 'z');
  await page.eventually(
    'it is in the cargo again',
    async () => (await rigNow(id)).layout.placements.d3 === undefined,
  );
});

test('two change places after their cost was read', async () => {
  const rig = rigOf(['drive', 'boost', 'delay', 'reverb'], [0.9, 0.32]);
  const { edit } = firstArrangement(rig);
  const laid = applyFollowing(rig, edit!);
  const id = await kept(laid.kind === 'ok' ? laid.rig : rig);
  await openBoard(id);
  const before = (await rigNow(id)).layout.placements;
  await (await thing('drive 1')).click();
  await world.driver
    .actions()
    .keyDown(Key.SHIFT)
    .click(await thing('delay 3'))
    .keyUp(Key.SHIFT)
    .perform();
  await (await page.findText('button', 'What would a swap cost?')).click();
  const both = 'section[aria-label="Both: each takes over from the other"]';
  const cost = await page.eventually('its cost', async () => {
    const text = await page.textOf(both);
    return text.includes('Build’s table') ? text : null;
  });
  expect(cost).toMatch(/Treble .* dB/u);
  expect(cost).toMatch(/cables? (?:is|are) made anew|serves? again|laid again/u);
  await (await page.find(`${both} button`)).click();
  await page.eventually('they stand elsewhere', async () => {
    const { placements } = (await rigNow(id)).layout;
    return JSON.stringify(placements.d1) !== JSON.stringify(before.d1);
  });
  const { devices } = (await rigNow(id)).electrical.rows[0]!;
  expect(devices.map(({ name }) => name)).toEqual(['delay 3', 'boost 2', 'drive 1', 'reverb 4']);
});

test('a board that is built says on the path what has become of it', async () => {
  const rig = rigOf(['drive', 'boost', 'delay'], [0.8, 0.32]);
  const laid = applyFollowing(rig, firstArrangement(rig).edit!);
  const built = laid.kind === 'ok' ? laid.rig : rig;
  const id = await kept(built);
  for (const { id: step, fingerprint } of workPlan(built)) {
    const done = { step, fingerprint, lengthM: null, revision: 1, by: '', isDone: true };
    await fetch(`${world.server.address}api/rigs/${id}/done`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ ticks: [done] }),
    });
  }
  await page.open(`/rigs/${id}/path?at=d2`);
  await page.trebleDb();
  expect(await world.driver.findElements({ css: '[data-testid="built"]' })).toEqual([]);
  await page.press(Key.DELETE);
  const says = await page.eventually('what has become of it', async () => {
    const [note] = await world.driver.findElements({ css: '[data-testid="built"]' });
    return note ? note.getText() : null;
  });
  expect(says).toMatch(
    /The board is built already\..*(?:made anew|serves again).*by Build’s table/su,
  );
});

test('arranged from nothing with three pinned, by keys alone', async () => {
  const rig = rigOf(['tuner', 'compressor', 'drive', 'boost', 'delay', 'reverb'], [0.8, 0.36]);
  const id = await kept(
    applyEdits(
      rig,
      { kind: 'place', id: 'd1', to: onDeck('b1', 0.7, 0.02) },
      { kind: 'place', id: 'd3', to: onDeck('b1', 0.4, 0.02) },
      { kind: 'place', id: 'd6', to: onDeck('b1', 0.03, 0.2) },
    ),
  );
  await openBoard(id);
  const before = (await rigNow(id)).layout.placements;
  await (await page.find('[role="listbox"]')).sendKeys('');
  for (const _ of [1, 2, 3]) await page.press('.', 'k');
  await page.press('g');
  await page.findText('p', 'Stays where it is: tuner 1, drive 3, reverb 6.');
  await page.tabTo('Arrange');
  await page.press(Key.ENTER);
  await page.findText('h3', 'As you wish');
  await page.tabTo('Stand them so');
  await page.press(Key.ENTER);
  await isClear();
  const { placements } = (await rigNow(id)).layout;
  expect(Object.keys(placements).filter((one) => one.startsWith('d'))).toHaveLength(6);
  for (const pinned of ['d1', 'd3', 'd6']) expect(placements[pinned]).toEqual(before[pinned]);
});

test('a board begun from a photograph: sent, straightened, traced; what is no picture is refused', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'gullwind-'));
  const [good, bad] = [join(folder, 'board.jpg'), join(folder, 'board.svg')];
  writeFileSync(good, await picture());
  writeFileSync(bad, '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
  const id = await kept(
    applyEdits(newRig('Seen'), insertDevice(newRig('Seen'), 0, deviceOfClass('drive', '', 'Gale'))),
  );
  await page.open(`/rigs/${id}/board`);
  const file = () =>
    world.driver.findElement({ css: 'input[type="file"][aria-label="From a photograph"]' });
  await page.findText('button', 'From a photograph');
  await (await file()).sendKeys(bad);
  await page.findText('span', 'it must be a JPEG, PNG or WebP file');
  await (await file()).sendKeys(good);
  const seen = await page.find('img[alt="The board as it was photographed"]');
  await (await page.findText('button', 'Straighten by four corners')).click();
  const ground = await page.find('[data-testid="marking"]');
  const box = await ground.getRect();
  const corners: readonly (readonly [number, number])[] = [
    [-0.3, 0.25],
    [0.3, 0.27],
    [0.24, -0.2],
    [-0.22, -0.22],
  ];
  const mark = async ([x, y]: readonly [number, number]) =>
    world.driver
      .actions()
      .move({
        origin: await page.find('[data-testid="marking"]'),
        x: Math.round(x * box.width),
        y: Math.round(y * box.height),
      })
      .click()
      .perform();
  const before = await seen.getCssValue('transform');
  for (const corner of corners) await mark(corner);
  await (await page.findText('button', 'Straighten it')).click();
  await page.eventually(
    'it lies otherwise',
    async () => (await seen.getCssValue('transform')) !== before,
  );
  await (await page.findText('button', 'Trace it')).click();
  await page.find('[data-testid="marking"]');
  await mark([-0.1, 0.1]);
  await mark([0.02, -0.16]);
  await (await page.findText('button', 'Stand it there')).click();
  await page.eventually('it is traced', async () => {
    const { layout, electrical } = await rigNow(id);
    const { body } = electrical.rows[0]!.devices[0]!;
    return layout.placements.d1?.at === 'deck' && body?.widthM.from === 'entered';
  });
  const kind = await fetch(`${world.server.address}api/rigs/${id}/photo/picture`);
  expect(kind.headers.get('content-type')).toBe('image/jpeg');
});
