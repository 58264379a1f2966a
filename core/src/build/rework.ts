import { measureRig } from '../figures';
import type { GearItem } from '../gear';
import type { UnitSystem } from '../quantity';
import type { Rig } from '../rig';
import { cableList, type BuildCable } from './cableList';
import { progressOf, type Progress } from './progress';
import type { BuildRecords, WorkDone } from './records';
import type { Reuse } from './stepState';
import type { Step } from './step';
import { workPlan } from './steps';

/// What a change of a built rig costs: exactly what Build asks for after it.

export interface Rework {
  /** Cables to be made again. */
  readonly made: readonly BuildCable[];
  /** Cables for which another one serves that comes free. */
  readonly reused: readonly { readonly cable: BuildCable; readonly reuse: Reuse }[];
  /** Cables that stay what they are and are laid again. */
  readonly relaid: readonly BuildCable[];
  /** Ties that are cut, and ties that are put on again. */
  readonly tiesCut: number;
  readonly ties: number;
  /** By Build's table of times. */
  readonly minutes: number;
  /** Of the main way against straight in, dB; null where nothing is heard. */
  readonly trebleDb: { readonly before: number | null; readonly after: number | null };
}

export interface Building {
  readonly gear: readonly GearItem[];
  readonly units: UnitSystem;
  /** What was noted of the work; without it, all of the rig is built as it is. */
  readonly records?: BuildRecords;
}

/** As if all of a rig were built. */
function builtWhole(steps: readonly Step[], cables: readonly BuildCable[]): BuildRecords {
  const cutOf = new Map(cables.map(({ id, cutM }) => [id, cutM]));
  const done = steps.map(({ id, fingerprint, cable }): WorkDone => ({
    step: id,
    fingerprint,
    lengthM: (cable !== null && cutOf.get(cable)) || null,
    revision: 1,
    by: '',
    at: '',
  }));
  return { tests: [], done, repairs: [] };
}

const trebleOf = (rig: Rig): number | null => {
  const measured = measureRig(rig);
  return measured.kind === 'sounding' ? measured.figures.trebleDb : null;
};

/** Steps that were done before and are to be done again, or anew. */
function asked(before: Progress, after: Progress, kind: Step['kind']) {
  const was = new Map(before.steps.map((state) => [state.step.id, state]));
  return after.steps.filter(
    ({ step, isDone }) => step.kind === kind && !isDone && was.get(step.id)?.isDone !== false,
  );
}

/** What it costs to go from one state of a rig to another. */
export function reworkOf(before: Rig, after: Rig, { gear, units, records }: Building): Rework {
  const [stepsThen, stepsNow] = [workPlan(before, gear, units), workPlan(after, gear, units)];
  const noted = records ?? builtWhole(stepsThen, cableList(before, gear));
  const [then, now] = [progressOf(stepsThen, noted), progressOf(stepsNow, noted)];
  const cables = new Map(cableList(after, gear).map((cable) => [cable.id, cable]));
  const cuts = asked(then, now, 'cut');
  const touched = new Set(cuts.map(({ step }) => step.cable));
  const cableOf = ({ step }: { readonly step: Step }) => cables.get(step.cable!)!;
  return {
    made: cuts.filter(({ reuses }) => reuses === null).map(cableOf),
    reused: cuts.flatMap((state) =>
      state.reuses ? [{ cable: cableOf(state), reuse: state.reuses }] : [],
    ),
    relaid: asked(then, now, 'lay')
      .filter(({ step }) => !touched.has(step.cable))
      .map(cableOf),
    tiesCut: piecesGone(then, now),
    ties: asked(then, now, 'tie').reduce((sum, { left }) => sum + left.length, 0),
    minutes: Math.max(0, now.leftMinutes - then.leftMinutes),
    trebleDb: { before: trebleOf(before), after: trebleOf(after) },
  };
}

/** Ties that were put on and hold something else by then, or nothing. */
function piecesGone(then: Progress, now: Progress): number {
  const tied = ({ steps }: Progress) => steps.filter(({ step }) => step.kind === 'tie');
  const stays = new Set(tied(now).flatMap(({ step }) => step.pieces));
  return tied(then)
    .filter(({ isDone }) => isDone)
    .flatMap(({ step }) => step.pieces)
    .filter((piece) => !stays.has(piece)).length;
}

/** Whether a rig is built, or was begun: a cable was cut or laid. */
export const isBegun = ({ done }: BuildRecords): boolean =>
  done.some(({ step }) => step.startsWith('cut ') || step.startsWith('lay '));

/**
 * What has become of a board that is built, or was begun, since: what was done and is another now. Of one that was
 * finished, what has come since and was never done, too. Null where nothing was begun.
 */
export function reworkSince(
  rig: Rig,
  { gear, units, records }: Building & { readonly records: BuildRecords },
): Omit<Rework, 'trebleDb'> | null {
  if (!isBegun(records)) return null;
  const now = progressOf(workPlan(rig, gear, units), records);
  const isFinished = records.done.some(({ step }) => step === 'play');
  const open = now.steps.filter(
    ({ step, isDone, was }) => !isDone && step.kind !== 'repair' && (was !== null || isFinished),
  );
  const cables = new Map(cableList(rig, gear).map((cable) => [cable.id, cable]));
  const of = (kind: Step['kind']) => open.filter(({ step }) => step.kind === kind);
  const touched = new Set(of('cut').map(({ step }) => step.cable));
  const cableOf = ({ step }: { readonly step: Step }) => cables.get(step.cable!)!;
  const ties = of('tie').reduce((sum, { left }) => sum + left.length, 0);
  return {
    made: of('cut')
      .filter(({ reuses }) => reuses === null)
      .map(cableOf),
    reused: of('cut').flatMap((state) =>
      state.reuses ? [{ cable: cableOf(state), reuse: state.reuses }] : [],
    ),
    relaid: of('lay')
      .filter(({ step }) => !touched.has(step.cable))
      .map(cableOf),
    tiesCut: of('tie').some(({ was }) => was !== null) ? ties : 0,
    ties,
    minutes: open.reduce((sum, { leftMinutes }) => sum + leftMinutes, 0),
  };
}
