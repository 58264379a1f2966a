import type { Rig } from '../rig';
import { checkRig } from '../checkRig';
import { ASSIGN, type AssignEdit } from './assign';
import { CHOOSE, type ChooseEdit } from './choose';
import { CONNECT, type ConnectEdit } from './connect';
import { DESCRIBE, type DescribeEdit } from './describe';
import { refused, type EditKind, type KindResult, type Touched } from './editKind';
import { applyGroup, type GroupEdit } from './group';
import { LIST, type ListEdit } from './list';
import { MOVE, type MoveEdit } from './move';
import { PLACE, type PlaceEdit } from './place';
import { RENAME, type RenameEdit } from './rename';
import { REPLACE, type ReplaceEdit } from './replace';
import { RESTORE, type RestoreEdit } from './restore';
import { SET, type SetEdit } from './set';
import { SPLICE, type SpliceEdit } from './splice';
import { SWITCH, type SwitchEdit } from './switch';

type SingleEdit =
  | SetEdit
  | ChooseEdit
  | RenameEdit
  | DescribeEdit
  | ReplaceEdit
  | SpliceEdit
  | MoveEdit
  | ConnectEdit
  | ListEdit
  | AssignEdit
  | PlaceEdit
  | SwitchEdit
  | RestoreEdit;

/**
 * A change to a rig as a small serialisable value. `applyEdit` yields the new rig and the edit that
 * takes it back.
 */
export type Edit = SingleEdit | GroupEdit<Edit>;

export type EditResult = KindResult<Edit>;

/** Every kind there is; a new one is a file of its own and an entry here. */
const KINDS: {
  readonly [K in SingleEdit['kind']]: EditKind<Extract<SingleEdit, { kind: K }>>;
} = {
  set: SET,
  choose: CHOOSE,
  rename: RENAME,
  describe: DESCRIBE,
  replace: REPLACE,
  splice: SPLICE,
  move: MOVE,
  connect: CONNECT,
  list: LIST,
  assign: ASSIGN,
  place: PLACE,
  switch: SWITCH,
  restore: RESTORE,
};

const kindOf = (edit: SingleEdit): EditKind<SingleEdit> =>
  KINDS[edit.kind] as unknown as EditKind<SingleEdit>;

const apply = (rig: Rig, edit: Edit): EditResult =>
  edit.kind === 'group' ? applyGroup(rig, edit, apply) : kindOf(edit).apply(rig, edit);

const isStructural = (edit: Edit): boolean =>
  edit.kind === 'group' ? edit.edits.some(isStructural) : kindOf(edit).isStructural;

/** The parts of the document that an edit may change. */
export const touchedBy = (edit: Edit): ReadonlySet<Touched> =>
  new Set(
    edit.kind === 'group'
      ? edit.edits.flatMap((e) => [...touchedBy(e)])
      : kindOf(edit).touches(edit),
  );

/**
 * Applies an edit. A change that alters nothing gives the same rig back, by identity; a change that
 * would break an invariant is refused with a message and leaves the rig as it was.
 */
export function applyEdit(rig: Rig, edit: Edit): EditResult {
  const result = apply(rig, edit);
  if (result.kind === 'refused' || result.rig === rig || !isStructural(edit)) return result;
  const [problem] = checkRig(result.rig);
  return problem ? refused(problem.message) : result;
}

/**
 * Applies edits that must go through, one after the other.
 *
 * @throws Error with the refusal of the first that does not
 */
export function applyEdits(rig: Rig, ...edits: readonly Edit[]): Rig {
  return edits.reduce((now, edit) => {
    const result = applyEdit(now, edit);
    if (result.kind === 'refused') throw new Error(result.message);
    return result.rig;
  }, rig);
}

/**
 * Applies an edit that is known to leave a rig whole, without looking at it again: for searches that try
 * thousands. Null where it is refused.
 */
export function applyTrusted(rig: Rig, edit: Edit): Rig | null {
  const result = apply(rig, edit);
  return result.kind === 'ok' ? result.rig : null;
}
