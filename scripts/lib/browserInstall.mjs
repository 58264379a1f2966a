import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const NEEDED = ['/usr/bin/chromium', '/usr/bin/chromedriver'];

/** Debian's Chromium and ChromeDriver, installed by apt where they are missing and apt may be used. */
export function ensureBrowser() {
  if (NEEDED.every(existsSync)) return;
  const root = process.getuid?.() === 0;
  const sudo = root ? [] : ['sudo', '-n'];
  console.log('Installing Chromium and ChromeDriver …');
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return (
      spawnSync(command, rest, {
        stdio: 'inherit',
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    );
  };
  const installed =
    apt('update') && apt('install', '-y', '--no-install-recommends', 'chromium', 'chromium-driver');
  if (installed && NEEDED.every(existsSync)) return;
  console.error(
    `The browser tests need ${NEEDED.join(' and ')}, which could not be installed here. On Debian: apt-get install chromium chromium-driver (as root).`,
  );
  process.exit(1);
}
