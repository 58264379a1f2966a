import type { GearItem, ItemOf, UnitSystem } from '@gullwind/core';
import type { Chosen } from '../instruments';

/** What every job at the bench is given. */
export interface JobProps {
  readonly gear: readonly GearItem[];
  readonly units: UnitSystem;
  readonly meter: Chosen;
  readonly sweep: Chosen;
}

/** Entries of one kind that are still offered. */
export const ofKind = <K extends GearItem['kind']>(
  gear: readonly GearItem[],
  kind: K,
): readonly ItemOf<K>[] =>
  gear.filter((item) => item.kind === kind && !item.retired) as unknown as readonly ItemOf<K>[];
