import MiniSearch from 'minisearch';

/// What the pages of the guide are, and a search through them.

/** In the order of the job; what is not in it comes after. */
export const ORDER = [
  'rigs',
  'brief',
  'path',
  'plans',
  'board',
  'power',
  'build',
  'bench',
  'listen',
  'trace',
  'book',
  'gear',
  'measure',
  'which-di',
  'speaker',
  'settings',
  'glossary',
] as const;
export type GuideName = (typeof ORDER)[number];

export interface GuideText {
  readonly name: GuideName;
  readonly title: string;
  readonly text: string;
}

export const isGuideName = (name: string): name is GuideName =>
  (ORDER as readonly string[]).includes(name);

export const titleOf = (text: string): string | undefined => /^# (.+)$/mu.exec(text)?.[1];

/** What is between headings, without the marks of Markdown. */
const plain = (text: string): string =>
  text
    .replace(/!\[[^\]]*\]\([^)]*\)/gu, '')
    .replace(/\[([^\]]*)\]\([^)]*\)/gu, '$1')
    .replace(/[*#_`]/gu, '');

export interface GuideFound {
  readonly name: GuideName;
  readonly title: string;
  /** Around the first word that was found. */
  readonly around: string;
}

/** Looks for words, also begun or misspelt ones, the best page first. */
export function searcherOf(pages: readonly GuideText[]): (words: string) => readonly GuideFound[] {
  const index = new MiniSearch<GuideText>({
    idField: 'name',
    fields: ['title', 'text'],
    searchOptions: { prefix: true, fuzzy: 0.2, boost: { title: 3 }, combineWith: 'AND' },
  });
  index.addAll(pages.map((page) => ({ ...page, text: plain(page.text) })));
  const byName = new Map(pages.map((page) => [page.name, page]));
  return (words) =>
    index.search(words).map(({ id, terms }) => {
      const { name, title, text } = byName.get(id as GuideName)!;
      return { name, title, around: aroundOf(plain(text), terms) };
    });
}

const BEFORE = 50;
const SHOWN = 150;

function aroundOf(text: string, terms: readonly string[]): string {
  const words = text.replaceAll(/\s+/gu, ' ').trim();
  const at = Math.max(0, ...terms.map((term) => words.toLowerCase().indexOf(term)));
  const from = Math.max(0, at - BEFORE);
  return `${from > 0 ? '… ' : ''}${words.slice(from, from + SHOWN).trim()} …`;
}
