import { spawnSync } from 'node:child_process';
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
import { tmpdir } from 'node:os';
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

ensurePackages();
const equivalent = JSON.parse(readFileSync(inProject('scripts/equivalentMutants.json'), 'utf8'));
const isEquivalent = ({ file, before, after, text }) =>
  equivalent.some(
    (one) =>
      one.file === file && one.before === before && one.after === after && text.includes(one.in),
  );

const NOT_COPIED = new Set(['node_modules', 'dist', '.git']);
const folder = copyOfProject();

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

/** True where all of these tests pass. */
function pass(project, patterns) {
  const { status } = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      join(folder, 'node_modules/jest/bin/jest.js'),
      '--selectProjects',
      project,
      '--maxWorkers=2',
      '--bail',
      '--forceExit',
      '--passWithNoTests',
      ...patterns,
    ],
    { cwd: folder, stdio: 'ignore', timeout: MOST_MS },
  );
  return status === 0;
}

/** Who is asked, the nearest first. */
function askedOf(file) {
  const [workspace, , part] = file.split('/');
  const own = workspace === 'core' ? [`core/test/${part.replace(/\.ts$/u, '')}/`] : [];
  // Older formats are held against whole files where those are read.
  const files = file.startsWith('core/src/rig/upgrades/') ? [['contract', ['upgrade']]] : [];
  return [...own.map((pattern) => [workspace, [pattern]]), [workspace, []], ...files];
}

function isCaught(mutant) {
  const path = join(folder, mutant.file);
  const original = readFileSync(path, 'utf8');
  writeFileSync(path, mutant.mutated);
  try {
    return askedOf(mutant.file).some(([project, patterns]) => !pass(project, patterns));
  } finally {
    writeFileSync(path, original);
  }
}

const sample = sampleMutants(findMutants(ROOT, ONLY), COUNT, SEED);
const survivors = [];
let counted = 0;
let equivalents = 0;
try {
  for (const project of ['core', 'contract', 'server'])
    if (!pass(project, [])) throw new Error(`The tests of ${project} fail as they are.`);
  for (const [i, mutant] of sample.entries()) {
    const where = `${mutant.file}:${mutant.line}: ${mutant.before} → ${mutant.after}`;
    if (isEquivalent(mutant)) {
      equivalents++;
      continue;
    }
    counted++;
    const caught = isCaught(mutant);
    if (!caught) survivors.push({ where, text: mutant.text });
    console.log(`${i + 1}/${sample.length} ${caught ? 'caught  ' : 'SURVIVED'} ${where}`);
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}

console.log('\nNobody noticed:');
for (const { where, text } of survivors) console.log(`  ${where}\n    ${text}`);
const caught = counted - survivors.length;
console.log(
  `\n${caught} of ${counted} caught (${((100 * caught) / counted).toFixed(0)} %), ${equivalents} equivalent, seed ${SEED}`,
);
process.exit(caught / counted >= LEAST_CAUGHT ? 0 : 1);
