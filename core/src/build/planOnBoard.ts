import {
  applyFollowing,
  sayConflict,
  sayThing,
  layBoard,
  willItFit,
  type BoardPlan,
  type FitAnswer,
} from '../board';
import { formatQuantity } from '../quantity';
import { allDevices, type Edit, type Rig } from '../rig';
import { isBegun, reworkOf, type Building, type Rework } from './rework';
import { sayMissing, sayRework, sayTrebleChange } from './sayRework';

/// What a change of the chain means for a board: whether and where new boxes fit, what gives way, which cables change.

export interface PlansOnBoardQuestion {
  readonly rig: Rig;
  /** By a name of its own, what each would change. */
  readonly changes: readonly (readonly [string, Edit])[];
  readonly building: Building;
}

export interface PlanOnBoard {
  /** The change with its new boxes where they fit, as one edit. */
  readonly edit: Edit;
  readonly says: readonly string[];
  readonly rework: Rework;
}

export type PlansOnBoard = ReadonlyMap<string, PlanOnBoard>;

/** Several changes, each by itself; those that are refused are not in it. */
export function* plansOnBoard({
  rig,
  changes,
  building,
}: PlansOnBoardQuestion): Generator<PlansOnBoard, PlansOnBoard> {
  const found = new Map<string, PlanOnBoard>();
  for (const [key, edit] of changes) {
    const work = planOnBoard(rig, edit, building);
    let step = work.next();
    for (; !step.done; step = work.next()) yield new Map(found);
    if (step.value) found.set(key, step.value);
  }
  return found;
}

/** Null where there is no board, or the change is refused. */
export function* planOnBoard(
  rig: Rig,
  edit: Edit,
  building: Building,
): Generator<null, PlanOnBoard | null> {
  if (rig.layout.boards.length === 0) return null;
  const made = applyFollowing(rig, edit);
  if (made.kind === 'refused') return null;
  const { now, edits, says } = yield* placeNew(rig, made.rig, building);
  const rework = reworkOf(rig, now, building);
  const treble = sayTrebleChange(rework);
  const isBuilt = building.records !== undefined && isBegun(building.records);
  return {
    edit: edits.length === 0 ? edit : { kind: 'group', edits: [edit, ...edits] },
    says: [
      ...says,
      ...(isBuilt ? [] : ['As if the board were built as it is:']),
      ...sayRework(rework, building.units),
      ...(treble ? [treble] : []),
      ...sayInTheWay(rig, now, building),
    ],
    rework,
  };
}

/** Every device that came in by a change put where it fits. */
function* placeNew(before: Rig, changed: Rig, building: Building) {
  const known = new Set(allDevices(before).map(({ id }) => id));
  const isNew = ({ id }: { readonly id: string }) =>
    !known.has(id) && !changed.layout.placements[id];
  let now = changed;
  const edits: Edit[] = [];
  const says: string[] = [];
  for (const { id } of allDevices(changed).filter(isNew)) {
    const work = willItFit({ rig: now, id, pinned: [] });
    let step = work.next();
    for (; !step.done; step = work.next()) yield null;
    const answer = step.value;
    says.push(sayFit(layBoard(now), id, answer, building));
    const placed = answer.kind === 'missing' ? null : applyFollowing(now, answer.edit);
    if (answer.kind === 'missing' || placed?.kind !== 'ok') continue;
    edits.push(answer.edit);
    now = placed.rig;
  }
  return { now, edits, says };
}

/** Whether and where it fits, and what gives way, in one sentence. */
export function sayFit(
  plan: BoardPlan,
  id: string,
  answer: FitAnswer,
  { units }: Pick<Building, 'units'>,
): string {
  const name = sayThing(plan, id);
  const size = (m: number) => formatQuantity(m, 'size', units);
  const at = ({
    xM,
    yM,
    turn,
    isUnder,
  }: {
    xM: number;
    yM: number;
    turn: number;
    isUnder: boolean;
  }) =>
    `${isUnder ? 'below, ' : ''}${size(xM)} from the left, ${size(yM)} from the front${turn === 0 ? '' : `, turned by ${turn}°`}`;
  switch (answer.kind) {
    case 'fits':
      return `${name} fits on the board: ${at(answer.place)}.`;
    case 'moves':
      return `${name} fits once ${answer.moves.map(({ id: other, byM }) => `${sayThing(plan, other)} is moved by ${size(byM)}`).join(' and ')}: then ${at(answer.place)}.`;
    case 'missing':
      return answer.missingM > 0
        ? `${name} does not fit: ${sayMissing(answer.missingM, units)} are missing, even with two others moved.`
        : `${name} does not fit: nowhere are its cables, its switch and the others’ all as they have to be, even with two others moved.`;
  }
}

function sayInTheWay(before: Rig, after: Rig, { units }: Building): readonly string[] {
  const known = new Set(layBoard(before).conflicts.map(({ key }) => key));
  const plan = layBoard(after);
  return plan.conflicts
    .filter(({ key, weight }) => weight !== 'note' && !known.has(key))
    .map((conflict) => `In the way then: ${sayConflict(plan, conflict, units)}.`);
}
