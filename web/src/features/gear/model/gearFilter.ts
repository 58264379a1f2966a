import {
  countOrigins,
  GEAR_KINDS,
  gearOf,
  type GearItem,
  type GearKind,
  type Provenance,
} from '@gullwind/core';
import type { StoredItem } from '@gullwind/contract';
import { sayClass } from '../gearWords';

export interface GearFilter {
  readonly words: string;
  readonly kind: GearKind | 'all';
  readonly origin: Provenance | 'any';
  readonly retired: boolean;
  /** Only what stands in this rig; '' for all. */
  readonly rigId: string;
}

/** Every typed word begins a word of the name, the class, the note or the supplier. */
export function matchesWords(item: GearItem, typed: string): boolean {
  const text =
    ` ${item.thing.name} ${gearOf(item.kind).one} ${sayClass(item)} ${item.note} ${item.qualities.supplier}`.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/u)
    .every((word) => text.includes(` ${word}`));
}

export function filterGear(
  items: readonly StoredItem[],
  { words, kind, origin, retired, rigId }: GearFilter,
  inRig: ReadonlySet<string> = new Set(),
): readonly StoredItem[] {
  return items
    .filter(
      ({ item }) =>
        (rigId === '' ? item.retired === retired : inRig.has(item.id)) &&
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
  inRig: ReadonlySet<string> = new Set(),
): Readonly<Record<GearKind | 'all', number>> {
  const found = filterGear(items, { ...filter, kind: 'all' }, inRig);
  const counts: Record<GearKind | 'all', number> = {
    all: found.length,
    guitar: 0,
    device: 0,
    cable: 0,
    destination: 0,
    plug: 0,
    supply: 0,
    adaptor: 0,
    board: 0,
    fixture: 0,
    mount: 0,
  };
  for (const { item } of found) counts[item.kind]++;
  return counts;
}
