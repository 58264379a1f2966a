import type {
  CreateRig,
  GearList,
  Problem,
  RigListing,
  SessionState,
  Settings,
  StoredRig,
} from '@gullwind/contract';
import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';

/** Everything the page asks of the server, apart from the autosave, which has a life of its own. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({
    baseUrl: '/api',
    responseHandler: async (response) => (response.status === 204 ? null : response.json()),
  }),
  tagTypes: ['rigs', 'settings', 'session'],
  endpoints: (build) => ({
    listRigs: build.query<readonly RigListing[], void>({
      query: () => '/rigs',
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
    listGear: build.query<GearList, void>({ query: () => '/gear' }),
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
  useCreateRigMutation,
  useDeleteRigMutation,
  useRestoreRigMutation,
  useListGearQuery,
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
