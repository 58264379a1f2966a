import { ensureBuilt, ensurePackages, inProject, run } from './lib/project.mjs';

/**
 * `npm run attack -- [REQUESTS [KILLS [SEED]]]`: hostile requests and kills against the built server on both engines,
 * 10,000 and 200 where nothing is said. Prints its counts, and ends with 1 where anything was found.
 */
ensurePackages();
ensureBuilt();
run(process.execPath, [
  '--import',
  'tsx',
  inProject('scripts/attack.ts'),
  ...process.argv.slice(2),
]);
