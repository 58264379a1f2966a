import type { Cable, Sourced } from '../gear';
import {
  applyEdit,
  findCable,
  listOf,
  type ControlCable,
  type Edit,
  type EditResult,
  type PowerFeed,
  type Rig,
} from '../rig';
import { layBoard, type BoardPlan } from './board';
import { connectionsOf } from './connections';

/// Lengths follow the board: a cable whose ends both stand on decks is as long as it will be made, unless somebody fixed
/// it. It is "laid" as long as that is so; a length that is typed, or measured, stays what it is.

/** Edits that may move an end of a cable, or what is in its way. */
function movesCables(edit: Edit): boolean {
  switch (edit.kind) {
    case 'group':
      return edit.edits.some(movesCables);
    case 'place':
    case 'splice':
    case 'move':
    case 'connect':
    case 'replace':
    case 'restore':
    case 'list':
      return true;
    case 'assign':
      return edit.field === 'ends' || edit.field === 'laying';
    case 'set':
    case 'choose':
      return (
        edit.field.startsWith('body.') || !['device', 'cable', 'guitar'].includes(edit.target.of)
      );
    default:
      return false;
  }
}

/** By cable, whether both of its ends stand on decks. */
function onDecks(rig: Rig): ReadonlySet<string> {
  const { placements, boards } = rig.layout;
  const isOn = (thing: string): boolean => {
    const placement = placements[thing];
    return placement?.at === 'deck' && boards.some(({ id }) => id === placement.board);
  };
  return new Set(
    connectionsOf(rig)
      .filter(({ from, to }) => from && to && isOn(from.thing) && isOn(to.thing))
      .map(({ id }) => id),
  );
}

const lengthOf = (rig: Rig, id: string): Sourced | undefined =>
  findCable(rig, id)?.lengthM ??
  [...rig.layout.controls, ...rig.power.feeds].find((one) => one.id === id)?.lengthM;

function setLength(rig: Rig, id: string, to: Sourced): Edit {
  if (findCable(rig, id)) return { kind: 'set', target: { of: 'cable', id }, field: 'lengthM', to };
  const of = rig.layout.controls.some((one) => one.id === id) ? 'controls' : 'feeds';
  const list = listOf(rig, of) as readonly (ControlCable | PowerFeed)[];
  const at = list.findIndex((one) => one.id === id);
  return { kind: 'list', of, at, remove: 1, insert: [{ ...list[at]!, lengthM: to }] } as Edit;
}

const laid = (value: number): Sourced => ({ value, from: 'laid' });

/** What nobody has said follows the board; what somebody has said does where the cable only now comes to lie on it. */
const mayFollow = ({ from }: Sourced, isNew: boolean): boolean =>
  from === 'assumed' || (from === 'entered' && isNew);

/** What the lengths of cables have to become, given which of them lay on decks before. */
export function lengthEdits(
  rig: Rig,
  before: ReadonlySet<string>,
  plan: BoardPlan,
): readonly Edit[] {
  return plan.wires.flatMap(({ connection, isOnBoards, madeM }): Edit[] => {
    const { id } = connection;
    const now = lengthOf(rig, id)!;
    if (!isOnBoards)
      return now.from === 'laid' ? [setLength(rig, id, { ...now, from: 'entered' })] : [];
    const follows = now.from === 'laid' || mayFollow(now, !before.has(id));
    if (madeM === null || !follows) return [];
    if (now.from === 'laid' && now.value === madeM) return [];
    return [setLength(rig, id, laid(madeM))];
  });
}

/**
 * An edit, and with it the lengths that it gives to cables as laid: one edit, that one undo takes back.
 */
export function applyFollowing(rig: Rig, edit: Edit): EditResult {
  const result = applyEdit(rig, edit);
  if (result.kind === 'refused' || result.rig === rig || !movesCables(edit)) return result;
  const { boards, placements } = result.rig.layout;
  const hasBoard = boards.length > 0 || Object.keys(placements).length > 0;
  if (!hasBoard && rig.layout.boards.length === 0) return result;
  const edits = lengthEdits(result.rig, onDecks(rig), layBoard(result.rig));
  if (edits.length === 0) return result;
  // On top of what was looked at: things stand where they stood, and no way is laid anew.
  const followed = applyEdit(result.rig, { kind: 'group', edits });
  if (followed.kind === 'refused') return followed;
  const inverse: Edit = { kind: 'group', edits: [followed.inverse, result.inverse] };
  return { kind: 'ok', rig: followed.rig, inverse };
}

/** A cable as long as the board says, from now on; null where the board does not say. */
export function followAgain(rig: Rig, plan: BoardPlan, cable: Cable['id']): Edit | null {
  const wire = plan.wires.find(({ connection }) => connection.id === cable);
  const madeM = wire?.madeM ?? null;
  return madeM === null ? null : setLength(rig, cable, laid(madeM));
}
