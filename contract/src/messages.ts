import {
  GEAR_ID,
  type GearItem,
  type GearUse,
  type Job,
  type Rig,
  type RigDifference,
  type SectionSummary,
  type SwitchState,
  type Verdict,
} from '@gullwind/core';
import Joi from 'joi';
import type { ErrorCode } from './errorCatalogue';
import { readWith, type Read, type ValueProblem } from './read';
import { readItem } from './gearSchema';
import { MOST_ITEMS, RIG_SORTS, type RigSort } from './limits';
import { repeated, revision, saidTwice, uuid } from './ids';
import { readRig, stateSchema } from './rigSchema';
import { revisionName } from './workspace';

/** A rig as the server keeps it. */
export interface StoredRig {
  readonly id: string;
  readonly revision: number;
  /** Another after every restore: revisions count within it. */
  readonly lineage: string;
  readonly updatedAt: string;
  readonly rig: Rig;
}

/** What a save answers: the rig itself is what was sent. */
export type SavedRig = Omit<StoredRig, 'rig'>;

/** A save answers with the foot-switches as they stand now: another hand may have been at them meanwhile. */
export interface UpdatedRig extends SavedRig {
  readonly state: SwitchState;
}

/** A rig as the list shows it, with enough to draw its way in small. */
export interface RigListing {
  readonly id: string;
  readonly revision: number;
  readonly updatedAt: string;
  /** Off the list since then; null where it is on it. */
  readonly deletedAt: string | null;
  readonly name: string;
  readonly player: string;
  readonly note: string;
  /** Why this version cannot read it; null where it can. */
  readonly unreadable: string | null;
  readonly pedals: number;
  readonly cableM: number;
  /** Against straight in, dB; null where the rig is muted or silent. */
  readonly trebleDb: number | null;
  /** Its two octaves, 2–4 and 4–8 kHz, which may go opposite ways. */
  readonly octavesDb: readonly [lowDb: number, highDb: number] | null;
  readonly verdict: Verdict | null;
  readonly sections: readonly Pick<SectionSummary, 'driver' | 'cableM' | 'exposed'>[];
  /** Along the way: metres from the source, and the treble there, dB against straight in. */
  readonly points: readonly (readonly [atM: number, trebleDb: number])[];
  /** How far it is as a job. */
  readonly job: Job;
}

/** Which rigs are listed: those that hold every word, in an order, a page of them. */
export interface RigQuery {
  readonly search: string;
  readonly sort: RigSort;
  readonly from: number;
  /** Those that were taken off the list instead. */
  readonly removed: boolean;
}

export interface RigPage {
  /** How many there are on all pages. */
  readonly total: number;
  readonly rigs: readonly RigListing[];
}

export interface RevisionListing {
  readonly revision: number;
  readonly savedAt: string;
  /** Null for one that was saved by itself. */
  readonly name: string | null;
}

export interface RevisionPage {
  readonly total: number;
  readonly revisions: readonly RevisionListing[];
}

/** What makes one revision of another: a delta of jsondiffpatch over the parts of the rig; absent where nothing is another. */
export interface RevisionDifference {
  readonly difference?: RigDifference;
}

/** An entry of the gear list as the server keeps it. */
export interface StoredItem {
  readonly item: GearItem;
  readonly revision: number;
}

export interface GearList {
  readonly items: readonly StoredItem[];
}

/** Where an entry of the gear list stands in a rig. */
export interface RigUse extends GearUse {
  readonly rigId: string;
  readonly rigName: string;
}

/** In how many rigs entries stand. */
export interface UseCounts {
  readonly counts: readonly { readonly gear: string; readonly rigs: number }[];
}

/** Whose uses are asked for: those of an entry, those in a rig, or both. */
export interface UseQuery {
  readonly gear?: string;
  readonly rig?: string;
}

export interface UpdateItem {
  readonly basedOn: number;
  readonly item: GearItem;
}

export interface SessionState {
  readonly signInNeeded: boolean;
  /** Signed in with a passphrase. */
  readonly canSignOut: boolean;
}

/** application/problem+json */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly code: ErrorCode;
  readonly detail: string;
  /** By which the log of the server knows it. */
  readonly requestId?: string;
  readonly problems?: readonly ValueProblem[];
  /** With "rig-stale": what the server holds now. */
  readonly theirs?: StoredRig;
  /** With "rig-stale": what was sent. */
  readonly yours?: Rig;
}

export interface CreateRig {
  readonly id: string;
  readonly rig: Rig;
}

export interface UpdateRig {
  /** The revision the rig was edited from. */
  readonly basedOn: number;
  /** The one of that revision; without it the revision alone is compared. */
  readonly lineage?: string;
  readonly rig: Rig;
  /** The foot-switches as they were when the server last told; without it those of the rig stand. */
  readonly stateFrom?: SwitchState;
}

/** Foot-switches alone: no revision, no conflict. */
export interface UpdateState {
  /** As they were when the server last told. */
  readonly from: SwitchState;
  readonly state: SwitchState;
}

export const createShape = Joi.object({ id: uuid, rig: Joi.any().required() }).required();
export const updateShape = Joi.object({
  basedOn: revision,
  rig: Joi.any().required(),
  lineage: uuid.optional(),
  stateFrom: stateSchema.optional(),
}).required();
export const stateShape: Joi.ObjectSchema<UpdateState> = Joi.object({
  from: stateSchema,
  state: stateSchema,
}).required();
export const signInShape: Joi.ObjectSchema<{ passphrase: string }> = Joi.object({
  passphrase: Joi.string().max(1000).required(),
}).required();

