import type { Repair } from '../build';
import {
  afterAnswer,
  isRuledOut,
  Likelihoods,
  REMEDY,
  startShares,
  type TraceAnswer,
} from './belief';
import { expectedMinutes } from './expected';
import { nextTest, SURE_SHARE, type Order } from './next';
import { suspectsFor, type TraceCase, type TraceSuspect } from './suspects';
import type { Symptom } from './symptom';
import { testsFor, type TraceTest } from './testing';
import { wayOf, type TraceWay } from './way';

/// A hunt: what was asked and answered, kept beside the rig; and all that follows from it.

/** One answer with its time; what is taken back stays, and counts no more. */
export interface HuntAnswer extends TraceAnswer {
  readonly id: string;
  /** What was done, in words, whatever becomes of the rig. */
  readonly says: string;
  readonly minutes: number;
  readonly by: string;
  /** A moment, as text. */
  readonly at: string;
  readonly takenBack: string | null;
}

export const ENDING_KINDS = ['found', 'inherent', 'goodEnough', 'givenUp'] as const;
export type EndingKind = (typeof ENDING_KINDS)[number];

export const ENDING_WORDS: Readonly<Record<EndingKind, string>> = {
  found: 'Found and cured',
  inherent: 'It belongs to the thing',
  goodEnough: 'Good enough',
  givenUp: 'Left open',
};

/** What came of it. */
export interface HuntEnding {
  readonly kind: EndingKind;
  readonly suspect: string | null;
  readonly finding: string;
  readonly remedy: string;
  readonly caution: string;
  readonly proof: string;
  /** What Build is asked for; null is nothing. */
  readonly task: string | null;
  readonly taskMinutes: number;
  readonly note: string;
}

export interface Hunt {
  readonly id: string;
  /** The rig; null is a hunt without one: amp, one cable, one guitar. */
  readonly rig: string | null;
  /** Of the rig, when it began. */
  readonly revision: number | null;
  readonly symptom: Symptom;
  readonly comesAndGoes: boolean;
  readonly order: Order;
  /** By suspect: what a hand made of its weight. */
  readonly weights: Readonly<Record<string, number>>;
  readonly note: string;
  readonly begunAt: string;
  readonly changedAt: string;
  readonly endedAt: string | null;
  readonly ending: HuntEnding | null;
  /** In the order in which they were given. */
  readonly answers: readonly HuntAnswer[];
}

export interface SharedSuspect extends TraceSuspect {
  /** Of all suspicion, 0 to 1. */
  readonly share: number;
  readonly isRuledOut: boolean;
}

/** How a hunt stands. */
export interface HuntState {
  readonly way: TraceWay;
  /** Most suspected first. */
  readonly suspects: readonly SharedSuspect[];
  /** Suspicion on each part. */
  readonly byPart: ReadonlyMap<string, number>;
  /** What to try next; null where a remedy comes first. */
  readonly next: TraceTest | null;
  /** Sure enough, or all that can be said: whose remedy is tried. */
  readonly finding: SharedSuspect | null;
  /** Its remedy helped. */
  readonly cured: SharedSuspect | null;
  readonly likelihoods: Likelihoods;
  readonly shares: Float64Array;
  readonly answers: readonly TraceAnswer[];
}

type Asked = Pick<Hunt, 'answers' | 'order'>;

/** How a hunt stands, by its rig as it is now and by the answers that count. */
export function huntState(trace: TraceCase, { answers, order }: Asked): HuntState {
  const way = wayOf(trace.rig);
  const who = suspectsFor(trace);
  const likelihoods = new Likelihoods(who, testsFor(way, trace.symptom), trace.comesAndGoes);
  const counted = answers.filter(({ takenBack }) => takenBack === null);
  const shares = counted.reduce(
    (now, answer) => afterAnswer(now, likelihoods, answer),
    startShares(who),
  );
  const suspects = who
    .map((suspect, s) => ({
      ...suspect,
      share: shares[s]!,
      isRuledOut: isRuledOut(likelihoods, s, counted),
    }))
    .sort((a, b) => b.share - a.share || a.id.localeCompare(b.id));
  const tried = new Map(
    counted.flatMap(({ test, outcome }) =>
      test.startsWith(REMEDY) ? [[test.slice(REMEDY.length), outcome] as const] : [],
    ),
  );
  const cured = suspects.find(({ id }) => tried.get(id) === 'yes') ?? null;
  const top = suspects.find(({ id }) => tried.get(id) !== 'no') ?? null;
  const at =
    cured || !top || top.share >= SURE_SHARE ? null : nextTest(likelihoods, shares, counted, order);
  return {
    way,
    suspects,
    byPart: partShares(suspects),
    next: at === null ? null : likelihoods.tests[at]!,
    finding: at === null ? top : null,
    cured,
    likelihoods,
    shares,
    answers: counted,
  };
}

/** Minutes from here to the cause, on average, by either order: what a page asks a worker. */
export function expectedOf(trace: TraceCase, asked: Asked): Readonly<Record<Order, number>> {
  const state = huntState(trace, asked);
  return expectedMinutes(state.likelihoods, state);
}

/** Suspicion by part; that on the power of a device lies on the device, too small to tell apart on a drawing. */
function partShares(suspects: readonly SharedSuspect[]): ReadonlyMap<string, number> {
  const by = new Map<string, number>();
  const add = (part: string, share: number) => by.set(part, (by.get(part) ?? 0) + share);
  for (const { part, feeds, share } of suspects) {
    if (feeds.length === 0 || part === 'ground') add(part, share);
    else for (const device of feeds) add(device, share / feeds.length);
  }
  return by;
}

/** What a hunt that has ended asks of Build; null where it asks nothing. */
export function repairOf({ id, rig, ending, endedAt }: Hunt): Repair | null {
  if (rig === null || !ending?.task || endedAt === null) return null;
  return {
    id,
    says: ending.task,
    detail: ending.finding,
    minutes: ending.taskMinutes,
    caution: ending.caution,
    proof: ending.proof,
    at: endedAt,
  };
}
