import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key, type WebDriver } from 'selenium-webdriver';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// The gear list: brought in from the bench, put into a rig, corrected, retired; everything out and back.

const folder = mkdtempSync(join(tmpdir(), 'gullwind-files-'));
const file = (name: string, text: string | Uint8Array): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

const BENCH = `Cable;Length (m);Capacitance (pF);Date;Meter
Harbour reel;1;128,4;2026-11-20;bench LCR
Harbour reel;3;330,1;2026-11-20;bench LCR
Harbour reel;10;1039,8;2026-11-20;bench LCR
Broken;six;700;2026-11-20;bench LCR
`;

let world: World;
let driver: WebDriver;
let page: Page;

describe('with the demo workshop', () => {
  beforeAll(async () => {
    world = await openWorld();
    ({ driver, page } = world);
  });
  afterAll(() => world.close());

  test('readings from the bench come in, one makes a rig sound otherwise, and it is taken back', async () => {
    await page.open('/');
    await page.findText('a', 'Pit board');
    await page.drop('readings.csv', BENCH);
    const report = await page.find('[data-testid="import-report"]');
    await page.eventually('the report', async () =>
      (await report.getText()).includes('Row 5: Cable length: “six”'),
    );
    expect(await report.getText()).toContain('Harbour reel: 3 readings make 101.3');
    expect(await (await page.findText('button', 'Add all')).isEnabled()).toBe(false);
    await (await page.findText('button', 'Add the 1 good ones')).click();
    await page.find('[role="option"][aria-selected="true"][id^="gear-g-"]');

    await page.open(`/rigs/${PIT_BOARD}/path?at=l9`);
    const before = await page.trebleDb();
    await (await page.findText('button', 'Swap')).click();
    await page.find('[role="dialog"] input');
    await page.press('harbour');
    await page.findText('li', 'Harbour reel');
    await page.press(Key.ENTER);
    const after = await page.trebleOtherThan(before);
    expect(after).toBeGreaterThan(before);
    // It keeps the length it was laid at.
    await page.find('[role="option"][aria-selected="true"][aria-label*="18\u00a0m"]');
    await page.chord(Key.CONTROL, 'z');
    expect(await page.trebleOtherThan(after)).toBe(before);
    await page.saved();
  });

  test('a value is corrected in the list; the rig shows what that would do before it is told to follow', async () => {
    await page.open(`/rigs/${PIT_BOARD}/path`);
    const planned = await page.trebleDb();
    await page.open('/gear?at=pit-18');
    await page.typeInto('Capacitance', '70');
    const update = await page.find(`[data-update="${PIT_BOARD}"]`);
    expect(await update.getText()).toMatch(/Treble −12\.81 dB now, −\d+\.\d\d dB then/u);
    expect(await update.getText()).toContain('Cable capacitance'.toLowerCase());
    await page.open(`/rigs/${PIT_BOARD}/path`);
    expect(await page.trebleDb()).toBe(planned);
    await page.open('/gear?at=pit-18');
    await (await page.findText('button', 'What would these values do there?')).click();
    await (await page.findText('button', 'Bring Pit board up to date')).click();
    await page.eventually(
      'it is up to date',
      async () => (await driver.findElements({ css: `[data-update="${PIT_BOARD}"]` })).length === 0,
    );
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await page.eventually(
      'the figure has moved',
      async () => (await page.trebleDb()) > planned + 1,
    );
  });

  test('a pedal in use is retired: no longer offered, still in its rig', async () => {
    await page.open('/gear?at=gristle');
    await (await page.findText('button', 'Retire')).click();
    await page.findText('button', 'Back into use');
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await page.find('[role="option"][aria-label*="Gristle"]');
    await page.press('a');
    await page.find('[role="dialog"] input');
    await page.press('grist');
    await page.eventually('nothing is offered', async () =>
      (await page.textOf('[role="dialog"]')).includes('No options'),
    );
    await page.press(Key.ESCAPE);
    await page.open('/gear');
    await page.click('input[type="checkbox"]');
    await page.find('#gear-gristle');
  });

  test('by keyboard alone: found, corrected, undone, duplicated', async () => {
    await page.open('/gear');
    await page.findText('p', 'Teal pit guitar');
    await page.press('/');
    await page.press('wee ferry');
    await page.eventually(
      'one is left',
      async () => (await driver.findElements({ css: '[role="option"]' })).length === 1,
    );
    await page.press(Key.ARROW_DOWN);
    await page.press(Key.ARROW_DOWN);
    await page.find('#gear-wee-ferry[aria-selected="true"]');
    await page.press(Key.ENTER);
    await page.focused('Input');
    await page.press('2M', Key.ENTER);
    const input = await page.inputOf('Input');
    await page.eventually('2 MΩ', async () =>
      /^2(\.0+)?\s?MΩ$/u.test((await input.getAttribute('value'))!),
    );
    await page.press(Key.ESCAPE, Key.TAB);
    await page.chord(Key.CONTROL, 'z');
    await page.eventually('as it was', async () =>
      (await input.getAttribute('value'))!.startsWith('1.02'),
    );
  });

  test('the path goes out as a circuit, a curve and a rig, and the rig comes in again', async () => {
    await page.open(`/rigs/${PIT_BOARD}/path`);
    await page.trebleDb();
    await page.watchDownloads();
    for (const words of ['The rig', 'Its circuit', 'Its curve']) {
      await page.click('button[aria-label="Export as a file"]');
      await (await page.findText('li', words)).click();
    }
    const [rig, circuit, curve] = await page.eventually('three files', async () => {
      const files = await page.downloads();
      return files.length === 3 && files;
    });
    expect(rig!.name).toBe('pit-board.rig.json');
    expect(circuit!.text).toContain('.ac dec');
    expect(curve!.text).toMatch(/^frequency \(Hz\),now \(dB\)/u);
    await page.drop('again.json', rig!.text);
    await page.eventually(
      'another rig',
      async () => !(await driver.getCurrentUrl()).includes(PIT_BOARD),
    );
    await page.find('[role="option"][aria-label*="Gristle"]');
  });

  test('a second file over the open preview of a first one is looked at afresh', async () => {
    await page.open('/gear');
    await page.findText('p', 'Teal pit guitar');
    await page.drop('first.csv', 'name;length (m)\nQuay reel;50\n');
    await page.eventually('the first one', async () =>
      (await page.textOf('#import-title')).includes('first.csv'),
    );
    await page.drop(
      'second.csv',
      'name;kind;length (m);capacitance per metre (pF/m);note\nTide reel;cable;20;85;new\nEbb reel;cable;30;90;\n',
    );
    await page.eventually('the second one', async () =>
      (await page.textOf('#import-title')).includes('second.csv'),
    );
    await page.findText('button', 'Add all 2');
    await (await page.findText('button', 'Leave it outside')).click();
  });

  test('a cable of one’s own swapped in is as long as it is', async () => {
    await page.open(`/rigs/${PIT_BOARD}/path?at=l1`);
    await page.trebleDb();
    await (await page.findText('button', 'Swap')).click();
    await page.find('[role="dialog"] input');
    await page.press('Low cable');
    await page.findText('li', 'Low cable');
    await page.press(Key.ENTER);
    await page.find('[role="option"][aria-label^="the cable in"][aria-label$="9\u00a0m"]');
    await page.click('button[aria-label="Undo"]');
    await page.saved();
  });

  test('one thousand two hundred or one and a fifth is asked once for the file', async () => {
    await page.open('/gear');
    await page.findText('p', 'Teal pit guitar');
    await page.drop('mm.csv', 'name;length (mm)\nShort;1,200\nLonger;1,500\n');
    const says = (words: string) =>
      page.eventually(words, async () =>
        (await page.textOf('[data-testid="import-report"]')).includes(words),
      );
    await says('Say first what “1,200” is');
    await page.choose('“1,200” in this file is', '1200');
    await says('2 entries can come in');
    await (await page.findText('button', 'Leave it outside')).click();
  });

  test('damaged files get a report; nothing comes in and the page goes on', async () => {
    await page.open('/gear');
    await page.findText('p', 'Teal pit guitar');
    const count = () => page.textOf('[aria-pressed="true"] span');
    const before = await count();
    for (const [name, content, words] of [
      ['empty.csv', '', 'The file is empty.'],
      ['zip.csv', Uint8Array.of(0x50, 0x4b, 5, 6, ...Array<number>(18).fill(0)), 'a zip file'],
      ['half.json', '{"kind":"gullwind-workspace"', 'could not be read to its end'],
      ['future.json', '{"format":9,"rows":[]}', 'this version reads format 7'],
      ['long.csv', `name\n${'x\n'.repeat(100_000)}`, '100,000 rows'],
      ['polluted.json', '{"format":3,"rows":[],"__proto__":{"x":1}}', '__proto__'],
    ] as const) {
      await (
        await page.find('input[type="file"][aria-label="Import a list"]')
      ).sendKeys(file(name, content));
      await page.eventually(words, async () =>
        (await page.textOf('[data-testid="refused-problems"]')).includes(words),
      );
      await page.press(Key.ENTER);
      await page.eventually(
        'closed',
        async () => (await driver.findElements({ css: '[role="dialog"]' })).length === 0,
      );
    }
    expect(await count()).toBe(before);
  });

  test('which DI from the end of a path, and an instrument cable refused at the loudspeaker', async () => {
    await page.open(`/rigs/${PIT_BOARD}/path?at=e1`);
    await (await page.findText('a', 'Which DI?')).click();
    await page.findText('h1', 'Which DI?');
    await page.find('article[data-fit="right"]');
    expect(await (await page.find('article[data-fit="wrong"]')).getText()).toContain(
      'loads a source',
    );
    await page.click('nav a[href="/speaker"]');
    await page.findText('p', 'Thick enough');
    await page.typeInto('Length', '60 m');
    await page.findText('p', 'Too thin for its length');
    await page.choose('The cable is', 'an instrument cable');
    await page.findText('div', 'Not an instrument cable');
  });
});

