import { NO_END, type CableEnd, type CableEnds, type Edit, type Rig } from '../rig';
import type { End } from './plugs';

/** Something of one or both ends of a cable changed: its plug, its jack, where it lets the cable leave. */
export function endEdit(
  rig: Pick<Rig, 'layout'>,
  cable: string,
  ends: readonly End[],
  change: Partial<CableEnd>,
): Edit {
  const before: CableEnds = rig.layout.ends[cable] ?? { from: NO_END, to: NO_END };
  const changed = Object.fromEntries(ends.map((end) => [end, { ...before[end], ...change }]));
  return {
    kind: 'assign',
    field: 'ends',
    to: { ...rig.layout.ends, [cable]: { ...before, ...changed } },
  };
}
