import { layBoard, isInLaneAt, laneUses, tiedAt } from '../board';
import type { Lane, Rig } from '../rig';

/// Lanes as they are tied: a rig that changes has every other tie.

/** One mount with its tie. */
export interface Mounted {
  readonly lane: Lane;
  /** From the left of its board, m. */
  readonly atM: number;
  /** Cables that pass there, by id. */
  readonly cables: readonly string[];
}

/** Every mount along the lanes in which something lies, from the left. */
export function mountedAt(rig: Rig): readonly Mounted[] {
  const plan = layBoard(rig);
  const every = rig.build.ways.change === 'modular' ? 2 : 1;
  return laneUses(rig, plan.decks, plan.standings, plan.plugs, plan.wires).flatMap((use) =>
    tiedAt(use, rig.layout.laying)
      .filter((_, i) => i % every === 0)
      .map((x) => ({
        lane: use.lane,
        atM: Math.round((x - use.x0 + use.lane.fromM) * 1000) / 1000,
        cables: plan.wires
          .filter((wire) => isInLaneAt(wire, use, x))
          .map(({ connection }) => connection.id),
      })),
  );
}

/** Mounts along all lanes. */
export const mountCount = (rig: Rig): number => mountedAt(rig).length;
