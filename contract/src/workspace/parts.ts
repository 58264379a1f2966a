import {
  isDay,
  RIG_FORMAT,
  type CableTest,
  type GearItem,
  type Hearing,
  type Hunt,
  type Measurement,
  type OffCut,
  type WorkDone,
} from '@gullwind/core';
import Joi from 'joi';
import { huntShape } from '../hunts';
import { hearingShape, measurementShape } from '../benchRecords';
import { cableTestShape, offCutShape, workDoneShape } from '../buildRecords';
import { readItem } from '../gearSchema';
import { MOST_COUNTED, revision, uuid } from '../ids';
import { LONGEST_REVISION_NAME } from '../limits';
import { keptPictureShape, type KeptPicture } from '../photo';
import { readWith, type Read, type ValueProblem } from '../read';
import { readRig } from '../rigSchema';
import type { Settings } from '../settings';
import { readSettings } from '../settingsSchema';

/// A workspace is a text of many lines, each a JSON object of its own: a header, one part a line, and an end that
/// counts them. It is written and read part by part, however much there is of it.

export const WORKSPACE_KIND = 'gullwind-workspace';
export const WORKSPACE_FORMAT = 7;

/** A rig as it stands. Its document stays in the format it was saved in. */
export interface KeptRig {
  readonly kind: 'rig';
  readonly id: string;
  readonly revision: number;
  readonly createdAt: string;
  readonly updatedAt: string;
  /** Off the list since then; null where it is on it. */
  readonly deletedAt: string | null;
  readonly document: unknown;
  /** The version that wrote it could not read it either: it is put back as it is. */
  readonly unreadable?: true;
}

/** A revision of the rig before it, the earliest first. */
export interface KeptRevision {
  readonly kind: 'revision';
  readonly rig: string;
  readonly revision: number;
  readonly savedAt: string;
  readonly name: string | null;
  readonly document: unknown;
}

export interface KeptItem {
  readonly kind: 'gear';
  readonly place: number;
  readonly revision: number;
  readonly item: GearItem;
}

export interface KeptSettings {
  readonly kind: 'settings';
  readonly settings: Settings;
}

/** What happened at the bench: behind the rig that it happened to. */
export interface KeptTest {
  readonly kind: 'test';
  readonly rig: string;
  readonly test: CableTest;
}

export interface KeptDone {
  readonly kind: 'done';
  readonly rig: string;
  readonly done: WorkDone;
}

export interface KeptOffCut {
  readonly kind: 'offCut';
  readonly offCut: OffCut;
}

/** The photograph under the board: behind its rig. */
export interface KeptPhoto {
  readonly kind: 'photo';
  readonly rig: string;
  readonly photo: KeptPicture;
}

/** What was measured and heard: behind all rigs. A rig that is not in the file is none any more. */
export interface KeptMeasurement {
  readonly kind: 'measurement';
  readonly measurement: Measurement;
}

export interface KeptHearing {
  readonly kind: 'hearing';
  readonly hearing: Hearing;
}

/** A hunt for a fault: after all rigs. One whose rig is not in the file is left out. */
export interface KeptHunt {
  readonly kind: 'hunt';
  readonly hunt: Hunt;
}

/** Everything a workshop has is made of these, but for its passphrase. */
export type WorkspacePart =
  | KeptRig
  | KeptRevision
  | KeptItem
  | KeptSettings
  | KeptTest
  | KeptDone
  | KeptPhoto
  | KeptOffCut
  | KeptMeasurement
  | KeptHearing
  | KeptHunt;

export interface WorkspaceCounts {
  readonly rigs: number;
  readonly revisions: number;
  readonly gear: number;
  /** Tests, steps done, photographs, off-cuts, measurements, what was heard, hunts. */
  readonly records: number;
}

/** What a restore has put back. */
export type Restored = WorkspaceCounts;

export const HEADER_LINE = JSON.stringify({ kind: WORKSPACE_KIND, format: WORKSPACE_FORMAT });

export const endLine = ({ rigs, revisions, gear, records }: WorkspaceCounts): string =>
  JSON.stringify({ kind: 'end', rigs, revisions, gear, records });

const MOMENT = /^(\d{4}-\d{2}-\d{2})T([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,9})?Z$/u;
const isMoment = (text: string): boolean => {
  const day = MOMENT.exec(text)?.[1];
  return day !== undefined && isDay(day);
};

export const moment = Joi.string()
  .max(40)
  .custom((text: string, helpers) => (isMoment(text) ? text : helpers.error('any.moment')))
  .required()
  .messages({ 'any.moment': '{{#label}} is “{{#value}}”, not a moment in UTC' });

export const revisionName = Joi.string().trim().max(LONGEST_REVISION_NAME).allow(null).required();

