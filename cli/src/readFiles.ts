import { readFileSync } from 'node:fs';
import {
  decodeText,
  guessColumn,
  readGearRows,
  readRig,
  readTable,
  type ValueProblem,
} from '@gullwind/contract';
import type { GearItem, Rig } from '@gullwind/core';

/** A file that cannot be read, or is not what it should be. */
export class FileError extends Error {}

const STANDARD_INPUT = 0;

const told = (file: string, problems: readonly ValueProblem[]): FileError =>
  new FileError(
    [`${file}:`, ...problems.map(({ path, message }) => `  ${path}: ${message}`)].join('\n'),
  );

function textOf(file: string): string {
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(file === '-' ? STANDARD_INPUT : file);
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    throw new FileError(code === 'ENOENT' ? `There is no file ${file}.` : `${file}: ${message}`);
  }
  const text = decodeText(bytes);
  if (text.kind === 'refused') throw told(file, text.problems);
  return text.value;
}

/** A rig as it is exported, of any format. @throws FileError */
export function readRigFile(file: string): Rig {
  const text = textOf(file);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw new FileError(`${file} is not JSON: ${(error as Error).message}.`);
  }
  const rig = readRig(json);
  if (rig.kind === 'refused') throw told(file, rig.problems);
  return rig.value;
}

/** A gear list as CSV; rows that cannot be read are an error here, where nobody looks at a preview. @throws FileError */
export function readGearFile(file: string): readonly GearItem[] {
  const table = readTable(textOf(file));
  if (table.kind === 'refused') throw told(file, table.problems);
  let count = 0;
  const { items, problems, unsure } = readGearRows(table.value, {
    columns: table.value.header.map(guessColumn),
    kind: 'cable',
    from: 'entered',
    newId: () => `g${++count}`,
  });
  if (unsure !== null)
    throw new FileError(
      `${file}: “${unsure}” is two different numbers; write it without the mark.`,
    );
  if (problems.length > 0)
    throw told(
      file,
      problems.map(({ row, message }) => ({ path: `row ${row}`, message })),
    );
  return items;
}
