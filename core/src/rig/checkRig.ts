import type { Sourced } from '../gear';
import { checkSourced } from './checkField';
import { checkBrief } from './brief';
import { checkGraph } from './checkGraph';
import { FIELD_RULES, type PartKind } from './fields';
import {
  allDevices,
  LONGEST_NAME,
  MOST,
  MOST_DEVICES,
  MOST_LOOPS,
  switchesOfDevice,
  type Rig,
} from './rig';

/** What is wrong with a rig, and where: a path such as "rows[0].leads[2].lengthM". */
export interface RigProblem {
  readonly path: string;
  readonly message: string;
}

/**
 * Everything that must hold for a rig beyond the shapes of its parts: lists within their limits, ids used
 * once, every row with a beginning and an end, switches of known devices only, names present, numbers in
 * range; and the same for every pinned rig.
 */
export function checkRig(rig: Rig): readonly RigProblem[] {
  return [
    ...checkSizes(rig),
    ...checkIds(rig),
    ...checkGraph(rig),
    ...checkStanding(rig),
    ...checkNames(rig),
    ...checkParts(rig),
    ...checkBrief(rig.brief),
    ...rig.pins.flatMap((pin, i) =>
      checkRig({ ...pin.rig, pins: [] }).map(({ path, message }) => ({
        path: `pins[${i}].rig.${path}`,
        message,
      })),
    ),
  ];
}

function* checkSizes(rig: Rig): Generator<RigProblem> {
  for (const [list, most] of Object.entries(MOST)) {
    const { length } = rig[list as keyof typeof MOST];
    if (length > most) {
      const name = list.charAt(0).toUpperCase() + list.slice(1);
      yield { path: list, message: `${name}: ${length} is above the most, ${most}.` };
    }
  }
  for (const list of ['guitars', 'rows', 'ends'] as const) {
    if (rig[list].length === 0) yield { path: list, message: `A rig needs ${list}; it has none.` };
  }
  const devices = allDevices(rig);
  if (devices.length > MOST_DEVICES) {
    const message = `Devices: ${devices.length} is above the most, ${MOST_DEVICES}.`;
    yield { path: 'rows', message };
  }
  for (const { id, name, loops } of devices) {
    if (!Number.isInteger(loops) || loops < 0 || loops > MOST_LOOPS) {
      const message = `Loops of ${name}: ${loops} is not between 0 and ${MOST_LOOPS}.`;
      yield { path: `devices.${id}.loops`, message };
    }
  }
}

function* checkIds(rig: Rig): Generator<RigProblem> {
  const seen = new Map<string, string>();
  const parts = [
    ...rig.guitars,
    ...rig.rows.flatMap((row) => [row, ...row.devices, ...row.leads.filter((l) => l !== null)]),
    ...rig.ends,
    ...rig.scenes,
    ...rig.situations,
    ...rig.pins,
  ];
  for (const part of parts) {
    const name = 'name' in part ? part.name : `row ${part.id}`;
    const other = seen.get(part.id);
    if (other !== undefined) {
      const message = `Id “${part.id}” is used twice, for ${other} and for ${name}: one thing stands in one place.`;
      yield { path: `ids.${part.id}`, message };
    }
    seen.set(part.id, name);
  }
}

function* checkStanding(rig: Rig): Generator<RigProblem> {
  const switches = new Set(allDevices(rig).flatMap((d) => [d.id, ...switchesOfDevice(d)]));
  for (const id of Object.keys(rig.standing.positions)) {
    if (!switches.has(id)) {
      const message = `There is no device “${id}” in this rig.`;
      yield { path: `standing.positions.${id}`, message };
    }
  }
  const { playing } = rig.standing;
  if (playing !== null && !rig.guitars.some(({ id }) => id === playing))
    yield { path: 'standing.playing', message: `There is no guitar “${playing}” in this rig.` };
}

function* checkNames(rig: Rig): Generator<RigProblem> {
  yield* checkName(rig.name, 'name');
  for (const list of ['guitars', 'ends', 'scenes', 'situations', 'pins'] as const) {
    for (const [i, { name }] of rig[list].entries()) yield* checkName(name, `${list}[${i}].name`);
  }
  for (const [r, { devices, leads }] of rig.rows.entries()) {
    for (const [i, { name }] of devices.entries())
      yield* checkName(name, `rows[${r}].devices[${i}].name`);
    for (const [i, lead] of leads.entries())
      if (lead) yield* checkName(lead.name, `rows[${r}].leads[${i}].name`);
  }
}

/** A name has something to read in it and fits a label. */
export function* checkName(name: string, path: string): Generator<RigProblem> {
  if (name.trim() === '')
    yield { path, message: 'Name: it is empty; at least 1 character is needed.' };
  else if (name.length > LONGEST_NAME) {
    yield { path, message: `Name: ${name.length} characters are above the most, ${LONGEST_NAME}.` };
  }
}

function* checkParts(rig: Rig): Generator<RigProblem> {
  for (const [i, guitar] of rig.guitars.entries())
    yield* checkNumbers('guitar', guitar, `guitars[${i}]`);
  for (const [r, { devices, leads }] of rig.rows.entries()) {
    for (const [i, device] of devices.entries())
      yield* checkNumbers('device', device, `rows[${r}].devices[${i}]`);
    for (const [i, lead] of leads.entries())
      if (lead) yield* checkNumbers('lead', lead, `rows[${r}].leads[${i}]`);
  }
  for (const [i, end] of rig.ends.entries()) yield* checkNumbers('end', end, `ends[${i}]`);
  for (const [i, { lengths }] of rig.situations.entries()) {
    for (const [id, length] of Object.entries(lengths)) {
      const problem = checkSourced(FIELD_RULES.lead.lengthM, length);
      if (problem) yield { path: `situations[${i}].lengths.${id}`, message: problem.message };
    }
  }
  yield* checkNumbers('reference', rig.reference, 'reference');
  yield* checkNumbers('approach', rig.approach, 'approach');
}

/** Every number of a part within its rule. */
export function* checkNumbers(kind: PartKind, part: object, at: string): Generator<RigProblem> {
  for (const [path, rule] of Object.entries(FIELD_RULES[kind])) {
    const number = readNumber(part, path);
    const problem = number && checkSourced(rule, number);
    if (problem) yield { path: `${at}.${path}`, message: problem.message };
  }
}

/** The number at a field's path in a part ("on.rInOhm"), or undefined where the part has none there. */
export function readNumber(part: object, path: string): Sourced | undefined {
  let at: unknown = part;
  for (const key of path.split('.')) {
    if (at === null || at === undefined) return undefined;
    at = (at as Readonly<Record<string, unknown>>)[key];
  }
  return (at as Sourced | null | undefined) ?? undefined;
}

/** A copy of a part with one value at a field's path replaced. */
export function writeAt<T extends object>(part: T, path: string, value: unknown): T {
  const [key, ...rest] = path.split('.') as [keyof T & string, ...string[]];
  const inner = rest.length === 0 ? value : writeAt(part[key] as object, rest.join('.'), value);
  return { ...part, [key]: inner };
}
