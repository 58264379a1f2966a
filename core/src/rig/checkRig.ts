import type { Sourced } from '../gear';
import { checkField } from './checkField';
import { FIELD_RULES, type PartKind } from './fields';
import { LONGEST_NAME, MOST_DEVICES, type Rig } from './rig';

/** What is wrong with a rig, and where: a path such as "leads[2].lengthM". */
export interface RigProblem {
  readonly path: string;
  readonly message: string;
}

/**
 * Everything that must hold for a rig beyond the shapes of its parts: one lead more than devices, at
 * most 64 devices, ids used once, positions of known devices only, names present, numbers in range.
 */
export function checkRig(rig: Rig): readonly RigProblem[] {
  return [
    ...checkRow(rig),
    ...checkIds(rig),
    ...checkNames(rig),
    ...checkNumbers('guitar', rig.guitar, 'guitar'),
    ...rig.devices.flatMap((device, i) => [...checkNumbers('device', device, `devices[${i}]`)]),
    ...rig.leads.flatMap((lead, i) => [...checkNumbers('lead', lead, `leads[${i}]`)]),
    ...checkNumbers('amp', rig.amp, 'amp'),
    ...checkNumbers('reference', rig.reference, 'reference'),
  ];
}

function* checkRow(rig: Rig): Generator<RigProblem> {
  if (rig.devices.length > MOST_DEVICES) {
    yield {
      path: 'devices',
      message: `Devices: ${rig.devices.length} is above the most, ${MOST_DEVICES}.`,
    };
  }
  if (rig.leads.length !== rig.devices.length + 1) {
    yield {
      path: 'leads',
      message: `Leads: ${rig.leads.length} for ${rig.devices.length} devices; every hop needs one, ${rig.devices.length + 1} in all.`,
    };
  }
}

function* checkIds(rig: Rig): Generator<RigProblem> {
  const seen = new Set<string>();
  for (const [list, things] of [
    ['devices', rig.devices],
    ['leads', rig.leads],
  ] as const) {
    for (const [i, { id }] of things.entries()) {
      if (seen.has(id)) yield { path: `${list}[${i}].id`, message: `Id “${id}” is used twice.` };
      seen.add(id);
    }
  }
  const devices = new Set(rig.devices.map(({ id }) => id));
  for (const id of Object.keys(rig.positions)) {
    if (!devices.has(id)) {
      yield {
        path: `positions.${id}`,
        message: `A switch position names device “${id}”, which is not in the rig.`,
      };
    }
  }
}

function* checkNames(rig: Rig): Generator<RigProblem> {
  yield* checkName(rig.name, 'name');
  yield* checkName(rig.guitar.name, 'guitar.name');
  yield* checkName(rig.amp.name, 'amp.name');
  for (const [i, device] of rig.devices.entries())
    yield* checkName(device.name, `devices[${i}].name`);
  for (const [i, lead] of rig.leads.entries()) yield* checkName(lead.name, `leads[${i}].name`);
}

/** A name has something to read in it and fits a label. */
export function* checkName(name: string, path: string): Generator<RigProblem> {
  if (name.trim() === '')
    yield { path, message: 'Name: it is empty; at least 1 character is needed.' };
  else if (name.length > LONGEST_NAME) {
    yield { path, message: `Name: ${name.length} characters are above the most, ${LONGEST_NAME}.` };
  }
}

function* checkNumbers(kind: PartKind, part: object, at: string): Generator<RigProblem> {
  for (const [path, rule] of Object.entries(FIELD_RULES[kind])) {
    const problem = checkField(rule, readNumber(part, path).value);
    if (problem) yield { path: `${at}.${path}`, message: problem.message };
  }
}

/** The number at a field's path in a part ("on.rInOhm"). */
export function readNumber(part: object, path: string): Sourced {
  let at: unknown = part;
  for (const key of path.split('.')) at = (at as Readonly<Record<string, unknown>>)[key];
  return at as Sourced;
}

/** A copy of a part with one value at a field's path replaced. */
export function writeAt<T extends object>(part: T, path: string, value: unknown): T {
  const [key, ...rest] = path.split('.') as [keyof T & string, ...string[]];
  const inner = rest.length === 0 ? value : writeAt(part[key] as object, rest.join('.'), value);
  return { ...part, [key]: inner };
}
