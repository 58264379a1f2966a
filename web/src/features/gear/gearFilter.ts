import {
  countOrigins,
  GEAR_KINDS,
  type GearItem,
  type GearKind,
  type Provenance,
} from '@gullwind/core';
import type { StoredItem } from '@gullwind/contract';
import { KIND_WORDS, sayClass } from './gearWords';

export interface GearFilter {
  readonly words: string;
  readonly kind: GearKind | 'all';
  readonly origin: Provenance | 'any';
  readonly retired: boolean;
}

/** Every typed word begins a word of the name, the class, the note or the supplier. */
export function matchesWords(item: GearItem, typed: string): boolean {
  const text =
    ` ${item.thing.name} ${KIND_WORDS[item.kind].one} ${sayClass(item)} ${item.note} ${item.qualities.supplier}`.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/u)
    .every((word) => text.includes(` ${word}`));
}

export function filterGear(
  items: readonly StoredItem[],
  { words, kind, origin, retired }: GearFilter,
): readonly StoredItem[] {
  return items
    .filter(
      ({ item }) =>
        item.retired === retired &&
        (kind === 'all' || item.kind === kind) &&
        matchesWords(item, words) &&
        (origin === 'any' || countOrigins(item)[origin] > 0),
    )
    .sort((a, b) => GEAR_KINDS.indexOf(a.item.kind) - GEAR_KINDS.indexOf(b.item.kind));
}

/** How many of each kind there are under the rest of the filter. */
export function countKinds(
  items: readonly StoredItem[],
  filter: GearFilter,
): Readonly<Record<GearKind | 'all', number>> {
  const found = filterGear(items, { ...filter, kind: 'all' });
  const counts: Record<GearKind | 'all', number> = {
    all: found.length,
    guitar: 0,
    device: 0,
    lead: 0,
    end: 0,
    plug: 0,
    supply: 0,
    board: 0,
  };
  for (const { item } of found) counts[item.kind]++;
  return counts;
}
