import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The project's folder. */
export const ROOT = fileURLToPath(new URL('../../', import.meta.url));
export const inProject = (...path) => join(ROOT, ...path);

const LEAST_NODE = [20, 19];

/** Runs a command in the project with its output shown; ends this process when it fails. */
export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (status !== 0) {
    console.error(`“${command} ${args.join(' ')}” failed.`);
    process.exit(status ?? 1);
  }
}

function demandNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return;
  console.error(
    `Gullwind needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}.`,
  );
  process.exit(1);
}

/** npm packages as the lockfile says, where they are missing or older than it. */
export function ensurePackages() {
  demandNode();
  const installed = inProject('node_modules', '.package-lock.json');
  const fresh =
    existsSync(installed) &&
    statSync(installed).mtimeMs >= statSync(inProject('package-lock.json')).mtimeMs;
  if (fresh) return;
  console.log('Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund']);
}

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'web/src',
  'web/public',
  'web/index.html',
  'web/vite.config.ts',
  'scripts/build.mjs',
  'package-lock.json',
];

function newestUnder(path) {
  const { mtimeMs } = statSync(path);
  if (!statSync(path).isDirectory()) return mtimeMs;
  return readdirSync(path).reduce(
    (newest, name) => Math.max(newest, newestUnder(join(path, name))),
    mtimeMs,
  );
}

/** The template of an empty database, made anew where it is older than what it is made of. */
export function ensureTemplate() {
  const made = inProject('.cache/pglite-template');
  if (existsSync(made) && statSync(made).mtimeMs >= newestUnder(inProject('server/src/db'))) return;
  run(process.execPath, ['--import', 'tsx', 'scripts/buildTemplate.ts']);
}

/** Builds what is missing or older than its sources. */
export function ensureBuilt() {
  const built = [inProject('server/dist/main.js'), inProject('web/dist/index.html')];
  const newest = Math.max(...SOURCES.map((path) => newestUnder(inProject(path))));
  if (built.every((path) => existsSync(path) && statSync(path).mtimeMs >= newest)) return;
  console.log('Building …');
  run(process.execPath, ['scripts/build.mjs']);
}
