import { existsSync } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { readWorkspace, rereadWorkspace, WorkspaceRefused } from '@gullwind/contract';
import type { Database } from '../db/database';
import { backUpInto } from './backUp';
import { restore } from './restore';
import { bytesOf, isFull } from './spool';

export type WorkspaceCommand =
  | { readonly kind: 'backup'; readonly file: string }
  | { readonly kind: 'restore'; readonly file: string; readonly overwrite: boolean };

/**
 * Writes everything to a file, or brings it back from one.
 *
 * @returns what was done, in a sentence
 * @throws Error with a sentence where nothing was done
 */
export function runWorkspaceCommand(db: Database, command: WorkspaceCommand): Promise<string> {
  return command.kind === 'backup'
    ? backUpTo(db, command.file)
    : restoreFrom(db, command.file, command.overwrite);
}

/** The file is there when it is whole, or not at all; never over one that is there already. */
async function backUpTo(db: Database, path: string): Promise<string> {
  if (existsSync(path)) throw new Error(`${path} is there already; name another file.`);
  const unfinished = `${path}.unfinished`;
  try {
    const file = await open(unfinished, 'w+');
    try {
      const counts = await backUpInto(db, file, null);
      await file.sync();
      await rename(unfinished, path);
      return `${counts.rigs} rigs with ${counts.revisions} revisions and ${counts.gear} pieces of gear are in ${path}.`;
    } finally {
      await file.close();
    }
  } catch (error) {
    await rm(unfinished, { force: true });
    throw isFull(error)
      ? new Error(`There is no room for the backup at ${path}. No file was made.`)
      : error;
  }
}

async function restoreFrom(db: Database, path: string, overwrite: boolean): Promise<string> {
  const file = await open(path, 'r').catch((error: NodeJS.ErrnoException) => {
    throw error.code === 'ENOENT' ? new Error(`There is no file ${path}.`) : error;
  });
  try {
    for await (const _ of readWorkspace(bytesOf(file)));
    const result = await restore(db, () => rereadWorkspace(bytesOf(file)), overwrite);
    switch (result.kind) {
      case 'restored': {
        const { rigs, revisions, gear } = result.restored;
        return `${rigs} rigs with ${revisions} revisions and ${gear} pieces of gear are back from ${path}.`;
      }
      case 'notEmpty':
        throw new Error(
          'There are rigs or gear in this data directory already. Nothing was changed; --overwrite puts the backup in their place.',
        );
      case 'busy':
        throw new Error('Another restore is at work. Nothing was changed.');
    }
  } catch (error) {
    if (!(error instanceof WorkspaceRefused)) throw error;
    throw new Error(`${path}: ${error.message} Nothing was changed.`, { cause: error });
  } finally {
    await file.close();
  }
}
