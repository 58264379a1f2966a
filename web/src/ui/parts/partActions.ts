import type { Edit, UnitSystem } from '@gullwind/core';

/** How a part is changed, wherever it stands: in a rig, or in the gear list. */
export interface PartActions {
  readonly edit: (edit: Edit) => void;
}

/** What the fields of every kind of thing are given. */
export interface FieldsProps {
  readonly units: UnitSystem;
  readonly actions: PartActions;
}
