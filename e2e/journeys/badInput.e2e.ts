import { Key, type WebDriver } from 'selenium-webdriver';
import { stopMotion } from '../src/browser';
import { PIT_BOARD, type Page } from '../src/page';
import { openWorld, type World } from '../src/world';

/// What cannot be taken is said where it was typed, and changes nothing.

let world: World;
let driver: WebDriver;
let page: Page;

beforeAll(async () => {
  world = await openWorld();
  ({ driver, page } = world);
  await stopMotion(driver);
});

afterAll(() => world.close());

describe('bad input gets its message in place and changes nothing', () => {
  beforeAll(async () => {
    await page.open(`/rigs/${PIT_BOARD}/path?at=l1`);
  });

  test.each([
    ['-3 m', 'Length', 'Cable length: −3\u00a0m, at least 0\u00a0m.'],
    ['1e99', 'Length', 'Cable length: 1e99, at most 100\u00a0m.'],
    ['abc', 'Length', 'Cable length: “abc” is not a length.'],
    ['5 volts', 'Length', 'Cable length: “volts” is not a unit of length; try m.'],
    ['', 'Length', 'Cable length: “” is not a length.'],
    ['10 nF', 'Each plug', 'Capacitance of a plug: 10\u00a0nF, at most 500\u00a0pF.'],
  ])('%s as %s', async (text, label, message) => {
    const before = await page.trebleDb();
    const input = await page.inputOf(label);
    await input.click();
    await input.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE, text, Key.ENTER);
    await page.findText('span', message);
    expect(await input.getAttribute('aria-invalid')).toBe('true');
    // What was typed is still there to be mended, and nothing has changed.
    expect(await input.getAttribute('value')).toBe(text);
    expect(await page.trebleDb()).toBe(before);
    await input.sendKeys(Key.ESCAPE, Key.ESCAPE);
    await page.eventually(
      'no message',
      async () => (await driver.findElements({ css: '[role="alert"]' })).length === 0,
    );
  });

  test('an empty name', async () => {
    const name = await page.find('input[aria-label="Name of the rig"]');
    await name.click();
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await page.findText('span', 'Name of the rig: it is empty; at least 1 character is needed.');
    await name.sendKeys(Key.TAB);
    expect(await name.getAttribute('value')).toBe('Pit board');
  });

  test('the 65th pedal', async () => {
    const url = `${world.server.address}api/rigs`;
    const { rig } = (await (await fetch(`${url}/${PIT_BOARD}`)).json()) as {
      rig: { nextIds: object; electrical: { rows: { devices: object[]; cables: object[] }[] } };
    };
    const [row] = rig.electrical.rows as [(typeof rig.electrical.rows)[0]];
    const devices = Array.from({ length: 64 }, (_, i) => ({ ...row.devices[4], id: `d${i + 1}` }));
    const cables = Array.from({ length: 65 }, (_, i) => ({ ...row.cables[1], id: `l${i + 1}` }));
    const id = '6a000000-0000-4000-8000-000000000064';
    const made = await fetch(url, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        id,
        rig: {
          ...rig,
          nextIds: { ...rig.nextIds, d: 65, l: 66 },
          electrical: { ...rig.electrical, rows: [{ ...row, devices, cables }] },
        },
      }),
    });
    expect(made.status).toBe(201);
    await page.open(`/rigs/${id}/path`);
    await page.trebleDb();
    await page.press('b');
    await page.findText('div', 'Devices: 65, at most 64.');
    expect(await driver.findElements({ css: '[data-post]' })).toHaveLength(64);
  });
});
