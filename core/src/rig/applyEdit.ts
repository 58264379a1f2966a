import type { Device, Lead } from '../gear';
import { checkField } from './checkField';
import { checkName, checkRig, readNumber, writeAt } from './checkRig';
import type { Edit, EditResult, ReplacedPart, Target } from './edit';
import { CHOICE_RULES, fieldRule } from './fields';
import { LONGEST_NAME, LONGEST_NOTE, MOST_DEVICES, type Rig } from './rig';

type EditOf<K extends Edit['kind']> = Extract<Edit, { kind: K }>;

const refused = (message: string): EditResult => ({ kind: 'refused', message });
const done = (rig: Rig, inverse: Edit): EditResult => ({ kind: 'ok', rig, inverse });

/**
 * Applies an edit. A change that alters nothing gives the same rig back, by identity; a change that
 * would break an invariant is refused with a message and leaves the rig as it was.
 */
export function applyEdit(rig: Rig, edit: Edit): EditResult {
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
      return splice(rig, edit);
    case 'move':
      return move(rig, edit);
    case 'stamp':
      return stamp(rig, edit);
  }
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

/** The part a target names, or undefined where the rig has none. */
export function findPart(rig: Rig, target: Target): object | undefined {
  switch (target.of) {
    case 'device':
      return rig.devices.find(({ id }) => id === target.id);
    case 'lead':
      return rig.leads.find(({ id }) => id === target.id);
    default:
      return rig[target.of];
  }
}

function withPart(rig: Rig, target: Target, part: object): Rig {
  switch (target.of) {
    case 'device':
      return {
        ...rig,
        devices: rig.devices.map((d) => (d.id === target.id ? (part as Device) : d)),
      };
    case 'lead':
      return { ...rig, leads: rig.leads.map((l) => (l.id === target.id ? (part as Lead) : l)) };
    default:
      return { ...rig, [target.of]: part };
  }
}

const missing = (target: Target) =>
  refused(
    'id' in target
      ? `There is no ${target.of} “${target.id}” in this rig.`
      : `There is no ${target.of} in this rig.`,
  );

function setNumber(rig: Rig, edit: EditOf<'set'>): EditResult {
  const part = findPart(rig, edit.target);
  if (!part) return missing(edit.target);
  const rule = fieldRule(edit.target.of, edit.field);
  if (!rule) return refused(`A ${edit.target.of} has no field “${edit.field}”.`);
  const problem = checkField(rule, edit.to.value);
  if (problem) return refused(problem.message);
  const before = readNumber(part, edit.field);
  const inverse: Edit = { ...edit, to: before };
  if (before.value === edit.to.value && before.from === edit.to.from) return done(rig, inverse);
  return done(withPart(rig, edit.target, writeAt(part, edit.field, edit.to)), inverse);
}

function choose(rig: Rig, edit: EditOf<'choose'>): EditResult {
  const part = findPart(rig, edit.target) as Readonly<Record<string, string | boolean>> | undefined;
  if (!part) return missing(edit.target);
  const choices: Readonly<Record<string, readonly (string | boolean)[]>> =
    CHOICE_RULES[edit.target.of];
  if (!Object.hasOwn(choices, edit.field))
    return refused(`A ${edit.target.of} has no choice “${edit.field}”.`);
  if (!choices[edit.field]!.includes(edit.to)) {
    return refused(
      `${edit.field}: “${String(edit.to)}” is not one of ${choices[edit.field]!.join(', ')}.`,
    );
  }
  const inverse: Edit = { ...edit, to: part[edit.field]! };
  if (part[edit.field] === edit.to) return done(rig, inverse);
  return done(withPart(rig, edit.target, { ...part, [edit.field]: edit.to }), inverse);
}

