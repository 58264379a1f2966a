import { mainRow, type Rig, type Row } from '@gullwind/core';
import { Key, type WebDriver } from 'selenium-webdriver';
import { expectFigures, savedRig } from '../src/figures';
import type { Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// Three rigs as people have them, built from an empty database, with every figure read off.

let world: World;
let driver: WebDriver;
let page: Page;

beforeEach(async () => {
  world = await openWorld({ demo: false });
  ({ driver, page } = world);
  await page.open('/');
  await (await page.findText('button', 'Start the first rig')).click();
  await page.trebleDb();
});

afterEach(() => world.close());

const names = ({ devices }: Row) => devices.map(({ name }) => name);
const placed = (rig: Rig, kind: Row['at']['kind']) =>
  rig.electrical.rows.filter(({ at }) => at.kind === kind);

async function nameRig(name: string): Promise<void> {
  const input = await page.find('input[aria-label="Name of the rig"]');
  await input.click();
  await input.sendKeys(Key.chord(Key.CONTROL, 'a'), name, Key.ENTER, Key.ESCAPE);
}

const lookTo = (words: string) => page.chooseIn('Way that is looked at', words);

test('six pedals in a row with a tuner tap, by keyboard alone', async () => {
  await page.press(Key.ARROW_RIGHT);
  await page.selected('the cable');
  await page.press(Key.ENTER);
  await page.focused('Length');
  await page.press('6 m', Key.ENTER, Key.ESCAPE);
  for (const kind of [
    'tuner tap',
    'low-impedance fuzz',
    'wah',
    'drive',
    'modulation',
    'delay',
    'reverb',
  ])
    await page.addPedal(kind);
  // The tap passes the line on; numbers count the pedals as they stand.
  await page.press('2', '4', '7');
  await page.find('[data-on="true"][data-switch="d7"]');
  await page.press(Key.END);
  await page.selected('destination, amp');
  await page.press(Key.ARROW_LEFT);
  await page.selected('the cable to the amp');
  await page.press(Key.ENTER);
  await page.focused('Length');
  await page.press('20 ft', Key.ENTER, Key.ESCAPE);
  await expectFigures(page);
  const rig = await savedRig(page);
  expect(names(mainRow(rig))).toEqual([
    'tuner tap',
    'low-impedance fuzz',
    'wah',
    'drive',
    'modulation',
    'delay',
    'reverb',
  ]);
  expect(mainRow(rig).cables.at(-1)!.lengthM.value).toBeCloseTo(6.096, 3);
  const [side] = placed(rig, 'side');
  expect(side!.at).toMatchObject({ to: { kind: 'destination' } });
  expect(rig.electrical.destinations.map(({ kind }) => kind)).toEqual(['amp', 'tuner']);

  // The tuner hangs on the line: unplugged, with its cable, the sound is brighter.
  const before = await page.trebleDb();
  await page.press(Key.HOME);
  await page.eventually('the cable to the tuner', async () => {
    await page.press(Key.ARROW_RIGHT);
    const selected = await page.find('[role="option"][aria-selected="true"]');
    return (await selected.getAttribute('aria-label'))!.startsWith('the cable to tuner');
  });
  await page.press(Key.DELETE);
  expect(await page.trebleOtherThan(before)).toBeGreaterThan(before);
  await page.chord(Key.CONTROL, 'z');
  await page.eventually('as before', async () => (await page.trebleDb()) === before);
});

test('a switcher with four loops, pedals in three of them and a jumper in one', async () => {
  await nameRig('Switcher board');
  await page.press(Key.END);
  await page.addPedal('loop switcher');
  const empty = () =>
    driver.findElements({
      css: '[data-inlet="d1 loops"] [role="option"][aria-label*="no cable here yet"]',
    });
  expect(await empty()).toHaveLength(4);
  for (const [loop, kinds] of [['wah'], ['drive', 'octave'], ['modulation']].entries()) {
    await (await empty())[0]!.click();
    await page.selected(`the jumper of loop ${loop + 1}`);
    for (const kind of kinds) await page.addPedal(kind);
    await page.eventually('a loop less', async () => (await empty()).length === 3 - loop);
  }
  await (await empty())[0]!.click();
  await page.selected('the jumper of loop 4');
  await (await page.findText('button', 'Put a jumper in')).click();
  await page.eventually('no empty loop', async () => (await empty()).length === 0);
  const open = await expectFigures(page);

  const rig = await savedRig(page);
  expect(placed(rig, 'loop').map(names)).toEqual([
    ['wah'],
    ['drive', 'octave'],
    ['modulation'],
    [],
  ]);
  expect(placed(rig, 'loop').every(({ cables }) => cables.every((cable) => cable !== null))).toBe(
    true,
  );

  // Each closed loop brings its cables and what is in it onto the line.
  let least = open.figures.trebleDb;
  for (const chip of ['d1.1', 'd1.3']) {
    await page.click(`[data-switch="${chip}"]`);
    await page.find(`[data-switch="${chip}"][data-on="true"]`);
    const { figures } = await expectFigures(page);
    expect(figures.trebleDb).toBeLessThan(least);
    least = figures.trebleDb;
  }
  await page.lookAt('states');
  await page.eventually('all eight switches', async () =>
    (await page.textOf('[data-testid="states-counted"]')).startsWith('8 switches'),
  );

  // Two loops that one foot brings in together.
  await page.click('[data-post="d1"] text');
  await page.selected('loop switcher');
  await (await page.findText('summary', 'Linked switches')).click();
  await page.choose('Loop 3 switches with', 'drive');
  await page.eventually('they are linked', async () => {
    const { links } = (await savedRig(page)).electrical;
    return links.length === 1 && links[0]!.includes('d1.2');
  });
});

test('two guitars, one by wireless, a gate with its key at the front, a delay in the amp’s loop', async () => {
  await nameRig('Wide stage');
  await page.press(Key.HOME);
  await page.selected('guitar');
  for (const kind of ['wireless pair', 'A/B selector', 'tuner tap', 'gate', 'drive'])
    await page.addPedal(kind);

  await page.press(Key.HOME);
  // Which one is asked; it comes in at the selector that is there.
  await (await page.findText('button', 'Another guitar')).click();
  await page.findText('h2', 'Which guitar comes in too?');
  await page.press('typical hot humbucker');
  await page.findText('li', 'hot humbucker');
  await page.press(Key.ENTER);
  await page.selected('guitar, hot humbucker');
  await page.find('select:not([aria-label]) option[value="shared"]');
  await page.typeInto('Inductance', '4.2 H');

  // The gate listens at the tap and closes after the drive that stands in its own loop.
  await page.click('[data-post="d4"] text');
  await page.selected('4, gate');
  await page.choose('Send and return', 'its own, around its loop');
  await page.click('[data-post="d3"] text');
  await page.selected('3, tuner tap');
  await page.choose('It goes to', 'the key of gate');
  await page.click('[data-post="d5"] text');
  await page.selected('5, drive');
  await page.press(Key.DELETE);
  await page.click('[role="option"][aria-label^="the jumper of gate"]');
  await page.addPedal('drive');

  await page.press(Key.END);
  await page.selected('destination, amp');
  await (await page.findText('button', 'Use the effects loop')).click();
  await page.addPedal('delay');

  const rig = await savedRig(page);
  expect(names(mainRow(rig))).toEqual(['wireless pair', 'A/B selector', 'tuner tap', 'gate']);
  expect(placed(rig, 'side')[0]!.at).toMatchObject({ to: { kind: 'key', device: 'd4' } });
  expect(placed(rig, 'loop').map(names)).toEqual([['drive']]);
  expect(placed(rig, 'ampLoop').map(names)).toEqual([['delay']]);
  expect(rig.electrical.destinations).toHaveLength(1);

  // The second guitar plays by its own cable; the first by its transmitter, which shelters it.
  const wired = await expectFigures(page);
  const players = await page.find('select[aria-label="Guitar that plays"]');
  await players.findElement({ css: 'option[value="g1"]' }).click();
  await page.eventually('the other guitar', async () => {
    return (await savedRig(page)).state.playing === 'g1';
  });
  const wireless = await expectFigures(page);
  expect(wireless.figures.trebleDb).toBeGreaterThan(wired.figures.trebleDb);

  await lookTo('amp, effects loop');
  await expectFigures(page, placed(rig, 'ampLoop')[0]!.id);
  await lookTo('to amp');

  // Without power the transmitter is silent.
  await page.click('button[aria-label="Power of the board"]');
  await page.eventually('silence', async () =>
    (await page.textOf('[data-testid="sentence"]')).includes('wireless'),
  );
});

test('two guitars on a rig without a selector: each has its way, and the selector its inputs', async () => {
  await nameRig('Two in hand');
  await page.addPedal('drive');
  await page.press(Key.HOME);
  await (await page.findText('button', 'Another guitar')).click();
  await page.find('[role="dialog"] input');
  await page.press('typical hot humbucker');
  await page.findText('li', 'hot humbucker');
  await page.press(Key.ENTER);
  await page.selected('guitar, hot humbucker');
  await page.choose('It arrives by', 'wireless of its own');
  let rig = await savedRig(page);
  expect(names(mainRow(rig))).toEqual(['guitar selector', 'drive']);
  expect(placed(rig, 'guitar').map(names)).toEqual([['wireless pair']]);
  await page.press(Key.ESCAPE);
  await page.click('[data-post="d2"] text');
  await page.findText('h2', 'Inputs: 2');
  await (await page.find('button[aria-label="guitar plays"]')).click();
  await page.eventually(
    'the first one plays',
    async () => (await savedRig(page)).state.playing === 'g1',
  );
  await expectFigures(page);
  rig = await savedRig(page);
  expect(rig.electrical.guitars).toHaveLength(2);
});

test('a gate in four cables by one press, and a bass into a DI that is found among the pedals', async () => {
  await nameRig('Four cables');
  for (const kind of ['drive', 'gate']) await page.addPedal(kind);
  await (await page.findText('button', 'Second half into the amp’s loop')).click();
  const split = await savedRig(page);
  expect(placed(split, 'ampLoop').map(names)).toEqual([['gate, second half']]);
  // One switch moves both, and both say so.
  await page.find(
    '[role="option"][aria-label*="gate, off"][aria-label*="Linked with gate, second half"]',
  );
  await page.click('[data-switch="d2"]');
  await page.find('[data-switch="d3"][data-on="true"]');
  await expectFigures(page);

  await page.press('a');
  await page.find('[role="dialog"] input');
  await page.press('DI');
  await page.findText('div', 'Ends the way, instead of amp');
  await (await page.findText('li', 'active DI')).click();
  await page.eventually('a DI', async () => {
    return (await savedRig(page)).electrical.destinations[0]!.kind === 'activeDi';
  });
});
