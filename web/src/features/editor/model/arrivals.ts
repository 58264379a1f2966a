import type { StoredRig } from '@gullwind/contract';
import { isSameState, type SwitchState } from '@gullwind/core';
import { hasUnsaved, type OpenRig } from './editorSlice';

/** What a rig that was asked for again brings to the one that is open. */
export type Arrived =
  | { readonly kind: 'newer'; readonly stored: StoredRig }
  /** Another hand was at the foot-switches. */
  | { readonly kind: 'switches'; readonly state: SwitchState }
  | null;

/** Nothing comes under a hand: not while something here is unsaved or in the making. */
export function arrivedFor(open: OpenRig | null, stored: StoredRig): Arrived {
  if (open?.id !== stored.id || hasUnsaved(open) || open.preview) return null;
  const { revision, lineage, rig } = stored;
  // A line of its own, as after a restore, is another rig, whatever its number.
  if (revision > open.basedOn || lineage !== open.lineage) return { kind: 'newer', stored };
  return revision === open.basedOn && !isSameState(open.rig.state, rig.state)
    ? { kind: 'switches', state: rig.state }
    : null;
}
