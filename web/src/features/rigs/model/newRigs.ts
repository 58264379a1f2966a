import type { Settings } from '@gullwind/contract';
import { cutText, LONGEST_NAME, newRig, usualReference, type Rig } from '@gullwind/core';

/// Rigs that come on the list; loaded when one does.

/** A rig to begin with, in the units and beside the cable of the workshop. */
export const firstRig = ({ reference, units }: Pick<Settings, 'reference' | 'units'>): Rig =>
  newRig('New rig', usualReference(reference, units));

/** The same under a name that says so. */
export function copyOf(rig: Rig): Rig {
  const name = cutText(rig.texts.name, LONGEST_NAME, ', copy');
  return { ...rig, texts: { ...rig.texts, name } };
}
