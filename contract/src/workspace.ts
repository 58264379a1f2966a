import { isDay, RIG_FORMAT, type GearItem } from '@gullwind/core';
import Joi from 'joi';
import { readItem } from './gearSchema';
import { readWith, type Read, type ValueProblem } from './read';
import { readRig } from './rigSchema';
import { repeated, revision, saidTwice, uuid } from './ids';
import type { Settings } from './settings';
import { readSettings } from './settingsSchema';

export const WORKSPACE_KIND = 'gullwind-workspace';
export const WORKSPACE_FORMAT = 2;

/** A rig with everything that was kept of it. Documents stay in the format they were saved in. */
export interface KeptRig {
  readonly id: string;
  readonly revision: number;
  readonly createdAt: string;
  readonly updatedAt: string;
  /** Off the list since then; null where it is on it. */
  readonly deletedAt: string | null;
  readonly document: unknown;
  readonly revisions: readonly {
    readonly revision: number;
    readonly savedAt: string;
    readonly document: unknown;
  }[];
}

/** Everything a workshop has, but for its passphrase. */
export interface Workspace {
  readonly kind: typeof WORKSPACE_KIND;
  readonly format: typeof WORKSPACE_FORMAT;
  readonly rigs: readonly KeptRig[];
  readonly gear: readonly {
    readonly place: number;
    readonly revision: number;
    readonly item: GearItem;
  }[];
  /** Null while nothing was ever set. */
  readonly settings: Settings | null;
}

export interface RestoreWorkspace {
  readonly overwrite: boolean;
  readonly workspace: Workspace;
}

export interface Restored {
  readonly rigs: number;
  readonly gear: number;
}

const moment = Joi.string()
  .max(40)
  .custom((text: string, helpers) => (isMoment(text) ? text : helpers.error('any.moment')))
  .required()
  .messages({ 'any.moment': '{{#label}} is “{{#value}}”, not a moment in UTC' });

const MOMENT = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,9})?Z$/u;
const isMoment = (text: string): boolean => {
  const day = MOMENT.exec(text)?.[1];
  return day !== undefined && isDay(day);
};

const shape: Joi.ObjectSchema<Workspace> = Joi.object({
  kind: Joi.valid(WORKSPACE_KIND).required(),
  format: Joi.valid(1, WORKSPACE_FORMAT)
    .required()
    .messages({
      'any.only': `{{#label}} is {{#value}}; this version reads format ${WORKSPACE_FORMAT} and those before it`,
    }),
  rigs: Joi.array()
    .items(
      Joi.object({
        id: uuid,
        revision,
        createdAt: moment,
        updatedAt: moment,
        deletedAt: moment.allow(null),
        document: Joi.object().required(),
        revisions: Joi.array()
          .items(Joi.object({ revision, savedAt: moment, document: Joi.object().required() }))
          .unique('revision')
          .required(),
      }),
    )
    .unique('id')
    .required(),
  gear: Joi.array()
    .items(
      Joi.object({
        place: Joi.number().integer().min(0).max(2_147_483_647).required(),
        revision,
        item: Joi.object().required(),
      }),
    )
    .required(),
  settings: Joi.object().allow(null).required(),
}).required();

const under = (at: string, problems: readonly ValueProblem[]): readonly ValueProblem[] =>
  problems.map(({ path, message }) => ({ path: `${at}.${path}`, message }));

/** A workspace from outside: every rig, entry and setting in it has to be readable. */
export function readWorkspace(value: unknown): Read<Workspace> {
  const read = readWith(shape, value);
  if (read.kind === 'refused') return read;
  const problems: ValueProblem[] = [];
  const gear: Workspace['gear'][number][] = [];
  for (const [i, { id, document }] of read.value.rigs.entries()) {
    const rig = readRig(document);
    if (rig.kind === 'refused') problems.push(...under(`rigs[${i}] (${id})`, rig.problems));
  }
  for (const [i, kept] of read.value.gear.entries()) {
    const item = readItem(kept.item);
    if (item.kind === 'refused') problems.push(...under(`gear[${i}].item`, item.problems));
    else gear.push({ ...kept, item: item.value });
  }
  const twice = repeated(gear.map(({ item }) => item.id));
  if (twice) problems.push({ path: 'gear', message: saidTwice(twice) });
  const settings = read.value.settings === null ? null : readSettings(read.value.settings);
  if (settings?.kind === 'refused') problems.push(...under('settings', settings.problems));
  if (problems.length > 0) return { kind: 'refused', problems: problems.slice(0, 20) };
  return { kind: 'ok', value: { ...read.value, format: WORKSPACE_FORMAT, gear } };
}

const restoreShape: Joi.ObjectSchema<{ overwrite: boolean; workspace: unknown }> = Joi.object({
  overwrite: Joi.boolean().required(),
  workspace: Joi.any().required(),
}).required();

export function readRestore(value: unknown): Read<RestoreWorkspace> {
  const read = readWith(restoreShape, value);
  if (read.kind === 'refused') return read;
  const workspace = readWorkspace(read.value.workspace);
  if (workspace.kind === 'refused') return workspace;
  return { kind: 'ok', value: { overwrite: read.value.overwrite, workspace: workspace.value } };
}

/** What a JSON file holds, as far as a look at it tells. */
export function sortJson(value: unknown): 'workspace' | 'rig' | 'unknown' {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return 'unknown';
  const { kind, format } = value as { kind?: unknown; format?: unknown };
  if (kind === WORKSPACE_KIND) return 'workspace';
  const looksLikeRig = 'electrical' in value || 'rows' in value || 'devices' in value;
  return typeof format === 'number' && (looksLikeRig || format > RIG_FORMAT) ? 'rig' : 'unknown';
}
