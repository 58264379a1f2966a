import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { isTaken, keysOf, STAGES } from '../src/stages';

/// The list of stages is the only place that knows them all; what it says of each must be there.

const at = (path: string) => new URL(`../../${path}`, import.meta.url);
const README = readFileSync(at('README.md'), 'utf8');

test('every stage has an address, a name and a picture of its own, and somebody who goes through it', () => {
  for (const what of ['route', 'label', 'picture'] as const)
    expect(new Set(STAGES.map((stage) => stage[what])).size).toBe(STAGES.length);
  for (const { rail, route, picture, guide, journey } of STAGES) {
    expect(route.includes('/:rigId/')).toBe(rail === 'rig');
    expect(existsSync(at(`docs/screenshots/${picture}.png`))).toBe(true);
    expect(README).toContain(`docs/screenshots/${picture}.png`);
    expect(existsSync(at(`docs/guide/${guide}.md`))).toBe(true);
    expect(existsSync(at(`e2e/journeys/${journey}.e2e.ts`))).toBe(true);
  }
});

test('no key of a stage does two things', () => {
  for (const stage of STAGES) {
    const keys = keysOf(stage).flatMap((group) => group.keys.map(([key]) => key));
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).toContain('?');
  }
});

test('a key that a stage uses itself does nothing else there', () => {
  const trace = STAGES.find(({ route }) => route === '/trace')!;
  expect(isTaken(trace, 'n')).toBe(true);
  const common = keysOf(trace).flatMap(({ keys }) => keys.filter(([key]) => key === 'N'));
  expect(common).toEqual([['N', 'no']]);
  for (const stage of STAGES.filter(({ label }) => !label.startsWith('Trace')))
    expect(isTaken(stage, 'n')).toBe(false);
});

test('fewer than twenty pictures, each linked', () => {
  const pictures = readdirSync(at('docs/screenshots'));
  expect(pictures.length).toBeLessThan(20);
  for (const picture of pictures) expect(README).toContain(`docs/screenshots/${picture}`);
});