test('a backup goes out of one machine and comes back on a fresh one', async () => {
  const one = await openWorld();
  try {
    await one.page.open('/settings');
    await one.page.watchDownloads();
    await (await one.page.findText('button', 'Back everything up')).click();
    const [backup] = await one.page.eventually('the file', async () => {
      const files = await one.page.downloads();
      return files.length === 1 && files;
    });
    const path = file(backup!.name, backup!.text);
    expect(readFileSync(path, 'utf8')).toContain('gullwind-workspace');

    // Where there is work already it is only put back when told to.
    await (await one.page.find('input[type="file"][aria-label="Restore a backup"]')).sendKeys(path);
    await (await one.page.findText('button', 'Restore it')).click();
    await one.page.findText('div', 'There are rigs or gear here already');
    await (await one.page.findText('button', 'Leave it')).click();
    await fetch(`${one.server.address}api/rigs/${PIT_BOARD}`, { method: 'DELETE' });
    await (await one.page.find('input[type="file"][aria-label="Restore a backup"]')).sendKeys(path);
    await (await one.page.findText('button', 'Restore it')).click();
    await one.page.findText('button', 'Back up what is here first');
    await (await one.page.findText('button', 'Overwrite everything here')).click();
    await one.page.findText('a', 'Pit board');

    const two = await openWorld({ demo: false });
    try {
      await two.page.open('/settings');
      await (
        await two.page.find('input[type="file"][aria-label="Restore a backup"]')
      ).sendKeys(path);
      await two.page.findText('p', 'It holds 3 rigs');
      await (await two.page.findText('button', 'Restore it')).click();
      await two.page.findText('a', 'Pit board');
      await two.page.open(`/rigs/${PIT_BOARD}/path`);
      expect(await two.page.trebleDb()).toBeCloseTo(-12.81, 2);
    } finally {
      await two.close();
    }
  } finally {
    await one.close();
  }
});

