import type { ConnectedThing, Instrument, MeterAnswer, SweptThing } from '@gullwind/contract';
import type { MeasuredResponse, MeterQuantity } from '@gullwind/core';
import { useCallback, useState } from 'react';
import { messageOf } from '../../app/api';
import { useListInstrumentsQuery, useMeasureMutation, useSweepMutation } from '../../app/benchApi';

/** What the readings come from: an instrument by its id, or somebody's hand. */
export const BY_HAND = 'hand';

export interface Chosen {
  /** "hand", or the id of an instrument. */
  readonly id: string;
  readonly instrument: Instrument | null;
  /** What is written where readings are kept. */
  readonly name: string;
  readonly isSimulated: boolean;
}

const NONE: readonly Instrument[] = [];

/** The instruments of one kind, and the one that is used: the first that answers unless another was chosen. */
export function useInstruments(kind: Instrument['kind']) {
  const { data, refetch } = useListInstrumentsQuery();
  const [asked, choose] = useState<string | null>(null);
  const all = (data?.instruments ?? NONE).filter((one) => one.kind === kind);
  const first = all.find(({ isReachable }) => isReachable)?.id ?? BY_HAND;
  const id = asked ?? first;
  const instrument = all.find((one) => one.id === id) ?? null;
  const chosen: Chosen = {
    id: instrument ? id : BY_HAND,
    instrument,
    name: instrument ? sayName(instrument) : 'by hand',
    isSimulated: instrument?.isSimulated ?? false,
  };
  return { all, chosen, choose, lookAgain: refetch };
}

/** "Simulated meter" of "Gullwind,Simulated meter,0,1": maker, model, serial, version. */
export function sayName({ id, name }: Instrument): string {
  const [maker, model] = name.split(',');
  return (model ?? maker ?? '').trim() || id;
}

/** Takes readings by a meter; what it says instead of readings is a message. */
export function useMeter({ id }: Chosen) {
  const [measure, { isLoading }] = useMeasureMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const read = useCallback(
    async (
      connected: ConnectedThing,
      setting: { readonly quantity: MeterQuantity; readonly frequencyHz: number },
      readings: number,
      isOpenCorrected = true,
    ): Promise<MeterAnswer | null> => {
      setProblem(null);
      const answer = await measure({
        id,
        question: { ...setting, isOpenCorrected, readings, connected },
      });
      if ('data' in answer && answer.data) return answer.data;
      setProblem(messageOf(answer.error));
      return null;
    },
    [measure, id],
  );
  return { read, isReading: isLoading, problem };
}

const FROM_HZ = 50;
const TO_HZ = 18_000;
const POINTS = 80;

/** Takes a response by a sweep. */
export function useSweeper({ id }: Chosen) {
  const [sweep, { isLoading }] = useSweepMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const take = useCallback(
    async (connected: SweptThing): Promise<MeasuredResponse | null> => {
      setProblem(null);
      const question = { fromHz: FROM_HZ, toHz: TO_HZ, points: POINTS, connected };
      const answer = await sweep({ id, question });
      if ('data' in answer && answer.data) return answer.data;
      setProblem(messageOf(answer.error));
      return null;
    },
    [sweep, id],
  );
  return { take, isSweeping: isLoading, problem };
}
