import type { PlainState, StepState } from './stepState';
import { daysBetween, type Brief } from '../rig';
import type { BuildRecords, OffCut, WorkDone } from './records';
import { notedPieces, stillHolds, type Step } from './step';
import { repairStep } from './repair';
import { reusedFor } from './reuse';

/// How far the work is: what is done and still right stays done.

export interface Progress {
  readonly steps: readonly StepState[];
  /** The first that is not done, waits for nothing, and has all done that it needs. */
  readonly next: StepState | null;
  readonly doneMinutes: number;
  readonly leftMinutes: number;
  /** Cables made for something that is another now: each is an off-cut. */
  readonly freed: readonly WorkDone[];
}

/** @param missing parts that have not come, by key */
export function progressOf(
  planned: readonly Step[],
  { done, repairs }: BuildRecords,
  missing: ReadonlySet<string> = new Set(),
): Progress {
  const steps = [...repairs.map(repairStep), ...planned];
  const by = new Map(done.map((one) => [one.step, one]));
  const plain = steps.map((step) => stateOf(step, by.get(step.id) ?? null));
  const freed = freedOf(plain, done, steps);
  const reused = reusedFor(plain, freed, done);
  const states = plain.map((state): StepState => {
    const { step, isDone } = state;
    const takes = ['cut', 'end'].includes(step.kind) && !isDone;
    const reuses = (takes && reused.get(step.cable!)) || null;
    const needs = isDone || reuses ? [] : step.parts;
    return {
      ...state,
      reuses,
      leftMinutes: reuses ? 0 : state.leftMinutes,
      waitsFor: needs.filter((part) => missing.has(part)),
    };
  });
  const finished = new Set(states.filter(({ isDone }) => isDone).map(({ step }) => step.id));
  const next =
    states.find(
      ({ step, isDone, waitsFor }) =>
        !isDone && waitsFor.length === 0 && step.needs.every((id) => finished.has(id)),
    ) ?? null;
  const all = states.reduce((sum, { step }) => sum + step.minutes, 0);
  const leftMinutes = states.reduce((sum, state) => sum + state.leftMinutes, 0);
  return {
    steps: states,
    next,
    doneMinutes: all - leftMinutes,
    leftMinutes,
    freed,
  };
}

function stateOf(step: Step, kept: WorkDone | null): PlainState {
  const noted = kept ? notedPieces(kept.fingerprint) : new Set<string>();
  const isWhole = kept !== null && stillHolds(kept.fingerprint, step.fingerprint);
  const left = isWhole ? [] : step.pieces.filter((piece) => !noted.has(piece));
  const isDone = isWhole || (kept !== null && step.pieces.length > 0 && left.length === 0);
  const share = step.pieces.length === 0 ? 1 : left.length / step.pieces.length;
  return {
    step,
    isDone,
    was: isDone ? null : kept,
    left,
    leftMinutes: isDone ? 0 : Math.ceil(step.minutes * share - 1e-9),
  };
}

/** What was cut for a length or an end that is no more, and for cables that are gone. */
function freedOf(
  states: readonly PlainState[],
  done: readonly WorkDone[],
  steps: readonly Step[],
): readonly WorkDone[] {
  const known = new Set(steps.map(({ id }) => id));
  const changed = states.flatMap(({ step, was }) => (step.kind === 'cut' && was ? [was] : []));
  const gone = done.filter((one) => one.step.startsWith('cut ') && !known.has(one.step));
  return [...changed, ...gone].filter(({ lengthM }) => lengthM !== null && lengthM > 0);
}

/** An old cable as a piece that can be cut again: its plugs are cut off. */
export const asOffCut = (id: string, { step, lengthM }: WorkDone, name: string): OffCut => ({
  id,
  name,
  gear: null,
  lengthM: Math.max(0, Math.round(((lengthM ?? 0) - PLUGS_M) * 1000) / 1000),
  note: `from ${step.replace('cut ', '')}`,
});

const PLUGS_M = 0.03;

export interface TimeLeft {
  /** Days from today to the deadline, negative where it is over; null without one. */
  readonly dueIn: number | null;
  /** Minutes there are until then; null where nobody has said how many hours a day has. */
  readonly minutes: number | null;
  readonly isEnough: boolean | null;
  /** What may be left out, until it is enough. */
  readonly leaveOut: readonly Step[];
  /** What remains undone even so. */
  readonly missingMinutes: number;
  /** Days from today until the rest is done at so many hours a day; null where nobody has said how many. */
  readonly readyIn: number | null;
}

const NO_HOURS = { minutes: null, isEnough: null, leaveOut: [], missingMinutes: 0, readyIn: null };

const MINUTES_AN_HOUR = 60;
/** A hair of a day is no day. */
const ROUNDING = 1e-9;

/** @param today as "2026-11-26" */
export function timeLeft(
  { deadline, hoursADay }: Pick<Brief, 'deadline' | 'hoursADay'>,
  { leftMinutes, steps }: Progress,
  today: string,
): TimeLeft {
  const dueIn = deadline === null ? null : daysBetween(today, deadline);
  if (dueIn === null || hoursADay === null) return { dueIn, ...NO_HOURS };
  const aDay = hoursADay * MINUTES_AN_HOUR;
  const minutes = Math.max(0, dueIn + 1) * aDay;
  const leaveOut: Step[] = [];
  let over = leftMinutes - minutes;
  for (const { step, isDone, leftMinutes: leftMinutesOf } of steps) {
    if (over <= 0) break;
    if (isDone || !step.isSpare) continue;
    leaveOut.push(step);
    over -= leftMinutesOf;
  }
  const missingMinutes = Math.max(0, over);
  const readyIn = aDay > 0 ? Math.max(0, Math.ceil((minutes + over) / aDay - ROUNDING) - 1) : null;
  return { dueIn, minutes, isEnough: leftMinutes <= minutes, leaveOut, missingMinutes, readyIn };
}

/** How far a cable is. */
export type CableState = 'to do' | 'cut' | 'terminated' | 'tested' | 'laid' | 'tied';

/** By cable id. */
export function cableStates(steps: readonly StepState[]): ReadonlyMap<string, CableState> {
  const states = new Map<string, CableState>();
  const allTied =
    steps.some(({ step }) => step.kind === 'tie') &&
    steps.every(({ step, isDone }) => step.kind !== 'tie' || isDone);
  const NAMES = { cut: 'cut', end: 'terminated', test: 'tested', lay: 'laid' } as const;
  for (const { step, isDone } of steps) {
    if (step.cable === null) continue;
    if (!states.has(step.cable)) states.set(step.cable, 'to do');
    if (isDone && step.kind in NAMES)
      states.set(step.cable, NAMES[step.kind as keyof typeof NAMES]);
  }
  if (allTied) for (const [id, state] of states) if (state === 'laid') states.set(id, 'tied');
  return states;
}
