import type {
  CreateRig,
  GearList,
  Restored,
  RestoreWorkspace as RestoreRequest,
  RigUse,
  StoredItem,
  UpdateItem,
  Workspace,
  Problem,
  RigListing,
  SessionState,
  Settings,
  StoredRig,
} from '@gullwind/contract';
import type { GearItem } from '@gullwind/core';
import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';

/** Everything the page asks of the server, apart from the autosave, which has a life of its own. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({
    baseUrl: '/api',
    responseHandler: async (response) => (response.status === 204 ? null : response.json()),
  }),
  tagTypes: ['rigs', 'gear', 'settings', 'session'],
  endpoints: (build) => ({
    listRigs: build.query<readonly RigListing[], void>({
      query: () => '/rigs',
      providesTags: ['rigs'],
      keepUnusedDataFor: 0,
    }),
    getRig: build.query<StoredRig, string>({
      query: (id) => `/rigs/${id}`,
      providesTags: ['rigs'],
      keepUnusedDataFor: 0,
    }),
    createRig: build.mutation<StoredRig, CreateRig>({
      query: (body) => ({ url: '/rigs', method: 'POST', body }),
      invalidatesTags: ['rigs'],
    }),
    deleteRig: build.mutation<null, string>({
      query: (id) => ({ url: `/rigs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['rigs'],
    }),
    restoreRig: build.mutation<null, string>({
      query: (id) => ({ url: `/rigs/${id}/restore`, method: 'POST' }),
      invalidatesTags: ['rigs'],
    }),
    listGear: build.query<GearList, void>({ query: () => '/gear', providesTags: ['gear'] }),
    listUses: build.query<{ readonly uses: readonly RigUse[] }, void>({
      query: () => '/gear/uses',
      providesTags: ['gear', 'rigs'],
      keepUnusedDataFor: 0,
    }),
    addGear: build.mutation<GearList, readonly GearItem[]>({
      query: (items) => ({ url: '/gear', method: 'POST', body: { items } }),
      invalidatesTags: ['gear'],
    }),
    removeGear: build.mutation<null, readonly string[]>({
      query: (ids) => ({ url: '/gear/remove', method: 'POST', body: { ids } }),
      invalidatesTags: ['gear'],
    }),
    putItem: build.mutation<StoredItem, UpdateItem>({
      query: (body) => ({ url: `/gear/${body.item.id}`, method: 'PUT', body }),
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
    getWorkspace: build.query<Workspace, void>({ query: () => '/workspace', keepUnusedDataFor: 0 }),
    restoreWorkspace: build.mutation<Restored, RestoreRequest>({
      query: (body) => ({ url: '/workspace', method: 'POST', body }),
      invalidatesTags: ['rigs', 'gear', 'settings'],
    }),
    getSettings: build.query<Settings, void>({
      query: () => '/settings',
      providesTags: ['settings'],
    }),
    putSettings: build.mutation<Settings, Settings>({
      query: (body) => ({ url: '/settings', method: 'PUT', body }),
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
      query: (passphrase) => ({ url: '/session', method: 'POST', body: { passphrase } }),
      invalidatesTags: ['session', 'rigs', 'settings'],
    }),
  }),
});

export const {
  useListRigsQuery,
  useGetRigQuery,
  useCreateRigMutation,
  useDeleteRigMutation,
  useRestoreRigMutation,
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
} = api;

/** What a failed request has to say to a person. */
export function messageOf(error: unknown): string {
  const failure = error as FetchBaseQueryError;
  if (failure.status === 'FETCH_ERROR')
    return 'The server does not answer. It is asked again by itself.';
  const problem = failure.data as Problem | undefined;
  return problem?.detail ?? 'The server answered with something that could not be read.';
}
