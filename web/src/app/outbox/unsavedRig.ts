import type { Rig, SwitchState } from '@gullwind/core';

/** A rig to send, what it was edited from, and the foot-switches that the server last told of. */
export interface RigSave {
  readonly id: string;
  readonly rig: Rig;
  readonly basedOn: number;
  readonly lineage?: string;
  readonly stateFrom?: SwitchState;
  /** Nothing but foot-switches was changed: a small document of their own. */
  readonly isStateAlone?: boolean;
  /** The rig as it was at `basedOn`; unknown for what an earlier version kept. */
  readonly base?: Rig;
}
