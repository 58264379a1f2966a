import type { HuntSetting } from '@gullwind/contract';
import {
  LARGEST_FACTOR,
  LEAST_FACTOR,
  REMEDY,
  type Hunt,
  type HuntAnswer,
  type Outcome,
  type remedyFor,
  type TraceTest,
} from '@gullwind/core';

/// What an answer to a test is, by press or by key, and what is said of it.

/** What can be answered, each with its words and its key. */
export const OUTCOMES = {
  yes: { label: 'Yes', words: 'yes', key: 'y' },
  no: { label: 'No', words: 'no', key: 'n' },
  notSure: { label: 'Not sure', words: 'not sure', key: 's' },
} as const satisfies Readonly<Record<Outcome, object>>;

/** What a key answers; null where it answers nothing. */
export const outcomeOfKey = (key: string): Outcome | null =>
  (Object.keys(OUTCOMES) as Outcome[]).find((one) => OUTCOMES[one].key === key.toLowerCase()) ??
  null;

/** An answer as it is sent: what was asked is told as it was asked. */
export const answerTo = (test: TraceTest, outcome: Outcome) => ({
  test: test.id,
  outcome,
  says: `${test.does} ${test.asks}`,
  minutes: test.minutes,
  by: '',
});

/** Whether a remedy has taken the fault away, as it is sent. */
export const remedyAnswer = (
  suspect: string,
  { does, minutes }: Pick<ReturnType<typeof remedyFor>, 'does' | 'minutes'>,
  outcome: 'yes' | 'no',
) => ({ test: `${REMEDY}${suspect}`, outcome, says: `${does} Gone?`, minutes, by: '' });

/** The last answer that counts; null where none does. */
export const lastCounted = ({ answers }: Pick<Hunt, 'answers'>): HuntAnswer | null =>
  answers.findLast(({ takenBack }) => takenBack === null) ?? null;

/** How often a test was answered before, as far as it counts. */
export const askedBefore = ({ answers }: Pick<Hunt, 'answers'>, test: string): number =>
  answers.filter((one) => one.test === test && one.takenBack === null).length;

/** A suspect is made so many times as likely as it was by hand; close to the usual weight it has that again. */
export function weighed({ weights }: Pick<Hunt, 'weights'>, id: string, by: number): HuntSetting {
  const to = Math.min(LARGEST_FACTOR, Math.max(LEAST_FACTOR, (weights[id] ?? 1) * by));
  return { weights: { [id]: Math.abs(to - 1) < 1e-9 ? null : to } };
}

/** Minutes of a test as a person thinks of them. */
export const sayMinutes = (minutes: number): string =>
  minutes < 1 ? `About ${Math.round(minutes * 60)} seconds` : `About ${formatMinutes(minutes)} min`;

const formatMinutes = (minutes: number): string =>
  minutes < 10 ? String(Math.round(minutes * 2) / 2) : String(Math.round(minutes));
