import type { Cable, Sourced } from '../gear';
import type { Rig } from './rig';

/**
 * The shortest that a cable may be and still reach: of one that lies on a board what the board says, else what somebody
 * has said; undefined where nobody has.
 */
export const reachOf = (
  { texts }: Pick<Rig, 'texts'>,
  { id, lengthM }: Pick<Cable, 'id' | 'lengthM'>,
): Sourced | undefined => (lengthM.from === 'laid' ? lengthM : texts.brief.reach[id]);
