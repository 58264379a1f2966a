import {
  MOST_LISTED,
  MOST_REVISIONS,
  type ErrorCode,
  type GearList,
  type Restored,
  type RigBuild,
  type RigUse,
  type RevisionPage,
  type RigPage,
  type RigQuery,
  type SessionState,
  type Settings,
  type StoredRig,
  type UseCounts,
  type UseQuery,
} from '@gullwind/contract';
import type { BoardPhoto, BuildRecords, OffCut } from '@gullwind/core';
import { createApi, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import { TAGS } from './changes/tags';
import { ask, sayFailed, type Failure, type Question } from './http';
import {
  outbox,
  withPending,
  type ArgsOf,
  type DataOf,
  type ShownName,
  type WriteName,
} from './outbox';

const baseQuery: BaseQueryFn<string | Question, unknown, Failure> = async (
  question,
  { signal },
) => {
  const asked = typeof question === 'string' ? { path: question, mayBeKept: true } : question;
  const answer = await ask<unknown>({ ...asked, signal });
  return answer.kind === 'ok' ? { data: answer.data } : { error: answer };
};

/** How far a write is when the page goes on: answered, or in this browser until the server answers. */
export type Written<Data> =
  { readonly kind: 'done'; readonly data: Data } | { readonly kind: 'kept' };

/** A write: it goes through the outbox. A refusal is its error, an absence is not. */
export const writing = <Name extends WriteName>(name: Name) => ({
  queryFn: async (
    args: ArgsOf<Name>,
  ): Promise<{ data: Written<DataOf<Name>> } | { error: Failure }> => {
    const asked = await outbox.ask(name, args);
    return asked.kind === 'refused'
      ? { error: asked.failure }
      : { data: asked as Written<DataOf<Name>> };
  },
});

/** A question whose answer is shown with what waits to be sent. */
export const shown = <Data, Arg = void>(name: ShownName, pathOf: (arg: Arg) => string) => ({
  queryFn: async (
    arg: Arg,
    { signal }: { readonly signal: AbortSignal },
  ): Promise<{ data: Data } | { error: Failure }> => {
    await outbox.ready;
    const answer = await ask<Data>({ path: pathOf(arg), mayBeKept: true, signal });
    const data = answer.kind === 'ok' ? answer.data : undefined;
    const made = withPending<Data | undefined>(name, data, arg, outbox.kept);
    if (made !== undefined && (answer.kind === 'ok' || answer.kind === 'away'))
      return { data: made };
    return { error: answer as Failure };
  },
});

/** A page of a long list, shown in the same way. */
export const pageWithPending = <Page>(
  name: ShownName,
  page: Page,
  arg: unknown,
  pageParam: unknown,
): Page =>
  withPending(name, { pages: [page], pageParams: [pageParam] }, arg, outbox.kept).pages[0]!;

/** Everything the page asks of the server. What it writes goes through the outbox. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery,
  tagTypes: TAGS,
  // eslint-disable-next-line house/own-lines -- a list of requests, one entry each; nothing happens in it
  endpoints: (build) => {
    const write = <Name extends WriteName>(name: Name) =>
      build.mutation<Written<DataOf<Name>>, ArgsOf<Name>>(writing(name));
    return {
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
        transformResponse: (page: RigPage, _meta, { queryArg, pageParam }) =>
          pageWithPending('listRigs', page, queryArg, pageParam),
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
        transformResponse: (page: RevisionPage, _meta, { queryArg, pageParam }) =>
          pageWithPending('listRevisions', page, queryArg, pageParam),
        providesTags: ['revisions'],
        keepUnusedDataFor: 0,
      }),
      nameRevision: write('nameRevision'),
      getRig: build.query<StoredRig, string>({
        query: (id) => `/rigs/${id}`,
        providesTags: ['rigs'],
        keepUnusedDataFor: 0,
      }),
      createRig: write('createRig'),
      deleteRig: write('deleteRig'),
      restoreRig: write('restoreRig'),
      listGear: build.query<GearList, void>({
        ...shown<GearList, void>('listGear', () => '/gear'),
        providesTags: ['gear'],
      }),
      countUses: build.query<UseCounts, void>({
        query: () => '/gear/counts',
        providesTags: ['gear', 'rigs'],
        keepUnusedDataFor: 0,
      }),
      listUses: build.query<{ readonly uses: readonly RigUse[] }, UseQuery>({
        query: (of) => `/gear/uses?${new URLSearchParams({ ...of })}`,
        providesTags: ['gear', 'rigs'],
        keepUnusedDataFor: 0,
      }),
      addGear: write('addGear'),
      removeGear: write('removeGear'),
      putItem: write('putItem'),
      getBuild: build.query<BuildRecords, string>({
        ...shown<BuildRecords, string>('getBuild', (id) => `/rigs/${id}/build`),
        providesTags: ['build'],
      }),
      setDone: write('setDone'),
      addTest: write('addTest'),
      getPhoto: build.query<{ readonly photo: BoardPhoto | null }, string>({
        ...shown<{ readonly photo: BoardPhoto | null }, string>(
          'getPhoto',
          (id) => `/rigs/${id}/photo`,
        ),
        providesTags: ['photo'],
      }),
      putPhoto: write('putPhoto'),
      layPhoto: write('layPhoto'),
      removePhoto: write('removePhoto'),
      listBuilds: build.query<{ readonly builds: readonly RigBuild[] }, void>({
        query: () => '/builds',
        providesTags: ['builds', 'rigs'],
      }),
      listOffCuts: build.query<{ readonly offCuts: readonly OffCut[] }, void>({
        ...shown<{ readonly offCuts: readonly OffCut[] }, void>('listOffCuts', () => '/off-cuts'),
        providesTags: ['offCuts'],
      }),
      removeOffCut: write('removeOffCut'),
      restoreWorkspace: build.mutation<
        Restored,
        { readonly file: Blob; readonly overwrite: boolean }
      >({
        query: ({ file, overwrite }) => ({
          path: `/workspace?overwrite=${overwrite}`,
          method: 'POST',
          body: file,
        }),
        invalidatesTags: [
          'rigs',
          'gear',
          'settings',
          'build',
          'offCuts',
          'measurements',
          'hearings',
        ],
      }),
      getSettings: build.query<Settings, void>({
        ...shown<Settings, void>('getSettings', () => '/settings'),
        providesTags: ['settings'],
      }),
      putSettings: write('putSettings'),
      getHealth: build.query<{ readonly version: string; readonly commit: string }, void>({
        query: () => '/health',
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
      signOutAll: build.mutation<null, void>({
        query: () => ({ path: '/sessions', method: 'DELETE' }),
        invalidatesTags: ['session'],
      }),
    };
  },
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
  useRemoveOffCutMutation,
  useListGearQuery,
  useCountUsesQuery,
  useListUsesQuery,
  useAddGearMutation,
  useRemoveGearMutation,
  usePutItemMutation,
  useRestoreWorkspaceMutation,
  useGetSettingsQuery,
  usePutSettingsMutation,
  useGetHealthQuery,
  useGetSessionQuery,
  useSignInMutation,
  useSignOutMutation,
  useSignOutAllMutation,
} = api;

const isFailure = (error: unknown): error is Failure =>
  typeof error === 'object' && error !== null && 'kind' in error;

/** Which of the refusals of the catalogue an error is; null where it is none. */
export const codeOf = (error: unknown): ErrorCode | null =>
  isFailure(error) && error.kind === 'refused' ? error.problem.code : null;

/** What a failed request has to say to a person. */
export const messageOf = (error: unknown): string =>
  isFailure(error)
    ? sayFailed(error)
    : 'The server answered with something that could not be read.';
