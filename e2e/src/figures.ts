import { analyseRig, formatSignedDb, type Rig, type SoundingAnalysis } from '@gullwind/core';
import type { Page } from './page';

/** Every figure of the page by its name, as it is written there. */
async function figuresOnPage({ driver }: Page): Promise<Readonly<Record<string, string>>> {
  return driver.executeScript<Record<string, string>>(`
    const list = document.querySelector('[aria-label="Figures against straight in"] dl');
    const values = [...list.querySelectorAll('dd')].map((dd) => dd.textContent);
    return Object.fromEntries([...list.querySelectorAll('dt')].map((dt, i) => [dt.textContent, values[i]]));`);
}

/** The rig that is open, as the server has it. */
export async function savedRig(page: Page): Promise<Rig> {
  await page.saved();
  const [, id] = /rigs\/([^/]+)/u.exec(await page.driver.getCurrentUrl())!;
  const answer = await fetch(`${page.address}api/rigs/${id}`);
  return ((await answer.json()) as { rig: Rig }).rig;
}

/** Waits until the page shows the figures that the core finds for the saved rig, and returns the analysis. */
export async function expectFigures(page: Page, rowId?: string): Promise<SoundingAnalysis> {
  const analysis = analyseRig(await savedRig(page), undefined, rowId);
  if (analysis.kind !== 'sounding') throw new Error(`the rig is ${analysis.kind}`);
  const { figures, resonance, corner } = analysis;
  const wanted = {
    'Treble, 2–8 kHz': `${formatSignedDb(figures.trebleDb, 2)} dB`,
    '2–4 kHz': `${formatSignedDb(figures.trebleLowDb, 2)} dB`,
    '4–8 kHz': `${formatSignedDb(figures.trebleHighDb, 2)} dB`,
    'Level, 400 Hz': `${formatSignedDb(figures.levelDb, 2)} dB`,
    'Air, 8–16 kHz': `${formatSignedDb(figures.airDb)} dB`,
    'Bottom, 40–160 Hz': `${formatSignedDb(figures.bottomDb)} dB`,
    Distance: `${figures.distanceDb.toFixed(2)} dB`,
    Resonance:
      resonance.kind === 'resonance'
        ? expect.stringContaining(`${(resonance.frequencyHz / 1000).toFixed(2)} kHz`)
        : 'none',
    'Corner, −3 dB':
      corner.kind === 'beyondGrid' ? '> 20 kHz' : `${(corner.frequencyHz / 1000).toFixed(2)} kHz`,
  };
  await page.eventually(
    `treble ${wanted['Treble, 2–8 kHz']}`,
    async () => (await figuresOnPage(page))['Treble, 2–8 kHz'] === wanted['Treble, 2–8 kHz'],
  );
  expect(await figuresOnPage(page)).toMatchObject(wanted);
  return analysis;
}
