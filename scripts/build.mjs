import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { build as bundle } from 'esbuild';
import { build as buildPage } from 'vite';
import { ensureTemplate, inProject } from './lib/project.mjs';
import { buildServiceWorker } from './lib/serviceWorker.mjs';

const { version } = JSON.parse(readFileSync(inProject('package.json'), 'utf8'));
const commit = spawnSync('git', ['rev-parse', '--short', 'HEAD'], {
  cwd: inProject('.'),
  encoding: 'utf8',
});

/** The page, the server and the simulated instruments as one file each beside their packages, and the template of an empty database. */
await bundle({
  entryPoints: {
    main: inProject('server/src/main.ts'),
    simulated: inProject('server/src/instruments/simulated/main.ts'),
  },
  outdir: inProject('server/dist'),
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  alias: {
    '@gullwind/core': inProject('core/src/index.ts'),
    '@gullwind/contract': inProject('contract/src/index.ts'),
  },
  define: {
    GULLWIND_VERSION: JSON.stringify(version),
    GULLWIND_COMMIT: JSON.stringify(commit.status === 0 ? commit.stdout.trim() : ''),
  },
  sourcemap: true,
  logLevel: 'warning',
});
await buildPage({ configFile: inProject('web/vite.config.ts'), logLevel: 'warn' });
await buildServiceWorker();
ensureTemplate();
