import { readFileSync } from 'node:fs';

const LOOK_EVERY_MS = 500;

/**
 * Tells when the npm that runs this script is gone, which may be without a word; a shell may stand between. Only
 * where /proc says who is whose parent.
 */
export function followNpm(whenGone) {
  const npm = process.env.npm_lifecycle_event ? findNpm(process.ppid) : null;
  if (npm === null) return;
  const timer = setInterval(() => {
    if (isAlive(npm)) return;
    clearInterval(timer);
    whenGone();
  }, LOOK_EVERY_MS);
  timer.unref();
}

function findNpm(pid, left = 3) {
  if (pid <= 1 || left === 0) return null;
  try {
    if (
      /\bnpm\b/u.test(
        readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').slice(0, 3).join(' '),
      )
    )
      return pid;
    const status = readFileSync(`/proc/${pid}/status`, 'utf8');
    return findNpm(Number(/^PPid:\s*(\d+)$/mu.exec(status)?.[1] ?? 0), left - 1);
  } catch {
    return null;
  }
}

function isAlive(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
