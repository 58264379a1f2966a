import type { Edit, Rig, UnitSystem } from '@gullwind/core';

export interface BriefPartProps {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly edit: (edit: Edit) => void;
}
