import { spawn } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, relative, sep } from 'node:path';
import { ensurePackages, inProject, ROOT } from './lib/project.mjs';
import { findMutants, sampleMutants } from './lib/mutants.mjs';

/**
 * Breaks the code on purpose, one small thing at a time, and sees whether the tests notice: a seeded sample of
 * mutations in core, contract and server. First the tests of the folder that a mutation lies in are asked, then
 * all of its workspace. Prints what nobody noticed; at least 85 % have to be caught, and what is listed as
 * equivalent (with its reason) does not count.
 *
 *   npm run mutate -- [--count 200] [--seed 1] [--only core/src/rig]
 */
const option = (name, usual) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : process.argv[at + 1];
};
const COUNT = Number(option('count', 200));
const SEED = Number(option('seed', 1));
const ONLY = option('only', '');
const LEAST_CAUGHT = 0.85;
const MOST_MS = 300_000;
const AT_ONCE = availableParallelism();

ensurePackages();
const equivalent = JSON.parse(readFileSync(inProject('scripts/equivalentMutants.json'), 'utf8'));
const isEquivalent = ({ file, before, after, text }) =>
  equivalent.some(
    (one) =>
      one.file === file && one.before === before && one.after === after && text.includes(one.in),
  );

const NOT_COPIED = new Set(['node_modules', 'dist', '.git']);

/** The project beside itself, so that nobody edits what is being broken: its packages are the same, its workspaces the copies. */
function copyOfProject() {
  const copy = mkdtempSync(join(tmpdir(), 'gullwind-mutate-'));
  cpSync(ROOT, copy, {
    recursive: true,
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
    { cwd: folder, stdio: 'ignore', detached: true },
  );
  running.add(child);
  const timer = setTimeout(() => end(child), MOST_MS);
  return new Promise((resolve) => {
    child.on('exit', (code) => {
      clearTimeout(timer);
      end(child);
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
  return [...own.map((pattern) => [workspace, [pattern]]), [workspace, []], ...files, ...keeper];
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

const sample = sampleMutants(findMutants(ROOT, ONLY), COUNT, SEED);
const counted = sample.filter((mutant) => !isEquivalent(mutant));
const survivors = [];
let looked = 0;

/** Breaks one after the other of those that nobody has broken yet. */
async function work(folder, rest) {
  for (let mutant = rest.shift(); mutant; mutant = rest.shift()) {
    const where = `${mutant.file}:${mutant.line}: ${mutant.before} → ${mutant.after}`;
    const caught = await isCaught(folder, mutant);
    if (!caught) survivors.push({ where, text: mutant.text });
    console.log(`${++looked}/${counted.length} ${caught ? 'caught  ' : 'SURVIVED'} ${where}`);
  }
}

const folders = Array.from({ length: AT_ONCE }, copyOfProject);
try {
  for (const project of ['core', 'contract', 'server'])
    if (!(await pass(folders[0], project, [])))
      throw new Error(`The tests of ${project} fail as they are.`);
  const rest = [...counted];
  await Promise.all(folders.map((folder) => work(folder, rest)));
} finally {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
}

console.log('\nNobody noticed:');
for (const { where, text } of survivors) console.log(`  ${where}\n    ${text}`);
const caught = counted.length - survivors.length;
console.log(
  `\n${caught} of ${counted.length} caught (${((100 * caught) / counted.length).toFixed(0)} %), ${sample.length - counted.length} equivalent, seed ${SEED}`,
);
process.exit(caught / counted.length >= LEAST_CAUGHT ? 0 : 1);
