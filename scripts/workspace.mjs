import { spawnSync } from 'node:child_process';
import { resolve } from 'node:path';
import { ensureBuilt, ensurePackages, inProject, ROOT } from './lib/project.mjs';

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
// The server says in a sentence what was done, or why not.
const args = [inProject('server/dist/main.js'), command, path, ...rest];
process.exit(spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1);