test('five thousand entries: the list is searched and walked through as one of fifty is', async () => {
  const many = await openWorld({ demo: false });
  try {
    const rows = Array.from({ length: 5000 }, (_, i) => `Cable ${i},${(i % 90) + 1}`);
    await many.page.open('/gear');
    await many.page.findText('h2', 'Nothing on the list yet');
    await many.page.drop('many.csv', `name,length\n${rows.join('\n')}\n`);
    await many.page.eventually('all of them', async () =>
      (await many.page.textOf('[data-testid="import-report"]')).includes(
        '5000 entries can come in',
      ),
    );
    await (await many.page.findText('button', 'Add all 5000')).click();
    await many.page.eventually(
      'they are listed',
      async () => (await many.page.textOf('[aria-pressed="true"] span')) === '5000',
    );
    // They are listed before the server has them; keys go to the list when the dialog is gone.
    await many.page.eventually(
      'the dialog is gone',
      async () => (await many.driver.findElements({ css: '[role="dialog"]' })).length === 0,
    );
    await many.page.press('/', 'cable 4999');
    await many.page.eventually(
      'one is left',
      async () => (await many.driver.findElements({ css: '[role="option"]' })).length === 1,
    );
    await many.page.press(Key.ESCAPE, Key.ARROW_DOWN, Key.END);
    await many.page.eventually('the last one', async () =>
      (await many.page.textOf('[role="option"][aria-selected="true"]')).includes('Cable 4999'),
    );
    // Only those in sight are drawn.
    expect((await many.driver.findElements({ css: '[role="option"]' })).length).toBeLessThan(60);
  } finally {
    await many.close();
  }
});
