import type { Rig, UnitSystem } from '@gullwind/core';
import type { PickerKind } from '../../picker';
import type { PathActions } from '../usePathActions';

/** What the panel of every kind of thing is given. */
export interface PanelProps {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly actions: PathActions;
  readonly onSwap: (kind: PickerKind) => void;
}
