// eslint-disable-next-line no-restricted-imports -- a file of a package, not of a feature
import url from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff?url';

/** The face of the interface as a file that can be put into other files. */
export const readPrintFont = async (): Promise<Uint8Array> =>
  new Uint8Array(await (await fetch(url)).arrayBuffer());
