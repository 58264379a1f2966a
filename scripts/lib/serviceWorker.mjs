import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { build as bundle } from 'esbuild';
import { inProject } from './project.mjs';

/** Every file of the built page that a browser that has service workers would ask for. */
function pageFiles() {
  const folder = inProject('web/dist');
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.(js|css|html|svg|woff2)$/u.test(entry.name))
    .map((entry) => `${entry.parentPath}/${entry.name}`)
    .filter((path) => !path.endsWith('serviceWorker.js'))
    .map((path) => {
      const url = path.slice(folder.length);
      // What lies among the assets has its content in its name.
      const revision = url.startsWith('/assets/')
        ? null
        : createHash('sha256').update(readFileSync(path)).digest('hex').slice(0, 16);
      return { url, revision };
    });
}

/** The service worker, with the list of what it keeps. */
export const buildServiceWorker = () =>
  bundle({
    entryPoints: [inProject('web/src/serviceWorker.ts')],
    outfile: inProject('web/dist/serviceWorker.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: {
      PAGE_FILES: JSON.stringify(pageFiles()),
      'process.env.NODE_ENV': '"production"',
    },
    alias: {
      '@gullwind/core': inProject('core/src/index.ts'),
      '@gullwind/contract': inProject('contract/src/index.ts'),
    },
    logLevel: 'warning',
  });
