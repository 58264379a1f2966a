import type {
  CreateRig,
  SavedRig,
  SentAnswer,
  SentHearing,
  HuntSetting,
  SentHunt,
  SentMeasurement,
  SentTest,
  SentTicks,
  Settings,
  StoredItem,
  UpdatedRig,
  UpdateItem,
  UpdateRig,
  UpdateState,
} from '@gullwind/contract';
import type {
  BoardPhoto,
  BuildRecords,
  CableTest,
  GearItem,
  Hearing,
  Hunt,
  HuntEnding,
  Measurement,
  PhotoLie,
} from '@gullwind/core';
import type { Operation, Write } from './operation';
import { followSave, resolveSave } from './rigSave';
import type { RigSave } from './unsavedRig';

/// Everything that the page writes: what it is about, what the server is asked, and what it is called while it waits.

interface Photo {
  readonly photo: BoardPhoto | null;
}

/** A measurement, and the entry of the gear list that takes its values over. */
export interface Measured {
  readonly id: string;
  readonly sent: SentMeasurement;
  readonly accepted?: UpdateItem;
}

interface OfRig {
  readonly id: string;
}

interface OfHunt {
  readonly id: string;
}

/** Helps to say a write's arguments and answer without repeating them. */
const write = <Args, Data>(kind: Write<Args, Data>): Write<Args, Data> => kind;

const rigOf = ({ id }: OfRig): string => `rig:${id}`;
const huntOf = ({ id }: OfHunt): string => `hunt:${id}`;
const buildOf = ({ id }: OfRig): string => `build:${id}`;
const photoOf = ({ id }: OfRig): string => `photo:${id}`;
const put = (path: string, body: unknown) => ({ path, method: 'PUT', body }) as const;

const RIGS = {
  createRig: write<CreateRig, SavedRig>({
    subject: rigOf,
    question: (body) => ({ path: '/rigs', method: 'POST', body }),
    says: ({ rig }) => `New rig “${rig.texts.name}”`,
  }),
  saveRig: write<RigSave, UpdatedRig>({
    subject: rigOf,
    question: ({ id, rig, basedOn, lineage, stateFrom, isStateAlone }) => {
      if (stateFrom && isStateAlone) {
        const body: UpdateState = { from: stateFrom, state: rig.state };
        return put(`/rigs/${id}/state`, body);
      }
      const body: UpdateRig = {
        ...{ basedOn, rig },
        ...(lineage && { lineage }),
        ...(stateFrom && { stateFrom }),
      };
      return put(`/rigs/${id}`, body);
    },
    says: ({ rig }) => `The rig “${rig.texts.name}”`,
    replaces: true,
    follow: followSave,
    resolve: resolveSave,
  }),
  deleteRig: write<OfRig, null>({
    subject: rigOf,
    question: ({ id }) => ({ path: `/rigs/${id}`, method: 'DELETE' }),
    says: () => 'Taking a rig off the list',
  }),
  restoreRig: write<OfRig, null>({
    subject: rigOf,
    question: ({ id }) => ({ path: `/rigs/${id}/restore`, method: 'POST' }),
    says: () => 'Putting a rig back on the list',
  }),
  nameRevision: write<OfRig & { readonly revision: number; readonly name: string | null }, null>({
    subject: rigOf,
    question: ({ id, revision, name }) => put(`/rigs/${id}/revisions/${revision}`, { name }),
    says: ({ revision, name }) =>
      name === null ? `Revision ${revision} without its name` : `Revision “${name}”`,
  }),
};

/** A change of an entry starts from the revision that the one before it made. */
function rebased(update: UpdateItem, before: Pick<Operation, 'name' | 'args'>, data: unknown) {
  if (before.name !== 'putItem') return update;
  const { item, revision } = data as StoredItem;
  return item.id === update.item.id ? { ...update, basedOn: revision } : update;
}

const GEAR = {
  addGear: write<readonly GearItem[], unknown>({
    subject: () => 'gear',
    question: (items) => ({ path: '/gear', method: 'POST', body: { items } }),
    says: (items) =>
      items.length === 1 ? `Gear: “${items[0]!.thing.name}”` : `Gear: ${items.length} entries`,
  }),
  removeGear: write<readonly string[], null>({
    subject: () => 'gear',
    question: (ids) => ({ path: '/gear/remove', method: 'POST', body: { ids } }),
    says: (ids) =>
      ids.length === 1 ? 'Removing an entry from Gear' : `Removing ${ids.length} entries from Gear`,
  }),
  putItem: write<UpdateItem, StoredItem>({
    subject: () => 'gear',
    question: (body) => put(`/gear/${body.item.id}`, body),
    says: ({ item }) => `Gear: “${item.thing.name}”`,
    follow: (args, before, data) => rebased(args, before, data),
  }),
};

