import { existsSync } from 'node:fs';
import { build as bundle } from 'esbuild';
import { build as buildPage } from 'vite';
import { inProject, run } from './lib/project.mjs';
import { buildServiceWorker } from './lib/serviceWorker.mjs';

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
  sourcemap: true,
  logLevel: 'warning',
});
await buildPage({ configFile: inProject('web/vite.config.ts'), logLevel: 'warn' });
await buildServiceWorker();
if (!existsSync(inProject('.cache/pglite-template.tar.gz'))) {
  run(process.execPath, ['scripts/buildTemplate.mjs']);
}
