const LOOK_EVERY_MS = 500;

/** Whoever started this process, and says so, may be gone without a word: nothing is to hold a port or a lock after it. */
export function followStarter(stop: () => void): void {
  const starter = Number(process.env.GULLWIND_STARTER);
  if (!starter) return;
  const timer = setInterval(() => {
    if (process.ppid === starter) return;
    clearInterval(timer);
    stop();
  }, LOOK_EVERY_MS);
  timer.unref();
}
