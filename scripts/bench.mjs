import { ensureBrowser } from './lib/browserInstall.mjs';
import { ensureBuilt, ensurePackages, run } from './lib/project.mjs';

/**
 * Prints the figures of bench/; nothing is asserted, read the ratios. With "--smallest" each runs once, to see that it
 * still does.
 */
const isSmallest = process.argv.includes('--smallest');
if (isSmallest) process.env.GULLWIND_BENCH = 'smallest';
ensurePackages();
ensureBrowser();
ensureBuilt();
for (const file of [
  'bench/core.ts',
  'bench/plans.ts',
  'bench/board.ts',
  'bench/power.ts',
  'bench/boardAsked.ts',
  'bench/page.ts',
  'bench/gear.ts',
  'bench/kept.ts',
  'bench/diagnosis.ts',
  'bench/trace.ts',
  'bench/jobs.ts',
  'bench/meanwhile.ts',
  'bench/sound.ts',
])
  run(process.execPath, ['--import', 'tsx', file]);
