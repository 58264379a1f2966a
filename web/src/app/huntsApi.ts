import type { SentAnswer, SentHunt } from '@gullwind/contract';
import type { Hunt, HuntEnding } from '@gullwind/core';
import { api } from './api';
import type { AppDispatch } from './storeHooks';

/** What an answer of the server says of a hunt is what is shown of it at once. */
interface Changed {
  readonly id: string;
}

/** What the page asks of hunts for a fault. */
const huntsApi = api.injectEndpoints({
  endpoints: (build) => ({
    listHunts: build.query<{ readonly hunts: readonly Hunt[] }, string | null>({
      query: (rig) => (rig === null ? '/hunts' : `/hunts?rig=${rig}`),
      providesTags: ['hunts'],
    }),
    getHunt: build.query<Hunt, string>({
      query: (id) => `/hunts/${id}`,
      keepUnusedDataFor: 0,
    }),
    putHunt: build.mutation<Hunt, Changed & { readonly hunt: SentHunt }>({
      query: ({ id, hunt }) => ({ path: `/hunts/${id}`, method: 'PUT', body: hunt }),
      onQueryStarted: async ({ id, hunt }, { dispatch, queryFulfilled }) => {
        await shown(dispatch, id, queryFulfilled, (before) => ({ ...before, ...hunt }));
      },
      invalidatesTags: ['hunts'],
    }),
    // Shown at once, as it will be: on a stage nobody waits for a server.
    addHuntAnswer: build.mutation<
      Hunt,
      Changed & { readonly answerId: string; readonly answer: SentAnswer }
    >({
      query: ({ id, answerId, answer }) => ({
        path: `/hunts/${id}/answers/${answerId}`,
        method: 'PUT',
        body: answer,
      }),
      onQueryStarted: async ({ id, answerId, answer }, { dispatch, queryFulfilled }) => {
        const at = new Date().toISOString();
        await shown(dispatch, id, queryFulfilled, (hunt) => ({
          ...hunt,
          answers: [...hunt.answers, { ...answer, id: answerId, at, takenBack: null }],
        }));
      },
      invalidatesTags: ['hunts'],
    }),
    takeBackAnswer: build.mutation<
      Hunt,
      Changed & { readonly answerId: string; readonly isTakenBack: boolean }
    >({
      query: ({ id, answerId, isTakenBack }) => ({
        path: `/hunts/${id}/answers/${answerId}/taken-back`,
        method: 'PUT',
        body: { isTakenBack },
      }),
      onQueryStarted: async ({ id, answerId, isTakenBack }, { dispatch, queryFulfilled }) => {
        const takenBack = isTakenBack ? new Date().toISOString() : null;
        await shown(dispatch, id, queryFulfilled, (hunt) => ({
          ...hunt,
          answers: hunt.answers.map((one) => (one.id === answerId ? { ...one, takenBack } : one)),
        }));
      },
      invalidatesTags: ['hunts'],
    }),
    endHunt: build.mutation<Hunt, Changed & { readonly ending: HuntEnding | null }>({
      query: ({ id, ending }) => ({ path: `/hunts/${id}/ending`, method: 'PUT', body: { ending } }),
      onQueryStarted: async ({ id }, { dispatch, queryFulfilled }) => {
        await shown(dispatch, id, queryFulfilled, (hunt) => hunt);
      },
      invalidatesTags: ['hunts', 'build', 'builds', 'rigs'],
    }),
  }),
});

export const {
  useListHuntsQuery,
  useGetHuntQuery,
  usePutHuntMutation,
  useAddHuntAnswerMutation,
  useTakeBackAnswerMutation,
  useEndHuntMutation,
} = huntsApi;

/** A hunt as it will be, until the server has said how it is; as it was, where it does not take it. */
async function shown(
  dispatch: AppDispatch,
  id: string,
  answered: Promise<{ readonly data: Hunt }>,
  change: (hunt: Hunt) => Hunt,
): Promise<void> {
  const put = (to: (hunt: Hunt) => Hunt) =>
    dispatch(huntsApi.util.updateQueryData('getHunt', id, (hunt) => to(hunt as Hunt) as never));
  const patch = put(change);
  try {
    const { data } = await answered;
    put(() => data);
  } catch {
    patch.undo();
  }
}
