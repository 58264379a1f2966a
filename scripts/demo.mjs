import { spawn } from 'node:child_process';
import { startSimulated } from './lib/simulated.mjs';
import { followNpm } from './lib/followNpm.mjs';
import { ensureBuilt, ensurePackages, inProject, ROOT } from './lib/project.mjs';

/**
 * Installs and builds what is missing, then runs the server: with the demo data and simulated
 * instruments, or without them after `--empty`. Everything else (`--port`, `--data`, `--host`) is the server's.
 */
const args = process.argv.slice(2);
const empty = args.includes('--empty');
const passed = args.filter((arg) => arg !== '--empty');

ensurePackages();
ensureBuilt();

/** What starts here ends with this process. */
const env = { ...process.env, GULLWIND_STARTER: String(process.pid) };
/** Where there are no instruments of one's own: simulated ones, each a process, on loopback ports. */
const simulated = empty
  ? []
  : await Promise.all(
      ['meter', 'sweep']
        .filter((kind) => !args.includes(`--${kind}`))
        .map((kind) => startSimulated(kind, env)),
    );

const server = spawn(
  process.execPath,
  [
    inProject('server/dist/main.js'),
    ...(empty ? [] : ['--demo']),
    ...simulated.flatMap(({ kind, address }) => [`--${kind}`, address]),
    ...passed,
  ],
  { cwd: ROOT, stdio: 'inherit', env },
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
server.on('exit', (code) => {
  for (const { child } of simulated) child.kill();
  process.exit(code ?? 1);
});
