import { resolve } from 'node:path';
import { ensureBuilt, ensurePackages, inProject, run } from './lib/project.mjs';

/**
 * `npm run backup -- FILE` writes everything to a file; `npm run restore -- FILE` brings it back, over what
 * is there only with `--overwrite`. `--data` and DATABASE_URL choose where, as for the server.
 */
const [command, file, ...rest] = process.argv.slice(2);
if (!file || file.startsWith('--')) {
  console.error(`npm run ${command} -- FILE: name the file first.`);
  process.exit(1);
}
ensurePackages();
ensureBuilt();
const path = resolve(process.env.INIT_CWD ?? process.cwd(), file);
run(process.execPath, [inProject('server/dist/main.js'), command, path, ...rest]);
