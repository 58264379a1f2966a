import { spawn } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, relative, sep } from 'node:path';
import { ensureBuilt, ensurePackages, inProject, ROOT } from './lib/project.mjs';
import { findMutants, sampleMutants, WORKSPACES } from './lib/mutants.mjs';

/**
 * Breaks the code on purpose, one small thing at a time, and sees whether the tests notice: a seeded sample of
 * mutations in each workspace (of the page what decides: see lib/mutants.mjs). First the tests of the folder that a
 * mutation lies in are asked, then all that reach it. Prints what nobody noticed; at least 85 % have to be caught in
 * each workspace, and what is listed as equivalent (with its reason) does not count.
 *
 *   npm run mutate -- [--count 60] [--seed 1] [--only core/src/rig]
 */
const option = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : process.argv[at + 1];
};
/** In each workspace. */
const COUNT = Number(option('count', 60));
const SEED = Number(option('seed', 1));
const ONLY = option('only', '');
const LEAST_CAUGHT = 0.85;
/** Before it is known how long the tests take as they are; what then takes longer than twice that hangs. */
const WHOLE_MS = 3_600_000;
let mostMs = WHOLE_MS;
/** To start a test takes its time, however short it is. */
const LEAST_MS = 60_000;
const AT_ONCE = availableParallelism();

ensurePackages();
ensureBuilt();
const equivalent = JSON.parse(readFileSync(inProject('scripts/equivalentMutants.json'), 'utf8'));
const isEquivalent = ({ file, before, after, text }) =>
  equivalent.some(
    (one) =>
      one.file === file && one.before === before && one.after === after && text.includes(one.in),
  );

const NOT_COPIED = new Set(['node_modules', 'dist', '.git', 'jest']);

/** The project beside itself, so that nobody edits what is being broken: its packages are the same, its workspaces the copies. */
function copyOfProject() {
  const copy = mkdtempSync(join(tmpdir(), 'gullwind-mutate-'));
  cpSync(ROOT, copy, {
    recursive: true,
    // Packages are taken for older than the list of them where that is newer.
    preserveTimestamps: true,
    filter: (path) =>
      !relative(ROOT, path)
        .split(sep)
        .some((part) => NOT_COPIED.has(part)),
  });
  const packages = join(copy, 'node_modules');
  mkdirSync(packages);
  for (const name of readdirSync(inProject('node_modules')))
    if (name !== '@gullwind') symlinkSync(inProject('node_modules', name), join(packages, name));
  mkdirSync(join(packages, '@gullwind'));
  for (const name of readdirSync(inProject('node_modules/@gullwind')))
    symlinkSync(join(copy, name), join(packages, '@gullwind', name));
  // What was built runs as it was: a server of its own process is asked what is not broken in it. It is newer than whatever
  // is broken, or a test that starts the demo would build that.
  const tomorrow = Date.now() / 1000 + 86_400;
  for (const [built, first] of [
    ['server/dist', 'main.js'],
    ['web/dist', 'index.html'],
  ]) {
    cpSync(inProject(built), join(copy, built), { recursive: true });
    utimesSync(join(copy, built, first), tomorrow, tomorrow);
  }
  return copy;
}

/** What runs now, so that nothing of it is left over. */
const running = new Set();
const end = (child) => {
  running.delete(child);
  try {
    process.kill(-child.pid, 'SIGKILL');
  } catch {
    // All of it has ended by itself.
  }
};
process.on('exit', () => running.forEach(end));
process.on('SIGINT', () => process.exit(130));

/** True where all of these tests pass, in one process: each mutation has a core to itself. */
function pass(folder, project, patterns) {
  const scratch = join(folder, '.cache/scratch');
  mkdirSync(scratch, { recursive: true });
  const child = spawn(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      join(folder, 'node_modules/jest/bin/jest.js'),
      '--selectProjects',
      project,
      '--runInBand',
      '--bail',
      '--forceExit',
      '--passWithNoTests',
      ...patterns,
    ],
    { cwd: folder, stdio: 'ignore', detached: true, env: { ...process.env, TMPDIR: scratch } },
  );
  running.add(child);
  const timer = setTimeout(() => end(child), mostMs);
  return new Promise((resolve) => {
    child.on('exit', (code) => {
      clearTimeout(timer);
      end(child);
      rmSync(scratch, { recursive: true, force: true });
      resolve(code === 0);
    });
  });
}

/** Who is asked, the nearest first. */
function askedOf(file) {
  const [workspace, , part] = file.split('/');
  const own = workspace === 'core' ? [`core/test/${part.replace(/\.ts$/u, '')}/`] : [];
  // Older formats are held against whole files where those are read, and the contract against the server that keeps it.
  const files = file.startsWith('core/src/rig/upgrades/') ? [['contract', ['upgrade']]] : [];
  const keeper = workspace === 'contract' ? [['server', []]] : [];
  const reached = ['web', 'server', 'cli'].includes(workspace) ? ['--findRelatedTests', file] : [];
  return [
    ...own.map((pattern) => [workspace, [pattern]]),
    [workspace, reached],
    ...files,
    ...keeper,
  ];
}

async function isCaught(folder, { file, mutated }) {
  const path = join(folder, file);
  const original = readFileSync(path, 'utf8');
  writeFileSync(path, mutated);
  try {
    for (const [project, patterns] of askedOf(file))
      if (!(await pass(folder, project, patterns))) return true;
    return false;
  } finally {
    writeFileSync(path, original);
  }
}

const mutants = findMutants(ROOT, ONLY);

/** Breaks a sample of one workspace; nobody else uses the copies meanwhile. */
async function breakWorkspace(workspace, folders) {
  const all = mutants.filter(({ file }) => file.startsWith(`${workspace}/`));
  if (all.length === 0) return true;
  const began = performance.now();
  mostMs = WHOLE_MS;
  if (!(await pass(folders[0], workspace, [])))
    throw new Error(`The tests of ${workspace} fail as they are.`);
  mostMs = Math.max(LEAST_MS, 2 * (performance.now() - began));
  const sample = sampleMutants(all, COUNT, SEED);
  const rest = sample.filter((mutant) => !isEquivalent(mutant));
  const [count, survivors] = [rest.length, []];
  let looked = 0;
  const work = async (folder) => {
    for (let mutant = rest.shift(); mutant; mutant = rest.shift()) {
      const where = `${mutant.file}:${mutant.line}: ${mutant.before} → ${mutant.after}`;
      const caught = await isCaught(folder, mutant);
      if (!caught) survivors.push({ where, text: mutant.text });
      console.log(`${++looked}/${count} ${caught ? 'caught  ' : 'SURVIVED'} ${where}`);
    }
  };
  await Promise.all(folders.map(work));
  if (survivors.length > 0) console.log('\nNobody noticed:');
  for (const { where, text } of survivors) console.log(`  ${where}\n    ${text}`);
  const share = (count - survivors.length) / count;
  console.log(
    `\n${workspace}: ${count - survivors.length} of ${count} caught (${(100 * share).toFixed(0)} %), ${sample.length - count} equivalent, seed ${SEED}\n`,
  );
  return share >= LEAST_CAUGHT;
}

const folders = Array.from({ length: AT_ONCE }, copyOfProject);
let isEnough = true;
try {
  for (const workspace of WORKSPACES)
    isEnough = (await breakWorkspace(workspace, folders)) && isEnough;
} finally {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
}
process.exit(isEnough ? 0 : 1);
