import type {
  ConnectedThing,
  Instrument,
  MeterAnswer,
  MeterQuestion,
  SentHearing,
  SentMeasurement,
  SweepAnswer,
  SweepQuestion,
  TruthAnswer,
} from '@gullwind/contract';
import type { Hearing, Measurement } from '@gullwind/core';
import { api } from './api';

/** What the page asks of instruments, and what it keeps of measurements and of what was heard. */
const benchApi = api.injectEndpoints({
  // eslint-disable-next-line house/own-lines -- a list of requests, one entry each; nothing happens in it
  endpoints: (build) => ({
    listInstruments: build.query<{ readonly instruments: readonly Instrument[] }, void>({
      query: () => '/instruments',
      keepUnusedDataFor: 0,
    }),
    measure: build.mutation<MeterAnswer, { readonly id: string; readonly question: MeterQuestion }>(
      {
        query: ({ id, question }) => ({
          path: `/instruments/${id}/measure`,
          method: 'POST',
          body: question,
        }),
      },
    ),
    sweep: build.mutation<SweepAnswer, { readonly id: string; readonly question: SweepQuestion }>({
      query: ({ id, question }) => ({
        path: `/instruments/${id}/sweep`,
        method: 'POST',
        body: question,
      }),
    }),
    askTruth: build.mutation<
      TruthAnswer,
      { readonly id: string; readonly connected: ConnectedThing }
    >({
      query: ({ id, connected }) => ({
        path: `/instruments/${id}/truth`,
        method: 'POST',
        body: { connected },
      }),
    }),
    listMeasurements: build.query<{ readonly measurements: readonly Measurement[] }, void>({
      query: () => '/measurements',
      providesTags: ['measurements'],
    }),
    addMeasurement: build.mutation<
      Measurement,
      { readonly id: string; readonly sent: SentMeasurement }
    >({
      query: ({ id, sent }) => ({ path: `/measurements/${id}`, method: 'PUT', body: sent }),
      invalidatesTags: ['measurements'],
    }),
    strikeMeasurement: build.mutation<
      Measurement,
      { readonly id: string; readonly struck: string | null }
    >({
      query: ({ id, struck }) => ({
        path: `/measurements/${id}/struck`,
        method: 'PUT',
        body: { struck },
      }),
      invalidatesTags: ['measurements'],
    }),
    listHearings: build.query<{ readonly hearings: readonly Hearing[] }, void>({
      query: () => '/hearings',
      providesTags: ['hearings'],
    }),
    addHearing: build.mutation<Hearing, { readonly id: string; readonly heard: SentHearing }>({
      query: ({ id, heard }) => ({ path: `/hearings/${id}`, method: 'PUT', body: heard }),
      invalidatesTags: ['hearings'],
    }),
  }),
});

export const {
  useListInstrumentsQuery,
  useMeasureMutation,
  useSweepMutation,
  useAskTruthMutation,
  useListMeasurementsQuery,
  useAddMeasurementMutation,
  useStrikeMeasurementMutation,
  useListHearingsQuery,
  useAddHearingMutation,
} = benchApi;
