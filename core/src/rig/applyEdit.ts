import { checkName, checkRig } from './checkRig';
import type { Edit, EditResult, ListEdit, NamedTarget, Target } from './edit';
import { applyHop, applyMove, applySplice } from './applyRowEdit';
import { chooseInPart, setInPart, type PartChange } from './partEdits';
import { findPart, withPart } from './parts';
import { LONGEST_NAME, LONGEST_NOTE, type Rig, type Standing } from './rig';

type EditOf<K extends Edit['kind']> = Extract<Edit, { kind: K }>;

const refused = (message: string): EditResult => ({ kind: 'refused', message });
const done = (rig: Rig, inverse: Edit): EditResult => ({ kind: 'ok', rig, inverse });

/** Edits after which everything that holds between the parts has to be looked at again. */
const STRUCTURAL: ReadonlySet<Edit['kind']> = new Set([
  'replace',
  'splice',
  'hop',
  'list',
  'assign',
  'stamp',
  'restore',
  'group',
]);

/**
 * Applies an edit. A change that alters nothing gives the same rig back, by identity; a change that
 * would break an invariant is refused with a message and leaves the rig as it was.
 */
export function applyEdit(rig: Rig, edit: Edit): EditResult {
  const result = apply(rig, edit);
  if (result.kind === 'refused' || result.rig === rig || !STRUCTURAL.has(edit.kind)) return result;
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

function apply(rig: Rig, edit: Edit): EditResult {
  switch (edit.kind) {
    case 'set':
      return setNumber(rig, edit);
    case 'choose':
      return choose(rig, edit);
    case 'rename':
      return rename(rig, edit);
    case 'describe':
      return describe(rig, edit);
    case 'replace':
      return replacePart(rig, edit);
    case 'splice':
      return applySplice(rig, edit);
    case 'move':
      return applyMove(rig, edit);
    case 'hop':
      return applyHop(rig, edit);
    case 'list':
      return list(rig, edit);
    case 'assign':
      return done({ ...rig, [edit.field]: edit.to }, {
        ...edit,
        to: rig[edit.field],
      } as EditOf<'assign'>);
    case 'stamp':
      return stamp(rig, edit);
    case 'restore':
      return restore(rig, edit);
    case 'group':
      return group(rig, edit);
  }
}

const missing = (target: NamedTarget) =>
  refused(
    'id' in target
      ? `There is no ${target.of} “${target.id}” in this rig.`
      : `There is no ${target.of} in this rig.`,
  );

function setNumber(rig: Rig, edit: EditOf<'set'>): EditResult {
  const part = findPart(rig, edit.target);
  if (!part) return missing(edit.target);
  const change = setInPart(edit.target.of, part, edit.field, edit.to);
  return keepPart(rig, edit.target, part, change, (to) => ({ ...edit, to }));
}

function choose(rig: Rig, edit: EditOf<'choose'>): EditResult {
  const part = findPart(rig, edit.target);
  if (!part) return missing(edit.target);
  const change = chooseInPart(edit.target.of, part, edit.field, edit.to);
  return keepPart(rig, edit.target, part, change, (to) => ({ ...edit, to }));
}

function keepPart<T>(
  rig: Rig,
  target: Target,
  part: object,
  change: PartChange<T>,
  inverse: (to: T) => Edit,
): EditResult {
  if (change.kind === 'refused') return change;
  const after = change.part === part ? rig : withPart(rig, target, change.part);
  return done(after, inverse(change.before));
}

function rename(rig: Rig, edit: EditOf<'rename'>): EditResult {
  const [problem] = checkName(edit.to, 'name');
  if (problem) return refused(problem.message);
  const part = findPart(rig, edit.target);
  if (!part || !('name' in part)) return missing(edit.target);
  const inverse: Edit = { ...edit, to: part.name as string };
  if (part.name === edit.to) return done(rig, inverse);
  return done(withPart(rig, edit.target, { ...part, name: edit.to }), inverse);
}

function describe(rig: Rig, edit: EditOf<'describe'>): EditResult {
  const most = edit.field === 'player' ? LONGEST_NAME : LONGEST_NOTE;
  if (edit.to.length > most) {
    return refused(`${edit.field}: ${edit.to.length} characters are above the most, ${most}.`);
  }
  const inverse: Edit = { ...edit, to: rig[edit.field] };
  return done(rig[edit.field] === edit.to ? rig : { ...rig, [edit.field]: edit.to }, inverse);
}

function replacePart(rig: Rig, edit: EditOf<'replace'>): EditResult {
  const { of, to } = edit.part;
  const target: Target = { of, id: to.id };
  const before = findPart(rig, target);
  if (!before) return missing(target);
  const part = { of, to: before } as EditOf<'replace'>['part'];
  return done(withPart(rig, target, to), { kind: 'replace', part });
}

function list(rig: Rig, edit: ListEdit): EditResult {
  const { of, at, remove, insert } = edit;
  const before = rig[of] as readonly unknown[];
  if (at < 0 || remove < 0 || at + remove > before.length) {
    return refused(`Places ${at} to ${at + remove} are not among ${before.length} ${of}.`);
  }
  const after = before.toSpliced(at, remove, ...(insert as readonly unknown[]));
  return done({ ...rig, [of]: after }, {
    kind: 'list',
    of,
    at,
    remove: insert.length,
    insert: before.slice(at, at + remove),
  } as ListEdit);
}

function stamp(rig: Rig, { kind: _, ...change }: EditOf<'stamp'>): EditResult {
  const { standing } = rig;
  const before: Record<string, boolean> = {};
  const positions: Record<string, boolean> = { ...standing.positions };
  for (const [id, on] of Object.entries(change.positions ?? {})) {
    before[id] = standing.positions[id] ?? false;
    if (on) positions[id] = true;
    else delete positions[id];
  }
  const { playing = standing.playing, powered = standing.powered } = change;
  const inverse: Edit = {
    kind: 'stamp',
    positions: before,
    playing: standing.playing,
    powered: standing.powered,
  };
  const changed =
    Object.entries(change.positions ?? {}).some(([id, on]) => before[id] !== on) ||
    playing !== standing.playing ||
    powered !== standing.powered;
  const next: Standing = { positions, playing, powered };
  return done(changed ? { ...rig, standing: next } : rig, inverse);
}

function restore(rig: Rig, edit: EditOf<'restore'>): EditResult {
  const { pins, ...before } = rig;
  return done({ ...edit.rig, pins }, { kind: 'restore', rig: before });
}

function group(rig: Rig, { edits }: EditOf<'group'>): EditResult {
  const inverses: Edit[] = [];
  let now = rig;
  for (const edit of edits) {
    const result = apply(now, edit);
    if (result.kind === 'refused') return result;
    now = result.rig;
    inverses.unshift(result.inverse);
  }
  return done(now, { kind: 'group', edits: inverses });
}
