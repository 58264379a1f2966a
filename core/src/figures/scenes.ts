import { driveWay, SectionSolver } from '../path';
import { atPlace, knownState, type Chain } from '../rig';
import { measureWay, type Sound } from './analyseRig';

type Heard = Sound | null;

/** Figures of a rig in a scene or at a place; no sound where nothing is heard. */
export interface SideFigures {
  /** Of the scene or place; null for the rig as it stands. */
  readonly id: string | null;
  readonly sound: Heard;
}

function heardOf(rig: Chain, rowId: string, solver: SectionSolver): Heard {
  const measured = measureWay(driveWay(rig, rowId), solver);
  if (measured.kind !== 'sounding') return null;
  const { nowDb, figures, absoluteTrebleDb, resonance, referenceResonance, corner, verdict } =
    measured;
  return { nowDb, figures, absoluteTrebleDb, resonance, referenceResonance, corner, verdict };
}

/** The rig as it stands and every scene of it, on one way, side by side. */
export function measureScenes(
  rig: Chain,
  rowId: string,
  solver: SectionSolver = new SectionSolver(),
): readonly SideFigures[] {
  return [
    { id: null, sound: heardOf(rig, rowId, solver) },
    ...rig.electrical.scenes.map(({ id, state }) => ({
      id,
      sound: heardOf({ ...rig, state: knownState(rig, state) }, rowId, solver),
    })),
  ];
}

/** The rig at every place it is played at, its switches as they stand. */
export function measurePlaces(
  rig: Chain,
  rowId: string,
  solver: SectionSolver = new SectionSolver(),
): readonly SideFigures[] {
  return rig.electrical.places.map((place) => ({
    id: place.id,
    sound: heardOf(atPlace(rig, place), rowId, solver),
  }));
}
