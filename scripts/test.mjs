import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBrowser, ensureSimulator } from './lib/browserInstall.mjs';
import { ensureBuilt, ensurePackages, inProject, ROOT } from './lib/project.mjs';

/**
 * Installs what is missing and runs every check; the last line counts all of them. A check that is
 * not a test suite (types, lint, format, unused code) counts as one.
 */
ensurePackages();
ensureBrowser();
ensureSimulator();
ensureBuilt();
if (!existsSync(inProject('.cache'))) mkdirSync(inProject('.cache'));

/** What tests leave behind, such as stores and profiles of browsers, goes with them. */
const scratch = mkdtempSync(join(tmpdir(), 'gullwind-tests-'));
// A server of a user of its own finds its way to what is its.
chmodSync(scratch, 0o755);
process.env.TMPDIR = scratch;
process.on('exit', () => rmSync(scratch, { recursive: true, force: true }));
process.on('SIGINT', () => process.exit(130));
process.on('SIGTERM', () => process.exit(143));

const total = { passed: 0, failed: 0 };

/** Checks that do not wait for each other; what each says is printed when it ends. */
async function checks(all) {
  await Promise.all(
    all.map(
      ([name, args]) =>
        new Promise((resolve) => {
          const child = spawn(process.execPath, args, {
            cwd: ROOT,
            stdio: ['ignore', 'pipe', 'pipe'],
          });
          let said = '';
          child.stdout.on('data', (data) => (said += data));
          child.stderr.on('data', (data) => (said += data));
          child.on('close', (status) => {
            console.log(`\n— ${name}\n${said.trimEnd()}`);
            total[status === 0 ? 'passed' : 'failed'] += 1;
            resolve();
          });
        }),
    ),
  );
}

function suite(name, args) {
  console.log(`\n— ${name}`);
  const report = inProject('.cache', `jest-${name.replaceAll(' ', '-')}.json`);
  rmSync(report, { force: true });
  const { status } = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      inProject('node_modules/jest/bin/jest.js'),
      ...args,
      '--forceExit',
      '--json',
      `--outputFile=${report}`,
    ],
    { cwd: ROOT, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  if (!existsSync(report)) {
    total.failed += 1;
    return;
  }
  const result = JSON.parse(readFileSync(report, 'utf8'));
  total.passed += result.numPassedTests;
  total.failed += result.numFailedTests + result.numRuntimeErrorTestSuites;
  if (status !== 0 && result.numFailedTests + result.numRuntimeErrorTestSuites === 0)
    total.failed += 1;
}

await checks([
  ['types', ['scripts/typecheck.mjs']],
  ['rooms', ['scripts/checkRooms.mjs']],
  ['lint', ['node_modules/eslint/bin/eslint.js', '.']],
  ['format', ['node_modules/prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.']],
  ['unused code', ['node_modules/knip/bin/knip.js']],
  ['benches, each in its smallest form', ['scripts/bench.mjs', '--smallest']],
]);
suite('unit', [
  '--selectProjects',
  'core',
  'contract',
  'server',
  'cli',
  'web',
  '--maxWorkers',
  '2',
]);
suite('browser', ['--selectProjects', 'e2e', '--maxWorkers', '2']);

console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
