import { readFileSync } from 'node:fs';

/// Which Gullwind this is: written into the server when it is built.

declare const GULLWIND_VERSION: string | undefined;
declare const GULLWIND_COMMIT: string | undefined;

const ofSources = (): string => {
  const text = readFileSync(new URL('../package.json', import.meta.url), 'utf8');
  return (JSON.parse(text) as { readonly version: string }).version;
};

export const VERSION: string =
  typeof GULLWIND_VERSION === 'string' ? GULLWIND_VERSION : ofSources();

/** Short; empty where it was not built from a repository. */
export const COMMIT: string = typeof GULLWIND_COMMIT === 'string' ? GULLWIND_COMMIT : '';