const kept = { id: uuid, revision, createdAt: moment, updatedAt: moment };
export const placeOfItem = Joi.number().integer().min(0).max(MOST_COUNTED).required();
const count = Joi.number().integer().min(0).required();

const shapes = {
  rig: Joi.object({
    kind: Joi.any(),
    ...kept,
    deletedAt: moment.allow(null),
    document: Joi.object().required(),
    unreadable: Joi.valid(true),
  }),
  revision: Joi.object({
    kind: Joi.any(),
    rig: uuid,
    revision,
    savedAt: moment,
    name: revisionName,
    document: Joi.object().required(),
  }),
  gear: Joi.object({
    kind: Joi.any(),
    place: placeOfItem,
    revision,
    item: Joi.object().required(),
  }),
  settings: Joi.object({ kind: Joi.any(), settings: Joi.object().required() }),
  test: Joi.object({ kind: Joi.any(), rig: uuid, test: cableTestShape }),
  done: Joi.object({ kind: Joi.any(), rig: uuid, done: workDoneShape }),
  photo: Joi.object({ kind: Joi.any(), rig: uuid, photo: keptPictureShape }),
  offCut: Joi.object({ kind: Joi.any(), offCut: offCutShape }),
  measurement: Joi.object({ kind: Joi.any(), measurement: measurementShape }),
  hearing: Joi.object({ kind: Joi.any(), hearing: hearingShape }),
  hunt: Joi.object({ kind: Joi.any(), hunt: huntShape }),
  // Format 3 had no records to count.
  end: Joi.object({
    kind: Joi.any(),
    rigs: count,
    revisions: count,
    gear: count,
    records: Joi.number().integer().min(0).default(0),
  }),
};

type Line = WorkspacePart | ({ readonly kind: 'end' } & WorkspaceCounts);

const under = (at: string, problems: readonly ValueProblem[]): Read<never> => ({
  kind: 'refused',
  problems: problems.map(({ path, message }) => ({ path: `${at}.${path}`, message })),
});

/** What a line behind the header says; a rig, an entry and settings have to be readable. */
export function readPart(value: unknown): Read<Line> {
  const kind = (value as { kind?: unknown } | null)?.kind;
  const shape =
    typeof kind === 'string' && Object.hasOwn(shapes, kind) ? shapes[kind as Line['kind']] : null;
  if (!shape)
    return {
      kind: 'refused',
      problems: [
        { path: 'kind', message: `“kind” must be one of ${Object.keys(shapes).join(', ')}.` },
      ],
    };
  const read = readWith(shape as unknown as Joi.Schema<Line>, value);
  return read.kind === 'refused' ? read : readInside(read.value);
}

function readInside(line: Line): Read<Line> {
  const ok = { kind: 'ok' as const, value: line };
  switch (line.kind) {
    case 'rig': {
      const rig = line.unreadable ? ok : readRig(line.document);
      return rig.kind === 'refused' ? under(`document of ${line.id}`, rig.problems) : ok;
    }
    case 'gear': {
      const item = readItem(line.item);
      return item.kind === 'refused'
        ? under('item', item.problems)
        : { kind: 'ok', value: { ...line, item: item.value } };
    }
    case 'settings': {
      const settings = readSettings(line.settings);
      return settings.kind === 'refused' ? under('settings', settings.problems) : ok;
    }
    default:
      return ok;
  }
}

/** Which part a line is, in words, as far as it can be told from what may be none. */
export function sayPart(value: unknown): string {
  const line = Object(value) as Record<string, Record<string, unknown> | string | undefined>;
  const kind = String(line.kind);
  const inside = Object(line[INSIDE[kind] ?? kind] ?? line) as Record<string, unknown>;
  const texts = Object(inside.texts) as Record<string, unknown>;
  const name = texts.name ?? inside.name ?? inside.step ?? inside.id ?? line.id ?? line.rig;
  return typeof name === 'string' ? `${kind} “${name.slice(0, LONGEST_SAID)}”` : kind;
}

const LONGEST_SAID = 80;
/** Where a line has what it is about. */
const INSIDE: Readonly<Record<string, string>> = { rig: 'document', gear: 'item' };

/** What a JSON file holds, as far as a look at it tells. */
export function sortJson(value: unknown): 'workspace' | 'rig' | 'unknown' {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return 'unknown';
  const { kind, format } = value as { kind?: unknown; format?: unknown };
  if (kind === WORKSPACE_KIND) return 'workspace';
  const looksLikeRig = 'electrical' in value || 'rows' in value || 'devices' in value;
  return typeof format === 'number' && (looksLikeRig || format > RIG_FORMAT) ? 'rig' : 'unknown';
}
