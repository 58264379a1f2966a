import type {
  ConnectedThing,
  Instrument,
  MeasurementPage,
  MeterAnswer,
  MeterQuestion,
  SweepAnswer,
  SweepQuestion,
  TruthAnswer,
} from '@gullwind/contract';
import type { Hearing } from '@gullwind/core';
import { api, pageWithPending, shown, writing, type Written } from './api';
import type { ArgsOf, DataOf, WriteName } from './outbox';

interface HearingList {
  readonly hearings: readonly Hearing[];
}

const countOf = (pages: readonly MeasurementPage[]): number =>
  pages.reduce((sum, { measurements }) => sum + measurements.length, 0);

const PAGES_OF_MEASUREMENTS = {
  initialPageParam: null,
  getNextPageParam: ({ total, measurements }: MeasurementPage, pages: MeasurementPage[]) =>
    measurements.length > 0 && countOf(pages) < total ? measurements.at(-1)!.id : undefined,
};

/** Where a page of what was measured is asked for. */
export const measurementsPath = (rig: string | null, before: string | null): string =>
  `/measurements?${new URLSearchParams({ ...(rig && { rig }), ...(before && { before }) })}`;

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
      listMeasurements: build.infiniteQuery<MeasurementPage, string | null, string | null>({
        infiniteQueryOptions: PAGES_OF_MEASUREMENTS,
        query: ({ queryArg: rig, pageParam }) => measurementsPath(rig, pageParam),
        transformResponse: (page: MeasurementPage, _meta, { queryArg, pageParam }) =>
          pageWithPending('listMeasurements', page, queryArg, pageParam),
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
  useListMeasurementsInfiniteQuery,
  useAddMeasurementMutation,
  useStrikeMeasurementMutation,
  useListHearingsQuery,
  useAddHearingMutation,
} = benchApi;
