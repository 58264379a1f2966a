// eslint-disable-next-line no-restricted-imports -- a file of a package, not of a feature
import sansUrl from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url';

// eslint-disable-next-line no-restricted-imports -- a file of a package, not of a feature
import italicUrl from '@fontsource/source-serif-4/files/source-serif-4-latin-400-italic.woff?url';

const fileAt = async (url: string): Promise<Uint8Array> =>
  new Uint8Array(await (await fetch(url)).arrayBuffer());

/** The face of the interface as a file that can be put into other files. */
export const readPrintFont = (): Promise<Uint8Array> => fileAt(sansUrl);

/** The face of soundings and titles. */
export const readItalicFont = (): Promise<Uint8Array> => fileAt(italicUrl);
