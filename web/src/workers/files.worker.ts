import {
  decodeText,
  guessColumn,
  readGearRows,
  readRig,
  readTable,
  readWorkspace,
  sortJson,
  type ColumnTarget,
  type GearReading,
  type GearReport,
  type Table,
  type ValueProblem,
  WORKSPACE_KIND,
  WorkspaceRefused,
} from '@gullwind/contract';
import type { Rig } from '@gullwind/core';
import { expose } from 'comlink';
import { newId } from '../app/newId';

/// Files from outside, read where a large or a damaged one holds nothing up.

/** What is in a workspace, in numbers. */
export interface WorkspaceHolds {
  /** On the list; others were taken off it. */
  readonly onList: number;
  readonly removed: number;
  readonly revisions: number;
  readonly gear: number;
  readonly hasSettings: boolean;
}

/** What a file turned out to be. */
export type LookedAt =
  | { readonly kind: 'table'; readonly table: Table; readonly columns: readonly ColumnTarget[] }
  | { readonly kind: 'rig'; readonly rig: Rig }
  | { readonly kind: 'workspace'; readonly holds: WorkspaceHolds }
  | { readonly kind: 'refused'; readonly problems: readonly ValueProblem[] };

const refused = (message: string): LookedAt => ({
  kind: 'refused',
  problems: [{ path: 'file', message }],
});

function lookAtJson(text: string): LookedAt {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return refused(
      `This begins like JSON and cannot be read to its end: ${(error as Error).message}.`,
    );
  }
  if (sortJson(value) !== 'rig') return refused('This is JSON, but neither a rig nor a workspace.');
  const rig = readRig(value);
  return rig.kind === 'refused' ? rig : { kind: 'rig', rig: rig.value };
}

/** Long enough to hold what a file says of itself. */
const HEAD = 4096;

const saysWorkspace = (head: string): boolean =>
  /^\uFEFF?\s*\{/u.test(head) && new RegExp(`"kind"\\s*:\\s*"${WORKSPACE_KIND}"`, 'u').test(head);

async function* bytesOf(file: Blob): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return;
    yield value;
  }
}

/** Reads a workspace to its end, however large, and holds no more of it than numbers. */
async function lookAtWorkspace(file: Blob): Promise<LookedAt> {
  const count = { onList: 0, removed: 0, revisions: 0, gear: 0 };
  let hasSettings = false;
  try {
    for await (const part of readWorkspace(bytesOf(file))) {
      if (part.kind === 'rig') count[part.deletedAt === null ? 'onList' : 'removed']++;
      else if (part.kind === 'revision') count.revisions++;
      else if (part.kind === 'gear') count.gear++;
      else hasSettings = true;
    }
  } catch (error) {
    if (error instanceof WorkspaceRefused) return { kind: 'refused', problems: error.problems };
    throw error;
  }
  return { kind: 'workspace', holds: { ...count, hasSettings } };
}

async function look(file: Blob): Promise<LookedAt> {
  if (saysWorkspace(await file.slice(0, HEAD).text())) return lookAtWorkspace(file);
  const text = decodeText(new Uint8Array(await file.arrayBuffer()));
  if (text.kind === 'refused') return text;
  if (/^\s*[{[]/u.test(text.value)) return lookAtJson(text.value);
  const table = readTable(text.value);
  if (table.kind === 'refused') return table;
  return { kind: 'table', table: table.value, columns: table.value.header.map(guessColumn) };
}

const filesApi = {
  look,
  gear: (table: Table, reading: Omit<GearReading, 'newId'>): GearReport =>
    readGearRows(table, { ...reading, newId: () => `g-${newId()}` }),
};

export type FilesApi = typeof filesApi;

expose(filesApi);
