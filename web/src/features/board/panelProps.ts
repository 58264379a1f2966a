import type { BoardPlan, Building, Rig, UnitSystem } from '@gullwind/core';
import type { Asking } from './asking/asking';
import type { PhotoNow } from './photo/usePhoto';
import type { BoardActions } from './useBoardActions';

/** Of panels beside the board. */
export interface PanelProps {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly units: UnitSystem;
  readonly actions: BoardActions;
}

/** Of panels from which the board is asked. */
export interface AskingPanelProps extends PanelProps {
  readonly asking: Asking;
  readonly photo: PhotoNow;
}

/** Of answers of the board. */
export interface AskProps extends PanelProps {
  readonly asking: Asking;
  readonly building: Building;
  /** Nothing of the rig is built yet. */
  readonly isAsIf: boolean;
  readonly photo: PhotoNow;
}
