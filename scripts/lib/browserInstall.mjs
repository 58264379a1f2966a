import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const NEEDED = ['/usr/bin/chromium', '/usr/bin/chromedriver'];
const SIMULATOR = '/usr/bin/ngspice';

/** Runs apt-get, as root or by sudo without a password; false where that does not work. */
function apt(...args) {
  const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  const [command, ...rest] = [...sudo, 'apt-get', ...args];
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  return spawnSync(command, rest, { stdio: 'inherit', env }).status === 0;
}

const install = (...packages) =>
  apt('update') && apt('install', '-y', '--no-install-recommends', ...packages);

/** Debian's Chromium and ChromeDriver, installed by apt where they are missing and apt may be used. */
export function ensureBrowser() {
  if (NEEDED.every(existsSync)) return;
  console.log('Installing Chromium and ChromeDriver …');
  if (install('chromium', 'chromium-driver') && NEEDED.every(existsSync)) return;
  console.error(
    `The browser tests need ${NEEDED.join(' and ')}, which could not be installed here. On Debian: apt-get install chromium chromium-driver (as root).`,
  );
  process.exit(1);
}

/** Debian's circuit simulator, to hold netlists against; where it cannot be had, those tests are skipped aloud. */
export function ensureSimulator() {
  if (existsSync(SIMULATOR)) return;
  console.log('Installing ngspice …');
  if (!install('ngspice')) console.warn('ngspice could not be installed: its tests are skipped.');
}
