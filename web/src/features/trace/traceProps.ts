import type { BuildRecords, Rig } from '@gullwind/core';

/** What hunts are about. */
export interface TraceProps {
  readonly rig: Rig;
  /** Null without a rig. */
  readonly rigId: string | null;
  readonly revision: number | null;
  readonly records: BuildRecords;
}
