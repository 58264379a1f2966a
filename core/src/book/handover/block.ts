import type { Drawing } from '../../board';
import type { BuildRecords, PaperTable } from '../../build';
import type { GearItem } from '../../gear';
import type { UnitSystem } from '../../quantity';
import { formatSignedDb } from '../../quantity';
import type { Rig } from '../../rig';
import type { FigureBands } from '../../tolerance';
import type { Hunt } from '../../trace';

/// What a book is made of, and what it is made from.

export type BookBlock =
  | { readonly kind: 'text'; readonly text: string; readonly isCaution: boolean }
  | { readonly kind: 'list'; readonly items: readonly string[]; readonly isOrdered: boolean }
  | { readonly kind: 'table'; readonly table: PaperTable }
  | { readonly kind: 'drawing'; readonly drawing: Drawing };

export interface BookSection {
  readonly id: string;
  readonly title: string;
  readonly blocks: readonly BookBlock[];
}

export interface HandoverQuestion {
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly records: BuildRecords;
  readonly hunts: readonly Hunt[];
  readonly units: UnitSystem;
  /** How sure the figures are, where it was drawn. */
  readonly bands: FigureBands | null;
  /** As "2026-11-26". */
  readonly today: string;
  readonly revision: number;
}

export const plain = (words: string, isCaution = false): BookBlock => ({
  kind: 'text',
  text: words,
  isCaution,
});
export const caution = (words: string): BookBlock => plain(words, true);
export const bullets = (items: readonly string[], isOrdered = false): BookBlock => ({
  kind: 'list',
  items,
  isOrdered,
});
export const table = (
  columns: readonly string[],
  widths: readonly number[],
  rows: readonly (readonly string[])[],
): BookBlock => ({ kind: 'table', table: { title: '', columns, widths, rows } });

export const decibels = (value: number): string => `${formatSignedDb(value, 2)} dB`;
