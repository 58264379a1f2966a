import {
  MOST_LISTED,
  MOST_REVISIONS,
  type CreateRig,
  type GearList,
  type Restored,
  type RigBuild,
  type RigUse,
  type SavedRig,
  type SentDone,
  type SentTest,
  type StoredItem,
  type UpdateItem,
  type RevisionPage,
  type RigPage,
  type RigQuery,
  type SessionState,
  type Settings,
  type StoredRig,
} from '@gullwind/contract';
import type {
  BoardPhoto,
  BuildRecords,
  CableTest,
  GearItem,
  OffCut,
  PhotoLie,
} from '@gullwind/core';
import { createApi, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import { ask, sayFailed, type Failure, type Question } from './http';

const baseQuery: BaseQueryFn<string | Question, unknown, Failure> = async (
  question,
  { signal },
) => {
  const asked = typeof question === 'string' ? { path: question, mayBeKept: true } : question;
  const answer = await ask<unknown>({ ...asked, signal });
  return answer.kind === 'ok' ? { data: answer.data } : { error: answer };
};

/** Everything the page asks of the server, apart from the autosave, which has a life of its own. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: [
    'rigs',
    'revisions',
    'gear',
    'build',
    'builds',
    'offCuts',
    'photo',
    'measurements',
    'hearings',
    'hunts',
    'settings',
    'session',
  ],
  // eslint-disable-next-line house/own-lines -- a list of requests, one entry each; nothing happens in it
  endpoints: (build) => ({
    listRigs: build.infiniteQuery<RigPage, Omit<RigQuery, 'from'>, number>({
      infiniteQueryOptions: {
        initialPageParam: 0,
        getNextPageParam: ({ total }, pages) => {
          const from = pages.length * MOST_LISTED;
          return from < total ? from : undefined;
        },
      },
      query: ({ queryArg: { search, sort, removed }, pageParam }) =>
        `/rigs?${new URLSearchParams({ search, sort, from: String(pageParam), removed: String(removed) })}`,
      providesTags: ['rigs'],
      keepUnusedDataFor: 0,
    }),
    listNames: build.query<readonly { readonly id: string; readonly name: string }[], void>({
      query: () => '/rigs/names',
      providesTags: ['rigs'],
      keepUnusedDataFor: 0,
    }),
    listRevisions: build.infiniteQuery<RevisionPage, string, number | null>({
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ revisions }) =>
          revisions.length < MOST_REVISIONS ? undefined : revisions.at(-1)!.revision,
      },
      query: ({ queryArg, pageParam }) =>
        `/rigs/${queryArg}/revisions${pageParam === null ? '' : `?before=${pageParam}`}`,
      providesTags: ['revisions'],
      keepUnusedDataFor: 0,
    }),
    nameRevision: build.mutation<
      null,
      { readonly id: string; readonly revision: number; readonly name: string | null }
    >({
      query: ({ id, revision, name }) => ({
        path: `/rigs/${id}/revisions/${revision}`,
        method: 'PUT',
        body: { name },
      }),
      invalidatesTags: ['revisions'],
    }),
    getRig: build.query<StoredRig, string>({
      query: (id) => `/rigs/${id}`,
      providesTags: ['rigs'],
      keepUnusedDataFor: 0,
    }),
    createRig: build.mutation<SavedRig, CreateRig>({
      query: (body) => ({ path: '/rigs', method: 'POST', body }),
      invalidatesTags: ['rigs'],
    }),
    deleteRig: build.mutation<null, string>({
      query: (id) => ({ path: `/rigs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['rigs'],
    }),
    restoreRig: build.mutation<null, string>({
      query: (id) => ({ path: `/rigs/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['rigs'],
    }),
    listGear: build.query<GearList, void>({ query: () => '/gear', providesTags: ['gear'] }),
    listUses: build.query<{ readonly uses: readonly RigUse[] }, void>({
      query: () => '/gear/uses',
      providesTags: ['gear', 'rigs'],
      keepUnusedDataFor: 0,
    }),
    addGear: build.mutation<GearList, readonly GearItem[]>({
      query: (items) => ({ path: '/gear', method: 'POST', body: { items } }),
      invalidatesTags: ['gear'],
    }),
    removeGear: build.mutation<null, readonly string[]>({
      query: (ids) => ({ path: '/gear/remove', method: 'POST', body: { ids } }),
      invalidatesTags: ['gear'],
    }),
    putItem: build.mutation<StoredItem, UpdateItem>({
      query: (body) => ({ path: `/gear/${body.item.id}`, method: 'PUT', body }),
      async onQueryStarted({ item }, { dispatch, queryFulfilled }) {
        const replace = (to: StoredItem | GearItem) =>
          dispatch(
            api.util.updateQueryData('listGear', undefined, ({ items }) => ({
              items: items.map((stored) => {
                if (stored.item.id !== item.id) return stored;
                return 'item' in to ? to : { ...stored, item: to };
              }),
            })),
          );
        // Shown at once; where the server refuses it, what it has is asked for again.
        replace(item);
        try {
          replace((await queryFulfilled).data);
        } catch {
          dispatch(api.util.invalidateTags(['gear']));
        }
      },
    }),
    getBuild: build.query<BuildRecords, string>({
      query: (id) => `/rigs/${id}/build`,
      providesTags: ['build'],
    }),
    setDone: build.mutation<BuildRecords, { readonly id: string; readonly done: SentDone }>({
      query: ({ id, done }) => ({ path: `/rigs/${id}/done`, method: 'PUT', body: done }),
      async onQueryStarted({ id, done }, { dispatch, queryFulfilled }) {
        const { isDone, ...rest } = done;
        const at = new Date().toISOString();
        // Shown at once; taken back where the server refuses it.
        const patch = dispatch(
          api.util.updateQueryData('getBuild', id, (now) => ({
            ...now,
            done: [
              ...now.done.filter(({ step }) => step !== done.step),
              ...(isDone ? [{ ...rest, at }] : []),
            ],
          })),
        );
        try {
          const { data } = await queryFulfilled;
          dispatch(api.util.updateQueryData('getBuild', id, () => data));
        } catch {
          patch.undo();
        }
      },
      invalidatesTags: ['builds'],
    }),
    addTest: build.mutation<
      CableTest,
      { readonly id: string; readonly testId: string; readonly test: SentTest }
    >({
      query: ({ id, testId, test }) => ({
        path: `/rigs/${id}/tests/${testId}`,
        method: 'PUT',
        body: test,
      }),
      // What was found is there with its answer: asked for anew it might be older than a step ticked off meanwhile.
      async onQueryStarted({ id }, { dispatch, queryFulfilled }) {
        const kept = await queryFulfilled.catch(() => null);
        if (kept)
          dispatch(
            api.util.updateQueryData('getBuild', id, ({ tests, ...rest }) => ({
              ...rest,
              tests: [...tests, kept.data],
            })),
          );
      },
    }),
    getPhoto: build.query<{ readonly photo: BoardPhoto | null }, string>({
      query: (id) => `/rigs/${id}/photo`,
      providesTags: ['photo'],
    }),
    putPhoto: build.mutation<
      { readonly photo: BoardPhoto | null },
      { readonly id: string; readonly file: Blob }
    >({
      query: ({ id, file }) => ({ path: `/rigs/${id}/photo`, method: 'PUT', body: file }),
      invalidatesTags: ['photo'],
    }),
    layPhoto: build.mutation<
      { readonly photo: BoardPhoto | null },
      { readonly id: string; readonly lie: PhotoLie }
    >({
      query: ({ id, lie }) => ({ path: `/rigs/${id}/photo/lie`, method: 'PUT', body: lie }),
      invalidatesTags: ['photo'],
    }),
    removePhoto: build.mutation<null, string>({
      query: (id) => ({ path: `/rigs/${id}/photo`, method: 'DELETE' }),
      invalidatesTags: ['photo'],
    }),
    listBuilds: build.query<{ readonly builds: readonly RigBuild[] }, void>({
      query: () => '/builds',
      providesTags: ['builds', 'rigs'],
    }),
    listOffCuts: build.query<{ readonly offCuts: readonly OffCut[] }, void>({
      query: () => '/off-cuts',
      providesTags: ['offCuts'],
    }),
    putOffCut: build.mutation<{ readonly offCuts: readonly OffCut[] }, OffCut>({
      query: ({ id, ...body }) => ({ path: `/off-cuts/${id}`, method: 'PUT', body }),
      invalidatesTags: ['offCuts'],
    }),
    removeOffCut: build.mutation<null, string>({
      query: (id) => ({ path: `/off-cuts/${id}`, method: 'DELETE' }),
      invalidatesTags: ['offCuts'],
    }),
    restoreWorkspace: build.mutation<
      Restored,
      { readonly file: Blob; readonly overwrite: boolean }
    >({
      query: ({ file, overwrite }) => ({
        path: `/workspace?overwrite=${overwrite}`,
        method: 'POST',
        body: file,
      }),
      invalidatesTags: ['rigs', 'gear', 'settings', 'build', 'offCuts', 'measurements', 'hearings'],
    }),
    getSettings: build.query<Settings, void>({
      query: () => '/settings',
      providesTags: ['settings'],
    }),
    putSettings: build.mutation<Settings, Settings>({
      query: (body) => ({ path: '/settings', method: 'PUT', body }),
      async onQueryStarted(settings, { dispatch, queryFulfilled }) {
        // Shown at once; taken back where the server refuses it.
        const patch = dispatch(api.util.updateQueryData('getSettings', undefined, () => settings));
        await queryFulfilled.catch(patch.undo);
      },
    }),
    getSession: build.query<SessionState, void>({
      query: () => '/session',
      providesTags: ['session'],
    }),
    signIn: build.mutation<SessionState, string>({
      query: (passphrase) => ({ path: '/session', method: 'POST', body: { passphrase } }),
      invalidatesTags: ['session', 'rigs', 'settings'],
    }),
    signOut: build.mutation<null, void>({
      query: () => ({ path: '/session', method: 'DELETE' }),
      invalidatesTags: ['session'],
    }),
  }),
});

export const {
  useListRigsInfiniteQuery,
  useListNamesQuery,
  useListRevisionsInfiniteQuery,
  useNameRevisionMutation,
  useGetRigQuery,
  useCreateRigMutation,
  useDeleteRigMutation,
  useRestoreRigMutation,
  useGetBuildQuery,
  useGetPhotoQuery,
  useLayPhotoMutation,
  usePutPhotoMutation,
  useRemovePhotoMutation,
  useSetDoneMutation,
  useAddTestMutation,
  useListBuildsQuery,
  useListOffCutsQuery,
  usePutOffCutMutation,
  useRemoveOffCutMutation,
  useListGearQuery,
  useListUsesQuery,
  useAddGearMutation,
  useRemoveGearMutation,
  usePutItemMutation,
  useRestoreWorkspaceMutation,
  useGetSettingsQuery,
  usePutSettingsMutation,
  useGetSessionQuery,
  useSignInMutation,
  useSignOutMutation,
} = api;

const isFailure = (error: unknown): error is Failure =>
  typeof error === 'object' && error !== null && 'kind' in error;

/** What a failed request has to say to a person. */
export const messageOf = (error: unknown): string =>
  isFailure(error)
    ? sayFailed(error)
    : 'The server answered with something that could not be read.';
