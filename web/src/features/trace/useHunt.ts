import type { HuntSetting, SentAnswer } from '@gullwind/contract';
import {
  huntState,
  type Hunt,
  type HuntEnding,
  type HuntState,
  type Order,
  type TraceCase,
} from '@gullwind/core';
import { useCallback, useMemo } from 'react';
import { useSnackbar } from 'notistack';
import { messageOf } from '../../app/api';
import {
  useAddHuntAnswerMutation,
  useEndHuntMutation,
  useGetHuntQuery,
  useSetHuntMutation,
  useTakeBackAnswerMutation,
} from '../../app/huntsApi';
import { newId } from '../../app/newId';
import { AT_REST_MS, useLatest } from '../../workers/useLatest';
import { questionsWorker } from '../../workers/workers';
import type { TraceProps } from './traceProps';

/** One hunt with how it stands. */
export interface HuntNow {
  readonly hunt: Hunt;
  readonly trace: TraceCase;
  readonly state: HuntState;
}

export type FoundHunt =
  { readonly kind: 'opening' } | { readonly kind: 'none' } | ({ readonly kind: 'open' } & HuntNow);

export function useHunt(id: string, { rig, records }: TraceProps): FoundHunt {
  const { data: hunt, isError } = useGetHuntQuery(id);
  const now = useMemo((): HuntNow | null => {
    if (!hunt) return null;
    const { symptom, comesAndGoes, weights } = hunt;
    const trace = { rig, records, symptom, comesAndGoes, weights };
    return { hunt, trace, state: huntState(trace, hunt) };
  }, [hunt, rig, records]);
  if (now) return { kind: 'open', ...now };
  return { kind: isError ? 'none' : 'opening' };
}

interface Asked {
  readonly trace: TraceCase;
  readonly asked: Pick<Hunt, 'answers' | 'order'>;
}

const ask = async ({ trace, asked }: Asked) => questionsWorker().expectedMinutes(trace, asked);

/** Minutes from here on by both orders; null while they are being counted. */
export function useExpected({ hunt, trace }: HuntNow): Readonly<Record<Order, number>> | null {
  const { answers, order } = hunt;
  const question = useMemo(() => ({ trace, asked: { answers, order } }), [trace, answers, order]);
  return useLatest(question, ask, AT_REST_MS);
}

/** What a hand does to a hunt. */
export interface HuntHands {
  readonly answer: (answer: SentAnswer) => void;
  readonly takeBack: (answerId: string, isTakenBack: boolean) => void;
  readonly set: (setting: HuntSetting) => void;
  readonly end: (ending: HuntEnding | null) => void;
}

export function useHuntHands(hunt: Hunt): HuntHands {
  const { enqueueSnackbar } = useSnackbar();
  const [add] = useAddHuntAnswerMutation();
  const [back] = useTakeBackAnswerMutation();
  const [set] = useSetHuntMutation();
  const [ending] = useEndHuntMutation();
  const tell = useCallback(
    (answered: { readonly error?: unknown }) => {
      if (answered.error) enqueueSnackbar(messageOf(answered.error), { variant: 'warning' });
    },
    [enqueueSnackbar],
  );
  const { id } = hunt;
  return {
    answer: (answer) => void add({ id, answerId: newId(), answer }).then(tell),
    takeBack: (answerId, isTakenBack) => void back({ id, answerId, isTakenBack }).then(tell),
    set: (setting) => void set({ id, setting }).then(tell),
    end: (to) => void ending({ id, ending: to }).then(tell),
  };
}