export const readCreateRig = (value: unknown): Read<CreateRig> =>
  readWithRig<CreateRig>(createShape, value);
export const readUpdateRig = (value: unknown): Read<UpdateRig> =>
  readWithRig<UpdateRig>(updateShape, value);
export const readUpdateState = (value: unknown): Read<UpdateState> => readWith(stateShape, value);
export const readSignIn = (value: unknown): Read<{ passphrase: string }> =>
  readWith(signInShape, value);
export const readRigId = (value: unknown): Read<string> =>
  readWith<string>(uuid.label('rig id'), value);

export const queryFields = {
  search: Joi.string().allow('').max(200).default(''),
  sort: Joi.valid(...RIG_SORTS).default('changed'),
  from: Joi.number().integer().min(0).max(1_000_000_000).default(0),
  removed: Joi.boolean().default(false),
};
const querySchema: Joi.ObjectSchema<RigQuery> = Joi.object(queryFields);

/** A query of an address: every value is text there. */
export function readRigQuery(value: unknown): Read<RigQuery> {
  const { from, removed, ...rest } = value as Record<string, unknown>;
  return readWith(querySchema, {
    ...rest,
    ...(from !== undefined && { from: isWhole(from) ? Number(from) : from }),
    ...(removed !== undefined && { removed: asFlag(removed) }),
  });
}

export const useQueryFields = {
  gear: Joi.string().pattern(GEAR_ID).optional(),
  rig: uuid.optional(),
};
const useQueryShape: Joi.ObjectSchema<UseQuery> = Joi.object(useQueryFields)
  .or('gear', 'rig')
  .messages({ 'object.missing': 'An entry (“gear”) or a rig (“rig”) must be named' });
export const readUseQuery = (value: unknown): Read<UseQuery> => readWith(useQueryShape, value);

/** Whether a restore may put a workspace in the place of what is there; it may not unless told. */
export const readOverwrite = (value: unknown): Read<boolean> =>
  readWith<boolean>(
    Joi.boolean().label('overwrite').default(false) as Joi.Schema<boolean>,
    asFlag(value),
  );

const asFlag = (text: unknown) => (text === 'true' ? true : text === 'false' ? false : text);
const isWhole = (text: unknown) => typeof text === 'string' && /^\d{1,10}$/u.test(text);

export const readRevision = (value: unknown): Read<number> =>
  readWith<number>(revision.label('revision'), isWhole(value) ? Number(value) : value);

export const nameShape: Joi.ObjectSchema<{ name: string | null }> = Joi.object({
  name: revisionName,
}).required();
export const readRevisionName = (value: unknown): Read<{ readonly name: string | null }> =>
  readWith(nameShape, value);

export const itemsShape: Joi.ObjectSchema<{ items: unknown[] }> = Joi.object({
  items: Joi.array()
    .items(Joi.any())
    .min(1)
    .max(MOST_ITEMS)
    .required()
    .messages({
      'array.max': `{{#label}}: {{#value.length}} entries, at most ${MOST_ITEMS}`,
    }),
}).required();
export const updateItemShape: Joi.ObjectSchema<{ basedOn: number; item: unknown }> = Joi.object({
  basedOn: revision,
  item: Joi.any().required(),
}).required();
export const idsShape: Joi.ObjectSchema<{ ids: string[] }> = Joi.object({
  ids: Joi.array().items(Joi.string().max(64)).min(1).max(MOST_ITEMS).required(),
}).required();

/** All of them, or none with the first of what is wrong. */
export function readItems(value: unknown): Read<readonly GearItem[]> {
  const read = readWith(itemsShape, value);
  if (read.kind === 'refused') return read;
  const items: GearItem[] = [];
  for (const [i, one] of read.value.items.entries()) {
    const item = readItem(one);
    if (item.kind === 'refused') {
      const problems = item.problems.map(({ path, message }) => ({
        path: `items[${i}].${path}`,
        message,
      }));
      return { kind: 'refused', problems };
    }
    items.push(item.value);
  }
  const twice = repeated(items.map(({ id }) => id));
  if (twice) return { kind: 'refused', problems: [{ path: 'items', message: saidTwice(twice) }] };
  return { kind: 'ok', value: items };
}

export function readUpdateItem(value: unknown): Read<UpdateItem> {
  const read = readWith(updateItemShape, value);
  if (read.kind === 'refused') return read;
  const item = readItem(read.value.item);
  if (item.kind === 'refused') return item;
  return { kind: 'ok', value: { basedOn: read.value.basedOn, item: item.value } };
}

export const readIds = (value: unknown): Read<{ readonly ids: readonly string[] }> =>
  readWith(idsShape, value);

function readWithRig<T extends { readonly rig: Rig }>(shape: Joi.Schema, value: unknown): Read<T> {
  const read = readWith(shape as Joi.Schema<T>, value);
  if (read.kind === 'refused') return read;
  const rig = readRig(read.value.rig);
  return rig.kind === 'refused' ? rig : { kind: 'ok', value: { ...read.value, rig: rig.value } };
}
