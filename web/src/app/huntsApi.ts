import type { Hunt } from '@gullwind/core';
import { api, shown, writing, type Written } from './api';
import type { ArgsOf, DataOf, WriteName } from './outbox';

/** What the page asks of hunts for a fault. */
const huntsApi = api.injectEndpoints({
  endpoints: (build) => {
    const write = <Name extends WriteName>(name: Name) =>
      build.mutation<Written<DataOf<Name>>, ArgsOf<Name>>(writing(name));
    return {
      listHunts: build.query<{ readonly hunts: readonly Hunt[] }, string | null>({
        ...shown<{ readonly hunts: readonly Hunt[] }, string | null>('listHunts', (rig) =>
          rig === null ? '/hunts' : `/hunts?rig=${rig}`,
        ),
        providesTags: ['hunts'],
      }),
      getHunt: build.query<Hunt, string>({
        ...shown<Hunt, string>('getHunt', (id) => `/hunts/${id}`),
        providesTags: ['hunts'],
        keepUnusedDataFor: 0,
      }),
      putHunt: write('putHunt'),
      setHunt: write('setHunt'),
      addHuntAnswer: write('addHuntAnswer'),
      takeBackAnswer: write('takeBackAnswer'),
      endHunt: write('endHunt'),
    };
  },
});

export const {
  useListHuntsQuery,
  useGetHuntQuery,
  usePutHuntMutation,
  useSetHuntMutation,
  useAddHuntAnswerMutation,
  useTakeBackAnswerMutation,
  useEndHuntMutation,
} = huntsApi;
