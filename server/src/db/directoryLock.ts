import { createHash, randomUUID } from 'node:crypto';
import {
  closeSync,
  linkSync,
  mkdirSync,
  openSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
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
 * On Linux the lock is an abstract socket named after the directory's real path, which the kernel drops with the
 * process, however that ends; and, since containers on one volume do not see each other's, a socket in the directory
 * itself, which answers with the holder's process id and refuses once that process is gone. Elsewhere a file with the
 * process id serves, which is taken over when that process is gone.
 *
 * @throws DirectoryInUse
 */
export async function lockDirectory(directory: string): Promise<DirectoryLock> {
  mkdirSync(directory, { recursive: true });
  const real = realpathSync(directory);
  if (process.platform !== 'linux') return lockByFile(real);
  const here = await lockBySocket(real);
  try {
    const there = await lockBySocketFile(real);
    return {
      release: async () => {
        await there?.release();
        await here.release();
      },
    };
  } catch (error) {
    await here.release();
    throw error;
  }
}

/** Tells who holds the lock to whoever asks. */
const answering = (): Server =>
  createServer((socket) => {
    // The asker may be gone before the answer is written.
    socket.on('error', () => undefined);
    socket.end(String(process.pid));
  });

async function lockBySocket(directory: string): Promise<DirectoryLock> {
  const name = `\0gullwind-${createHash('sha256').update(directory).digest('hex').slice(0, 32)}`;
  const server = answering();
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

const LOCK_NAME = 'gullwind.sock';
const ATTEMPTS = 3;

/**
 * Holds a directory by a socket in it. It is bound under a name of its own and linked to the one that counts, which
 * fails where there is one already; what is left of a process that is gone is moved aside first.
 *
 * @returns null where a file system knows no sockets; @throws DirectoryInUse
 */
export async function lockBySocketFile(directory: string): Promise<DirectoryLock | null> {
  const handle = openSync(directory, 'r');
  // A path of a socket is short, whatever that of its directory is.
  const short = (name: string) => `/proc/self/fd/${handle}/${name}`;
  const own = `.lock-${process.pid}-${randomUUID().slice(0, 8)}`;
  const server = answering();
  try {
    if (!(await listens(server, short(own)))) return null;
    server.unref();
    for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
      if (links(join(directory, own), join(directory, LOCK_NAME)))
        return { release: () => letGo(server, join(directory, LOCK_NAME)) };
      const seen = inodeOf(join(directory, LOCK_NAME));
      const holder = await askHolder(short(LOCK_NAME));
      if (holder !== NOBODY) throw new DirectoryInUse(directory, `process ${holder}`);
      moveAside(join(directory, LOCK_NAME), join(directory, `${own}-left`), seen);
    }
    throw new DirectoryInUse(directory, 'a process that started at the same moment');
  } catch (error) {
    server.close();
    if (error instanceof DirectoryInUse) throw error;
    return null;
  } finally {
    rmSync(join(directory, own), { force: true });
    closeSync(handle);
  }
}

const inodeOf = (path: string): number | undefined =>
  statSync(path, { throwIfNoEntry: false })?.ino;

/** Takes away what nobody answers at; if another process was quicker, its lock is put back. */
function moveAside(path: string, aside: string, seen: number | undefined): void {
  if (seen === undefined || inodeOf(path) === undefined) return;
  renameSync(path, aside);
  if (inodeOf(aside) !== seen) links(aside, path);
  rmSync(aside, { force: true });
}

function links(from: string, to: string): boolean {
  try {
    linkSync(from, to);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

async function letGo(server: Server, path: string): Promise<void> {
  rmSync(path, { force: true });
  await new Promise((resolve) => server.close(resolve));
}

/** What is said where nobody is there to answer. */
const NOBODY = '';
const ANSWER_WITHIN_MS = 2000;

function askHolder(path: string): Promise<string> {
  return new Promise((resolve) => {
    let answer = '(it does not say which)';
    const socket = connect({ path });
    socket.setTimeout(ANSWER_WITHIN_MS, () => socket.destroy());
    socket.once('data', (data) => (answer = data.toString()));
    socket.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'ECONNREFUSED' || error.code === 'ENOENT') answer = NOBODY;
    });
    socket.on('close', () => resolve(answer));
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
