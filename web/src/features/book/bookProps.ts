import type { BuildRecords, Edit, GearItem, Hunt, Rig, UnitSystem } from '@gullwind/core';
import type { OpenRig } from '../editor';

/** What every part of the book is given. */
export interface BookProps {
  readonly open: OpenRig;
  readonly rig: Rig;
  readonly gear: readonly GearItem[];
  readonly records: BuildRecords;
  readonly hunts: readonly Hunt[];
  readonly units: UnitSystem;
  readonly onEdit: (edit: Edit) => void;
}
