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
  // In a group of its own: what is said to this process by terminal or signal is passed on, and once.
  { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], env, detached: true },
);
/** The terminal and npm both tell of one Ctrl-C; the server, asked twice, does not wait for anything. */
const SAME_ASKING_MS = 1000;
let askedAt = -Infinity;
const askToStop = () => {
  if (performance.now() - askedAt < SAME_ASKING_MS) return;
  askedAt = performance.now();
  server.kill('SIGTERM');
};
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, askToStop);
followNpm(askToStop);
server.on('exit', (code) => {
  for (const { child } of simulated) child.kill();
  process.exit(code ?? 1);
});
