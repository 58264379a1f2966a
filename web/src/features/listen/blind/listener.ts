import type { SentHearing } from '@gullwind/contract';
import type { Hearing } from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { messageOf } from '../../../app/api';
import { useAddHearingMutation, useListHearingsQuery } from '../../../app/benchApi';
import { newId } from '../../../app/newId';
import { UNNAMED } from '../model/sayHearing';

const NONE: readonly Hearing[] = [];

/** Who listens: whoever did last, until another name is written. */
export function useListener(): readonly [string, (name: string) => void] {
  const { data } = useListHearingsQuery();
  const [own, setOwn] = useState<string | null>(null);
  const last = data?.hearings.find(({ listener }) => listener !== UNNAMED)?.listener;
  return [own ?? last ?? '', setOwn];
}

/** What was heard so far by anybody. */
export const useHearings = (): readonly Hearing[] => useListHearingsQuery().data?.hearings ?? NONE;

/** Keeps a result, whatever it was. */
export function useKeepHearing() {
  const [add] = useAddHearingMutation();
  const { enqueueSnackbar } = useSnackbar();
  return async (heard: SentHearing): Promise<boolean> => {
    const listener = heard.listener.trim() || UNNAMED;
    const answer = await add({ id: newId(), heard: { ...heard, listener } });
    if (!('error' in answer) || !answer.error) return true;
    enqueueSnackbar(messageOf(answer.error), { variant: 'warning' });
    return false;
  };
}

/** 32 bits that nobody chose. */
export const newSeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0]!;
