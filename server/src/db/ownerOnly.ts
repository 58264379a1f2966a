import { chmod, lstat, readdir } from 'node:fs/promises';
import { join } from 'node:path';

/// What a data directory holds is its owner's alone: nobody else on the machine reads it, or writes what the engine
/// would take for its own.

const OTHERS = 0o077;

/** What is made from now on is the owner's alone. */
export const makeOwnerOnly = (): void => void process.umask(OTHERS);

/** Takes what is there already from everybody else. Links are left: what they lead to is somewhere else. */
export async function takeFromOthers(path: string): Promise<void> {
  const found = await lstat(path).catch(() => null);
  if (!found || found.isSymbolicLink()) return;
  if (found.mode & OTHERS) await chmod(path, found.mode & 0o7777 & ~OTHERS);
  if (!found.isDirectory()) return;
  for (const name of await readdir(path)) await takeFromOthers(join(path, name));
}
