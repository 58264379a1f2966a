import type { WorkspacePart } from '@gullwind/contract';
import { partsIn as partsOfText } from '../../../contract/test/partsIn';
import type { Database } from '../../src/db/database';
import { backUp } from '../../src/workspace/backUp';
import { restore } from '../../src/workspace/restore';

/** A backup of everything, line by line. */
export async function linesIn(db: Database): Promise<readonly string[]> {
  const lines: string[] = [];
  await backUp(db, async (line) => void lines.push(line));
  return lines;
}

export const partsIn = (lines: readonly string[]): Promise<readonly WorkspacePart[]> =>
  partsOfText(lines.join('\n'));

/** Puts parts in the place of what is there. */
export function put(db: Database, parts: readonly WorkspacePart[], overwrite = true) {
  async function* each() {
    yield* parts;
  }
  return restore(db, each, overwrite);
}
