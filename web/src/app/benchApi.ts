import type {
  ConnectedThing,
  Instrument,
  MeterAnswer,
  MeterQuestion,
  SweepAnswer,
  SweepQuestion,
  TruthAnswer,
} from '@gullwind/contract';
import type { Hearing, Measurement } from '@gullwind/core';
import { api, shown, writing, type Written } from './api';
import type { ArgsOf, DataOf, WriteName } from './outbox';

interface MeasurementList {
  readonly measurements: readonly Measurement[];
}

interface HearingList {
  readonly hearings: readonly Hearing[];
}

/** What the page asks of instruments, and what it keeps of measurements and of what was heard. */
const benchApi = api.injectEndpoints({
  endpoints: (build) => {
    const write = <Name extends WriteName>(name: Name) =>
      build.mutation<Written<DataOf<Name>>, ArgsOf<Name>>(writing(name));
    return {
      listInstruments: build.query<{ readonly instruments: readonly Instrument[] }, void>({
        query: () => '/instruments',
        keepUnusedDataFor: 0,
      }),
      measure: build.mutation<
        MeterAnswer,
        { readonly id: string; readonly question: MeterQuestion }
      >({
        query: ({ id, question }) => ({
          path: `/instruments/${id}/measure`,
          method: 'POST',
          body: question,
        }),
      }),
      sweep: build.mutation<SweepAnswer, { readonly id: string; readonly question: SweepQuestion }>(
        {
          query: ({ id, question }) => ({
            path: `/instruments/${id}/sweep`,
            method: 'POST',
            body: question,
          }),
        },
      ),
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
      listMeasurements: build.query<MeasurementList, void>({
        ...shown<MeasurementList>('listMeasurements', () => '/measurements'),
        providesTags: ['measurements'],
      }),
      addMeasurement: write('addMeasurement'),
      strikeMeasurement: write('strikeMeasurement'),
      listHearings: build.query<HearingList, void>({
        ...shown<HearingList>('listHearings', () => '/hearings'),
        providesTags: ['hearings'],
      }),
      addHearing: write('addHearing'),
    };
  },
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
