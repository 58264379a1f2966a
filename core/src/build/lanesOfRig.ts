import { layBoard, laneUses, type LaneUse } from '../board';
import type { Rig } from '../rig';

/// Lanes as they are tied: a rig that changes has every other tie.

export function lanesOf(rig: Rig): readonly LaneUse[] {
  const { decks, standings, plugs, wires } = layBoard(rig);
  return laneUses(rig, decks, standings, plugs, wires);
}

export const tiesEach = (rig: Rig, ties: number): number =>
  rig.build.ways.change === 'modular' ? Math.ceil(ties / 2) : ties;

/** Mounts along all lanes. */
export const mountCount = (rig: Rig): number =>
  lanesOf(rig).reduce((sum, { ties }) => sum + tiesEach(rig, ties), 0);
