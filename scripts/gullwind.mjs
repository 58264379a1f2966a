import { spawnSync } from 'node:child_process';
import { ensurePackages, inProject } from './lib/project.mjs';

/** `npm run gullwind -- COMMAND FILE`: figures, curves, states, plans and netlists of a rig file, from the core. */
ensurePackages();
const { status } = spawnSync(
  process.execPath,
  ['--import', import.meta.resolve('tsx'), inProject('cli/src/main.ts'), ...process.argv.slice(2)],
  { cwd: process.env.INIT_CWD ?? process.cwd(), stdio: 'inherit' },
);
process.exit(status ?? 1);
