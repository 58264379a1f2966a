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
  type Workspace,
} from '@gullwind/contract';
import type { Rig } from '@gullwind/core';
import { expose } from 'comlink';
import { newId } from '../app/newId';

/// Files from outside, read where a large or a damaged one holds nothing up.

/** What a file turned out to be. */
export type LookedAt =
  | { readonly kind: 'table'; readonly table: Table; readonly columns: readonly ColumnTarget[] }
  | { readonly kind: 'rig'; readonly rig: Rig }
  | { readonly kind: 'workspace'; readonly workspace: Workspace }
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
  switch (sortJson(value)) {
    case 'rig': {
      const rig = readRig(value);
      return rig.kind === 'refused' ? rig : { kind: 'rig', rig: rig.value };
    }
    case 'workspace': {
      const workspace = readWorkspace(value);
      return workspace.kind === 'refused'
        ? workspace
        : { kind: 'workspace', workspace: workspace.value };
    }
    case 'unknown':
      return refused('This is JSON, but neither a rig nor a workspace.');
  }
}

const filesApi = {
  look: (bytes: Uint8Array): LookedAt => {
    const text = decodeText(bytes);
    if (text.kind === 'refused') return text;
    if (/^\s*[{[]/u.test(text.value)) return lookAtJson(text.value);
    const table = readTable(text.value);
    if (table.kind === 'refused') return table;
    return { kind: 'table', table: table.value, columns: table.value.header.map(guessColumn) };
  },
  gear: (table: Table, reading: Omit<GearReading, 'newId'>): GearReport =>
    readGearRows(table, { ...reading, newId: () => `g-${newId()}` }),
};

export type FilesApi = typeof filesApi;

expose(filesApi);