const BUILD = {
  setDone: write<OfRig & SentTicks, BuildRecords>({
    subject: buildOf,
    question: ({ id, ...body }) => put(`/rigs/${id}/done`, body),
    says: ({ ticks }) =>
      ticks.length === 1 ? 'A step in Build' : `${ticks.length} steps in Build`,
  }),
  addTest: write<OfRig & { readonly testId: string; readonly test: SentTest }, CableTest>({
    subject: buildOf,
    question: ({ id, testId, test }) => put(`/rigs/${id}/tests/${testId}`, test),
    says: ({ test }) => `The test of ${test.label}`,
  }),
  putPhoto: write<OfRig & { readonly file: Blob; readonly lie?: PhotoLie }, Photo>({
    subject: photoOf,
    question: ({ id, file, lie }) =>
      put(`/rigs/${id}/photo${lie ? `?lie=${encodeURIComponent(JSON.stringify(lie))}` : ''}`, file),
    says: () => 'A photograph of a board',
  }),
  layPhoto: write<OfRig & { readonly lie: PhotoLie }, Photo>({
    subject: photoOf,
    question: ({ id, lie }) => put(`/rigs/${id}/photo/lie`, lie),
    says: () => 'Where a photograph lies',
    replaces: true,
  }),
  removePhoto: write<OfRig, null>({
    subject: photoOf,
    question: ({ id }) => ({ path: `/rigs/${id}/photo`, method: 'DELETE' }),
    says: () => 'Removing a photograph',
  }),
  removeOffCut: write<OfRig, null>({
    subject: () => 'offCuts',
    question: ({ id }) => ({ path: `/off-cuts/${id}`, method: 'DELETE' }),
    says: () => 'An off-cut that is used up',
  }),
};

const BENCH = {
  // In one row with changes of the gear list: a value that is taken over comes with what it rests on.
  addMeasurement: write<Measured, Measurement>({
    subject: () => 'gear',
    question: ({ id, sent, accepted }) =>
      put(`/measurements/${id}`, { ...sent, ...(accepted && { accepted }) }),
    says: ({ sent }) => `The measurement of “${sent.subject}”`,
    follow: (args, before, data) =>
      args.accepted ? { ...args, accepted: rebased(args.accepted, before, data) } : args,
  }),
  strikeMeasurement: write<{ readonly id: string; readonly struck: string | null }, Measurement>({
    subject: () => 'gear',
    question: ({ id, struck }) => put(`/measurements/${id}/struck`, { struck }),
    says: ({ struck }) =>
      struck === null ? 'A measurement that counts again' : 'A measurement struck out',
  }),
  addHearing: write<{ readonly id: string; readonly heard: SentHearing }, Hearing>({
    subject: () => 'hearings',
    question: ({ id, heard }) => put(`/hearings/${id}`, heard),
    says: ({ heard }) => `What ${heard.listener} heard`,
  }),
};

const HUNTS = {
  putHunt: write<OfHunt & { readonly hunt: SentHunt }, Hunt>({
    subject: huntOf,
    question: ({ id, hunt }) => put(`/hunts/${id}`, hunt),
    says: () => 'A fault to trace',
  }),
  setHunt: write<OfHunt & { readonly setting: HuntSetting }, Hunt>({
    subject: huntOf,
    question: ({ id, setting }) => put(`/hunts/${id}/setting`, setting),
    says: () => 'How a fault search goes on',
  }),
  addHuntAnswer: write<OfHunt & { readonly answerId: string; readonly answer: SentAnswer }, Hunt>({
    subject: huntOf,
    question: ({ id, answerId, answer }) => put(`/hunts/${id}/answers/${answerId}`, answer),
    says: ({ answer }) => `An answer in Trace: ${answer.says}`,
  }),
  takeBackAnswer: write<
    OfHunt & { readonly answerId: string; readonly isTakenBack: boolean },
    Hunt
  >({
    subject: huntOf,
    question: ({ id, answerId, isTakenBack }) =>
      put(`/hunts/${id}/answers/${answerId}/taken-back`, { isTakenBack }),
    says: () => 'Taking back an answer in Trace',
  }),
  endHunt: write<OfHunt & { readonly ending: HuntEnding | null }, Hunt>({
    subject: huntOf,
    question: ({ id, ending }) => put(`/hunts/${id}/ending`, { ending }),
    says: ({ ending }) => (ending ? 'Ending a fault search' : 'Taking a fault search up again'),
  }),
};

export const WRITES = {
  ...RIGS,
  ...GEAR,
  ...BUILD,
  ...BENCH,
  ...HUNTS,
  putSettings: write<Settings, Settings>({
    subject: () => 'settings',
    question: (body) => put('/settings', body),
    says: () => 'Settings',
    replaces: true,
  }),
};

export type Writes = typeof WRITES;
export type WriteName = keyof Writes;
export type ArgsOf<Name extends WriteName> =
  Writes[Name] extends Write<infer Args, infer _Data> ? Args : never;
export type DataOf<Name extends WriteName> =
  Writes[Name] extends Write<infer _Args, infer Data> ? Data : never;
