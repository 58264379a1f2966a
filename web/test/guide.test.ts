import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { ORDER, searcherOf, titleOf } from '../src/features/guide/model/search';
import { STAGES } from '../src/stages';

/// The guide: a page a stage, with its picture, its cautions and what the model does not know; and a search that finds it.

const at = (path: string) => new URL(`../../docs/${path}`, import.meta.url);
const read = (name: string) => readFileSync(at(`guide/${name}.md`), 'utf8');
const PAGES = ORDER.map((name) => ({ name, text: read(name), title: titleOf(read(name))! }));

test('every page of the folder is in the order of the job, and in its contents', () => {
  const files = readdirSync(at('guide')).map((file) => file.replace('.md', ''));
  expect(files.filter((name) => name !== 'README').sort()).toEqual([...ORDER].sort());
  for (const name of ORDER) expect(read('README')).toContain(`(${name}.md)`);
});

test.each(
  STAGES.filter(({ rail }) => rail !== 'none').map((stage) => [stage.label, stage] as const),
)('the page of %s shows it as it is, and says what to do', (_, { guide, picture, rail }) => {
  const text = read(guide);
  expect(text).toContain(`(../screenshots/${picture}.png)`);
  expect(text).toContain('## What to do');
  if (rail === 'rig') expect(text).toContain('## What the model does not know');
});

test('every link and every picture leads somewhere', () => {
  for (const { name, text } of PAGES)
    for (const [, path] of text.matchAll(/\]\(([^)]+)\)/gu))
      expect([name, path, existsSync(at(`guide/${path}`))]).toEqual([name, path, true]);
});

test('words are found begun and misspelt, the page about them first', () => {
  const find = searcherOf(PAGES);
  expect(find('soldering')[0]!.name).toBe('build');
  expect(find('polarty')[0]!.name).toBe('power');
  expect(find('cue sheet')[0]).toMatchObject({ name: 'book' });
  expect(find('handov').map(({ name }) => name)).toContain('book');
  expect(find('zeppelin')).toEqual([]);
  for (const { around } of find('amp')) expect(around.length).toBeLessThan(170);
});

test('where work can hurt, the page says so', () => {
  for (const [name, word] of [
    ['build', 'fumes'],
    ['power', 'safety earth'],
    ['speaker', 'Never an instrument cable'],
    ['trace', 'lethal'],
    ['listen', 'Your ears'],
    ['board', 'eyes covered'],
  ] as const)
    expect(read(name).replaceAll(/\s+/gu, ' ')).toContain(word);
});
