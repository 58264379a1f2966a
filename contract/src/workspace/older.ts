import Joi from 'joi';
import { readItem } from '../gearSchema';
import { repeated, revision, saidTwice, uuid } from '../ids';
import { readWith, type Read, type ValueProblem } from '../read';
import { readRig } from '../rigSchema';
import { readSettings } from '../settingsSchema';
import {
  moment,
  placeOfItem,
  WORKSPACE_FORMAT,
  WORKSPACE_KIND,
  type KeptItem,
  type KeptRevision,
  type KeptRig,
  type KeptSettings,
  type WorkspacePart,
} from './parts';

/// Workspaces of formats 1 and 2: one JSON value of everything.

interface OlderWorkspace {
  readonly rigs: readonly (Omit<KeptRig, 'kind' | 'unreadable'> & {
    readonly revisions: readonly Pick<KeptRevision, 'revision' | 'savedAt' | 'document'>[];
  })[];
  readonly gear: readonly Omit<KeptItem, 'kind'>[];
  readonly settings: KeptSettings['settings'] | null;
}

const shape: Joi.ObjectSchema<OlderWorkspace> = Joi.object({
  kind: Joi.valid(WORKSPACE_KIND).required(),
  format: Joi.valid(1, 2)
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
    .items(Joi.object({ place: placeOfItem, revision, item: Joi.object().required() }))
    .required(),
  settings: Joi.object().allow(null).required(),
}).required();

const under = (at: string, problems: readonly ValueProblem[]): readonly ValueProblem[] =>
  problems.map(({ path, message }) => ({ path: `${at}.${path}`, message }));

/** A workspace of an earlier format, part by part: every rig, entry and setting in it has to be readable. */
export function readOlderWorkspace(value: unknown): Read<readonly WorkspacePart[]> {
  const read = readWith(shape, value);
  if (read.kind === 'refused') return read;
  const problems = [...problemsOfRigs(read.value.rigs)];
  const gear: KeptItem[] = [];
  for (const [i, kept] of read.value.gear.entries()) {
    const item = readItem(kept.item);
    if (item.kind === 'refused') problems.push(...under(`gear[${i}].item`, item.problems));
    else gear.push({ kind: 'gear', ...kept, item: item.value });
  }
  const twice = repeated(gear.map(({ item }) => item.id));
  if (twice) problems.push({ path: 'gear', message: saidTwice(twice) });
  const settings = read.value.settings === null ? null : readSettings(read.value.settings);
  if (settings?.kind === 'refused') problems.push(...under('settings', settings.problems));
  if (problems.length > 0) return { kind: 'refused', problems: problems.slice(0, 20) };
  const kept: KeptSettings[] =
    settings?.kind === 'ok' ? [{ kind: 'settings', settings: settings.value }] : [];
  return { kind: 'ok', value: [...kept, ...gear, ...read.value.rigs.flatMap(partsOfRig)] };
}

function* problemsOfRigs(rigs: OlderWorkspace['rigs']): Generator<ValueProblem> {
  for (const [i, { id, document }] of rigs.entries()) {
    const rig = readRig(document);
    if (rig.kind === 'refused') yield* under(`rigs[${i}] (${id})`, rig.problems);
  }
}

function partsOfRig({ revisions, ...rig }: OlderWorkspace['rigs'][number]): WorkspacePart[] {
  const ascending = revisions.toSorted((one, other) => one.revision - other.revision);
  return [
    { kind: 'rig', ...rig },
    ...ascending.map((kept) => ({ kind: 'revision' as const, rig: rig.id, name: null, ...kept })),
  ];
}
