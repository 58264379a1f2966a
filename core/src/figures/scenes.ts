import { drivePath, routeOf, SectionSolver } from '../path';
import { applyEdits, knownStanding, standAt, type Rig } from '../rig';
import { measureRoute, type Sound } from './analyseRig';

type Heard = Omit<Sound, 'nowDb'> | null;

/** Figures of a rig in a scene or at a place; no sound where nothing is heard. */
export interface SideFigures {
  /** Of the scene or situation; null for the rig as it stands. */
  readonly id: string | null;
  readonly sound: Heard;
}

function heardOf(rig: Rig, rowId: string, solver: SectionSolver): Heard {
  const route = routeOf(rig, rowId);
  const measured = measureRoute(route, drivePath(route), solver);
  if (measured.kind !== 'sounding') return null;
  const { figures, absoluteTrebleDb, resonance, referenceResonance, corner, verdict } = measured;
  return { figures, absoluteTrebleDb, resonance, referenceResonance, corner, verdict };
}

/** The rig as it stands and every scene of it, on one way, side by side. */
export function measureScenes(
  rig: Rig,
  rowId: string,
  solver: SectionSolver = new SectionSolver(),
): readonly SideFigures[] {
  return [
    { id: null, sound: heardOf(rig, rowId, solver) },
    ...rig.scenes.map(({ id, standing }) => ({
      id,
      sound: heardOf({ ...rig, standing: knownStanding(rig, standing) }, rowId, solver),
    })),
  ];
}

/** The rig at every place it is played at, its switches as they stand. */
export function measureSituations(
  rig: Rig,
  rowId: string,
  solver: SectionSolver = new SectionSolver(),
): readonly SideFigures[] {
  return rig.situations.map((situation) => ({
    id: situation.id,
    sound: heardOf(applyEdits(rig, standAt(rig, situation)), rowId, solver),
  }));
}