function rename(rig: Rig, edit: EditOf<'rename'>): EditResult {
  const [problem] = checkName(edit.to, 'name');
  if (problem) return refused(problem.message);
  const { target } = edit;
  const part = target.of === 'rig' ? rig : findPart(rig, target);
  if (!part || !('name' in part))
    return target.of === 'rig' ? refused('There is no rig.') : missing(target);
  const inverse: Edit = { ...edit, to: part.name as string };
  if (part.name === edit.to) return done(rig, inverse);
  const renamed = { ...part, name: edit.to };
  return done(target.of === 'rig' ? (renamed as Rig) : withPart(rig, target, renamed), inverse);
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
  const { part } = edit;
  const target: Target =
    part.of === 'device' || part.of === 'lead' ? { of: part.of, id: part.to.id } : { of: part.of };
  const before = findPart(rig, target);
  if (!before) return missing(target);
  return checked(withPart(rig, target, part.to), {
    kind: 'replace',
    part: { of: part.of, to: before } as ReplacedPart,
  });
}

function splice(rig: Rig, edit: EditOf<'splice'>): EditResult {
  const { at, remove, devices, leads } = edit;
  if (
    !Number.isInteger(at) ||
    !Number.isInteger(remove) ||
    at < 0 ||
    remove < 0 ||
    at + remove > rig.devices.length
  ) {
    return refused(
      `Places ${at} to ${at + remove} are not in this rig of ${rig.devices.length} devices.`,
    );
  }
  if (leads.length !== devices.length + 1) {
    return refused(`Leads: ${leads.length} for ${devices.length} devices; every hop needs one.`);
  }
  const total = rig.devices.length - remove + devices.length;
  if (total > MOST_DEVICES) return refused(`Devices: ${total} is above the most, ${MOST_DEVICES}.`);
  const gone = rig.devices.slice(at, at + remove);
  const next: Rig = {
    ...rig,
    devices: rig.devices.toSpliced(at, remove, ...devices),
    leads: rig.leads.toSpliced(at, remove + 1, ...leads),
    positions: { ...without(rig.positions, gone), ...edit.positions },
  };
  return checked(next, {
    kind: 'splice',
    at,
    remove: devices.length,
    devices: gone,
    leads: rig.leads.slice(at, at + remove + 1),
    positions: pick(rig.positions, gone),
  });
}

function move(rig: Rig, edit: EditOf<'move'>): EditResult {
  const { from, to } = edit;
  const inside = (i: number) => Number.isInteger(i) && i >= 0 && i < rig.devices.length;
  if (!inside(from) || !inside(to)) {
    return refused(
      `Place ${inside(from) ? to : from} is not in this rig of ${rig.devices.length} devices.`,
    );
  }
  const inverse: Edit = { kind: 'move', from: to, to: from };
  if (from === to) return done(rig, inverse);
  const devices = rig.devices.toSpliced(from, 1).toSpliced(to, 0, rig.devices[from]!);
  return done({ ...rig, devices }, inverse);
}

function stamp(rig: Rig, edit: EditOf<'stamp'>): EditResult {
  const unknown = Object.keys(edit.positions).find((id) => !rig.devices.some((d) => d.id === id));
  if (unknown !== undefined) return missing({ of: 'device', id: unknown });
  const before: Record<string, boolean> = {};
  const positions: Record<string, boolean> = { ...rig.positions };
  for (const [id, on] of Object.entries(edit.positions)) {
    before[id] = rig.positions[id] ?? false;
    if (on) positions[id] = true;
    else delete positions[id];
  }
  const changed = Object.entries(edit.positions).some(([id, on]) => before[id] !== on);
  return done(changed ? { ...rig, positions } : rig, { kind: 'stamp', positions: before });
}

function checked(rig: Rig, inverse: Edit): EditResult {
  const [problem] = checkRig(rig);
  return problem ? refused(problem.message) : done(rig, inverse);
}

function without(positions: Rig['positions'], devices: readonly Device[]): Record<string, boolean> {
  const gone = new Set(devices.map(({ id }) => id));
  return Object.fromEntries(Object.entries(positions).filter(([id]) => !gone.has(id)));
}

function pick(positions: Rig['positions'], devices: readonly Device[]): Record<string, boolean> {
  const entries = devices.flatMap(({ id }) =>
    id in positions ? [[id, positions[id]!] as const] : [],
  );
  return Object.fromEntries(entries);
}
