import type { Problem } from '@gullwind/contract';
import { mergeRigs, upgradeRig, type Rig } from '@gullwind/core';
import type { Resolved } from './operation';
import type { RigSave } from './unsavedRig';

/**
 * A rig that was changed elsewhere, too: both together, where they touched different parts. Any other refusal keeps it
 * until somebody has decided.
 */
export function resolveSave(
  { base }: RigSave,
  { theirs }: Problem,
  latest: RigSave,
): Resolved<RigSave> {
  if (!theirs || !base) return { kind: 'parked' };
  const stored = upgradeRig(theirs.rig) as Rig;
  const rig = mergeRigs(base, latest.rig, stored);
  if (!rig) return { kind: 'parked' };
  const { revision, lineage } = theirs;
  return {
    kind: 'again',
    args: {
      id: latest.id,
      rig,
      basedOn: revision,
      lineage,
      base: stored,
      stateFrom: stored.state,
      isStateAlone: false,
    },
  };
}
