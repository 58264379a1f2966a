import { analyseRig, measureRig, type Analysis, type Figures } from '../figures';
import { SectionSolver } from '../path';
import {
  applyEdit,
  applyEdits,
  mainRow,
  goToPlace,
  type Edit,
  type Rig,
  type SwitchState,
} from '../rig';
import { countedScenes } from './countedStates';
import { Evaluator } from './evaluate';
import { weightsOf } from './goal';
import { makeMoves } from './editOfMove';
import type { Move } from './move';
import { effortOf, type RankedPlan } from './plan';

/** One scene at one place, before and after; null where nothing is heard. */
export interface PlanCase {
  /** Null: the rig has no places, or no scenes. */
  readonly place: string | null;
  readonly scene: string | null;
  readonly before: Figures | null;
  readonly after: Figures | null;
}

/** Everything about a plan that takes more than its score. */
export interface PlanDetail {
  readonly plan: RankedPlan;
  /** The rig with its moves made, and the edit that makes them. */
  readonly rig: Rig;
  readonly edit: Edit;
  /** Of the main way as the switches stand. */
  readonly before: Analysis;
  readonly after: Analysis;
  readonly cases: readonly PlanCase[];
}

/**
 * A plan looked at closely.
 *
 * @returns null where one of its moves cannot be made, or leaves a rig that is not whole
 */
export function detailOfPlan(
  rig: Rig,
  moves: readonly Move[],
  evaluator: Evaluator = new Evaluator(),
  solver: SectionSolver = new SectionSolver(),
): PlanDetail | null {
  const made = makeMoves(rig, moves);
  if (!made) return null;
  const checked = applyEdit(rig, made.edit);
  if (checked.kind === 'refused') return null;
  const score = evaluator.score(made.rig, weightsOf(rig));
  const rowId = mainRow(rig).id;
  return {
    plan: { moves, score, effort: effortOf(moves) },
    rig: made.rig,
    edit: made.edit,
    before: analyseRig(rig, solver, rowId),
    after: analyseRig(made.rig, solver, rowId),
    cases: casesOf(rig, made.rig, solver),
  };
}

function casesOf(before: Rig, after: Rig, solver: SectionSolver): readonly PlanCase[] {
  const scenes = countedScenesOf(before);
  const places =
    before.electrical.places.length > 0 ? before.electrical.places.map(({ id }) => id) : [null];
  const standings = { before: countedScenes(before), after: countedScenes(after) };
  return places.flatMap((id) => {
    const [there, then] = [layFor(before, id), layFor(after, id)];
    const place = before.electrical.places.find((place) => place.id === id)?.name ?? null;
    return scenes.map((scene, i): PlanCase => {
      const measure = (rig: Rig, state: SwitchState): Figures | null => {
        const measured = measureRig({ ...rig, state }, solver);
        return measured.kind === 'sounding' ? measured.figures : null;
      };
      return {
        place,
        scene,
        before: measure(there, standings.before[i]!),
        after: measure(then, standings.after[i]!),
      };
    });
  });
}

function countedScenesOf({
  electrical: { scenes },
  texts: { brief },
}: Rig): readonly (string | null)[] {
  const counted = scenes.filter(({ id }) => !brief.uncounted.includes(id));
  return counted.length > 0 ? counted.map(({ name }) => name) : [null];
}

function layFor(rig: Rig, id: string | null): Rig {
  const place = rig.electrical.places.find((one) => one.id === id);
  return place ? applyEdits(rig, goToPlace(rig, place)) : rig;
}
