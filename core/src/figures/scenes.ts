import { drivePath, routeOf, SectionSolver } from '../path';
import type { Rig, Standing } from '../rig';
import { measureRoute, type Sound } from './analyseRig';

/** A scene's figures, or that nothing is heard in it. */
export interface SceneFigures {
  /** Null for the rig as it stands. */
  readonly sceneId: string | null;
  readonly sound: Omit<Sound, 'nowDb'> | null;
}

/** The rig as it stands and every scene of it, on one way, side by side. */
export function measureScenes(
  rig: Rig,
  rowId: string,
  solver: SectionSolver = new SectionSolver(),
): readonly SceneFigures[] {
  const measure = (standing: Standing): SceneFigures['sound'] => {
    const route = routeOf({ ...rig, standing: knownOf(rig, standing) }, rowId);
    const measured = measureRoute(route, drivePath(route), solver);
    if (measured.kind !== 'sounding') return null;
    const { figures, absoluteTrebleDb, resonance, referenceResonance, corner, verdict } = measured;
    return { figures, absoluteTrebleDb, resonance, referenceResonance, corner, verdict };
  };
  return [
    { sceneId: null, sound: measure(rig.standing) },
    ...rig.scenes.map(({ id, standing }) => ({ sceneId: id, sound: measure(standing) })),
  ];
}

/** A scene may name a guitar that is out of the rig by now: the first one plays instead. */
function knownOf(rig: Rig, standing: Standing): Standing {
  const isKnown =
    standing.playing === null || rig.guitars.some(({ id }) => id === standing.playing);
  return isKnown ? standing : { ...standing, playing: rig.guitars[0]!.id };
}
