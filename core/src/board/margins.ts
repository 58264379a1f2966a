import { connectionsOf } from './connections';
import { plugOf } from './plugs';
import type { BoardThing, Laid } from './things';

/** Room that the plugs of a thing want around it as it stands unturned, m. */
export interface Margins {
  readonly left: number;
  readonly right: number;
  readonly front: number;
  readonly back: number;
}

/** @param corridorM beside every plug, for a cable to pass */
export function marginsOf(rig: Laid, thing: BoardThing, corridorM: number): Margins {
  const margins = { left: corridorM, right: corridorM, front: 0, back: 0 };
  for (const connection of connectionsOf(rig))
    for (const end of ['from', 'to'] as const) {
      const jack = connection[end];
      if (jack?.thing !== thing.id) continue;
      const onCase = thing.body.jacks.filter(({ kind }) => kind === jack.kind)[jack.nth];
      if (!onCase) continue;
      const wanted = plugOf(rig, connection, end).beyondM.value + corridorM;
      margins[onCase.side] = Math.max(margins[onCase.side], wanted);
    }
  return margins;
}
