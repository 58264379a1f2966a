import type { Absence, Operation } from './operation';

/** How what is kept stands, in a few words. */
export interface OutboxSaid {
  readonly waiting: number;
  readonly notTaken: number;
  /** Empty where nothing is kept. */
  readonly words: string;
}

const changes = (count: number): string => (count === 1 ? '1 change' : `${count} changes`);

const WHY: Readonly<Record<Absence, string>> = {
  away: 'server away',
  noRoom: 'the server’s disk is full',
};

export function sayOutbox(kept: readonly Operation[], absence: Absence | null): OutboxSaid {
  const waiting = kept.filter(({ state }) => state === 'waiting').length;
  const notTaken = kept.length - waiting;
  const parts = [
    ...(waiting > 0 && absence
      ? [`${WHY[absence]}; ${changes(waiting)} kept in this browser`]
      : []),
    ...(waiting > 0 && !absence ? [`${changes(waiting)} waiting`] : []),
    ...(notTaken > 0 ? [`${changes(notTaken)} not saved`] : []),
  ];
  return { waiting, notTaken, words: parts.join(', ') };
}
