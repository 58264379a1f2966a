import { spawnSync } from 'node:child_process';
import { inProject, ROOT } from './lib/project.mjs';

/**
 * Each workspace's sources with the libraries that it has where it runs, and no others; then everything, tests and
 * scripts included.
 */
const PROJECTS = ['core', 'contract', 'server', 'cli', 'web', '.'];

const failed = PROJECTS.filter((project) => {
  const tsc = inProject('node_modules/@typescript/native/bin/tsc');
  const { status } = spawnSync(process.execPath, [tsc, '--noEmit', '-p', project], {
    cwd: ROOT,
    stdio: 'inherit',
  });
  return status !== 0;
});
if (failed.length > 0) console.error(`Types: ${failed.join(', ')}`);
process.exit(failed.length);
