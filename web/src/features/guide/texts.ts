import { ORDER, titleOf, type GuideName, type GuideText } from './model/search';

/// The pages of docs/guide, as they are shipped with the application: texts and pictures are asked for when they are wanted.

const PAGES = import.meta.glob<string>('../../../../docs/guide/*.md', {
  query: '?raw',
  import: 'default',
});
const PICTURES = import.meta.glob<string>('../../../../docs/screenshots/*.png', {
  query: '?url',
  import: 'default',
});

const FOLDER = '../../../../docs/guide/';

/** One page as Markdown. */
export const readGuide = async (name: GuideName): Promise<string> =>
  PAGES[`${FOLDER}${name}.md`]!();

/** Where a picture of a page is; null where the application does not ship it. */
export async function pictureAt(path: string): Promise<string | null> {
  const found = PICTURES[`../../../../docs/${path.replace('../', '')}`];
  return found ? found() : null;
}

/** Every page, in the order of the job. */
export const readAll = (): Promise<readonly GuideText[]> =>
  Promise.all(
    ORDER.map(async (name) => {
      const text = await readGuide(name);
      return { name, text, title: titleOf(text) ?? name };
    }),
  );
