import { spawn } from 'node:child_process';
import { followNpm } from './lib/followNpm.mjs';
import { ensureBuilt, ensurePackages, inProject, ROOT } from './lib/project.mjs';

/**
 * Installs and builds what is missing, then runs the server: with the demo data, or without it after
 * `--empty`. Everything else (`--port`, `--data`, `--host`) is the server's.
 */
const args = process.argv.slice(2);
const empty = args.includes('--empty');
const passed = args.filter((arg) => arg !== '--empty');

ensurePackages();
ensureBuilt();

const server = spawn(
  process.execPath,
  [inProject('server/dist/main.js'), ...(empty ? [] : ['--demo']), ...passed],
  {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, GULLWIND_STARTER: String(process.pid) },
  },
);
// Ctrl-C reaches the server as well; this process only waits for it to close its database.
// It is asked once: asked twice it does not wait for anything.
let isAsked = false;
const askToStop = () => {
  if (!isAsked) server.kill('SIGTERM');
  isAsked = true;
};
process.on('SIGINT', () => (isAsked = true));
for (const signal of ['SIGTERM', 'SIGHUP']) process.on(signal, askToStop);
followNpm(askToStop);
server.on('exit', (code) => process.exit(code ?? 1));
