import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { join } from 'node:path';

/** Thrown when another process holds the directory; `holder` says which. */
export class DirectoryInUse extends Error {
  constructor(directory: string, holder: string) {
    super(
      `The data directory ${directory} is in use by ${holder}. Stop that one, or choose another directory with --data.`,
    );
    this.name = 'DirectoryInUse';
  }
}

export interface DirectoryLock {
  release(): Promise<void>;
}

/**
 * Holds a data directory for this process alone; the embedded engine takes no lock of its own, and two
 * engines on one directory lose rows without an error.
 *
 * On Linux the lock is an abstract socket named after the directory's real path: the kernel drops it
 * with the process, however that ends. It answers with the holder's process id. Elsewhere a file with
 * the process id serves, which is taken over when that process is gone.
 *
 * @throws DirectoryInUse
 */
export async function lockDirectory(directory: string): Promise<DirectoryLock> {
  mkdirSync(directory, { recursive: true });
  const real = realpathSync(directory);
  return process.platform === 'linux' ? lockBySocket(real) : lockByFile(real);
}

async function lockBySocket(directory: string): Promise<DirectoryLock> {
  const name = `\0gullwind-${createHash('sha256').update(directory).digest('hex').slice(0, 32)}`;
  const server = createServer((socket) => {
    // The asker may be gone before the answer is written.
    socket.on('error', () => undefined);
    socket.end(String(process.pid));
  });
  if (!(await listens(server, name)))
    throw new DirectoryInUse(directory, `process ${await askHolder(name)}`);
  server.unref();
  return { release: () => new Promise((resolve) => server.close(() => resolve())) };
}

function listens(server: Server, path: string): Promise<boolean> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? resolve(false) : reject(error),
    );
    server.listen({ path }, () => resolve(true));
  });
}

const ANSWER_WITHIN_MS = 2000;

function askHolder(path: string): Promise<string> {
  return new Promise((resolve) => {
    let answer = '';
    const socket = connect({ path });
    socket.setTimeout(ANSWER_WITHIN_MS, () => socket.destroy());
    socket.on('data', (data) => (answer += data.toString()));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(answer || '(it does not say which)'));
  });
}

export function lockByFile(directory: string): DirectoryLock {
  const path = join(directory, 'gullwind.lock');
  for (let attempt = 0; attempt < 2; attempt++) {
    try {
      writeFileSync(path, String(process.pid), { flag: 'wx' });
      return { release: async () => rmSync(path, { force: true }) };
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const holder = Number(readFileSync(path, 'utf8'));
      if (isAlive(holder)) throw new DirectoryInUse(directory, `process ${holder}`);
      rmSync(path, { force: true });
    }
  }
  throw new DirectoryInUse(directory, 'a process that started at the same moment');
}

function isAlive(processId: number): boolean {
  if (!Number.isInteger(processId) || processId <= 0) return false;
  try {
    process.kill(processId, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}
