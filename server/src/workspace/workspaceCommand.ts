import { readFile, writeFile } from 'node:fs/promises';
import { readWorkspace } from '@gullwind/contract';
import type { Database } from '../db/database';
import { findWorkspace, restoreWorkspace } from './workspaceStore';

export type WorkspaceCommand =
  | { readonly kind: 'backup'; readonly file: string }
  | { readonly kind: 'restore'; readonly file: string; readonly overwrite: boolean };

/**
 * Writes everything to a file, or brings it back from one.
 *
 * @returns what was done, in a sentence
 * @throws Error with a sentence where nothing was done
 */
export async function runWorkspaceCommand(
  db: Database,
  command: WorkspaceCommand,
): Promise<string> {
  if (command.kind === 'backup') {
    const workspace = await findWorkspace(db);
    // Never over a backup that is there already.
    await writeFile(command.file, `${JSON.stringify(workspace, null, 1)}\n`, { flag: 'wx' }).catch(
      (error: NodeJS.ErrnoException) => {
        throw error.code === 'EEXIST'
          ? new Error(`${command.file} is there already; name another file.`)
          : error;
      },
    );
    return `${workspace.rigs.length} rigs and ${workspace.gear.length} pieces of gear are in ${command.file}.`;
  }
  const read = readWorkspace(parse(await readFile(command.file, 'utf8'), command.file));
  if (read.kind === 'refused') {
    const [first] = read.problems;
    throw new Error(`${command.file}: ${first!.path}: ${first!.message} Nothing was changed.`);
  }
  const restored = await restoreWorkspace(db, read.value, command.overwrite);
  if (!restored) {
    throw new Error(
      'There are rigs or gear in this data directory already. Nothing was changed; --overwrite puts the backup in their place.',
    );
  }
  return `${restored.rigs} rigs and ${restored.gear} pieces of gear are back from ${command.file}.`;
}

function parse(text: string, file: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new Error(`${file} is not JSON: it could not be read to its end. Nothing was changed.`);
  }
}
