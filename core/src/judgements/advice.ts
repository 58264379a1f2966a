import { analyseRig, analyseStates, measureRig, switchesOn, type Measurement } from '../figures';
import type { GearItem } from '../gear';
import { SectionSolver } from '../path';
import {
  choosePlans,
  FINE,
  makeMoves,
  sayGains,
  sayMoves,
  searchToEnd,
  weightsOf,
  type PlanSearch,
  type RankedPlan,
} from '../plans';
import { formatSignedDb, type UnitSystem } from '../quantity';
import { mainRow, type Edit, type Rig } from '../rig';
import { diRemedy } from './diRemedy';
import { judgeRig } from './judge';
import type { Judgement } from './judgement';
import { Remedies, type Remedy } from './remedy';

/** What is to be done first, if anything: the same wherever it is said. */
export type FirstStep =
  | { readonly kind: 'fine' }
  /** Something is without power: what a change would do is said of the rig with its power on. */
  | { readonly kind: 'unpowered' }
  /** Not fine, but no single change is worth its work. */
  | { readonly kind: 'leave' }
  /** Of all single changes the one that does most for what it takes. */
  | {
      readonly kind: 'move';
      readonly plan: RankedPlan;
      readonly said: string;
      /** What it does to the loss of treble as the switches stand; null where it does nothing for it. */
      readonly cuts: string | null;
      readonly gains: string;
      readonly edit: Edit;
    };

export interface AdvisedJudgement extends Judgement {
  readonly remedy: Remedy | null;
}

/** All that can be said of a rig on one way, whatever of it somebody has dismissed. */
export interface Advice {
  /** What would be done first if it is not fine; null on a way that plans do not follow, and where nothing is heard. */
  readonly step: FirstStep | null;
  readonly judgements: readonly AdvisedJudgement[];
}

/** What is said of a rig while some of it is dismissed. */
export interface Said {
  readonly first: FirstStep | null;
  readonly judgements: readonly AdvisedJudgement[];
  /** Those of them that warn. */
  readonly warnings: readonly AdvisedJudgement[];
  readonly dismissed: readonly AdvisedJudgement[];
}

/**
 * Judges a rig and finds what to do first: the best single move of the very search that looks for plans.
 *
 * @param gear what the workshop has
 */
export function adviseRig(
  rig: Rig,
  gear: readonly GearItem[],
  units: UnitSystem,
  rowId: string = mainRow(rig).id,
  solver: SectionSolver = new SectionSolver(),
): Advice {
  const analysis = analyseRig(rig, solver, rowId);
  if (analysis.kind !== 'sounding') return { step: null, judgements: [] };
  const states = analyseStates(rig, switchesOn(rig, rowId), rowId);
  const judgements = judgeRig(rig, rowId, analysis, states, units, solver);
  if (rowId !== mainRow(rig).id)
    return { step: null, judgements: judgements.map((one) => ({ ...one, remedy: null })) };
  if (rig.state.unpowered.length > 0)
    return {
      step: { kind: 'unpowered' },
      judgements: judgements
        .filter(({ kind }) => kind !== 'fine')
        .map((one) => ({ ...one, remedy: null })),
    };
  const search = searchToEnd(rig, gear, { mostMoves: 1 });
  const remedies = new Remedies(rig, search.moves, search.asItIs.score, units);
  return {
    step: stepOf(rig, search, units, solver),
    judgements: judgements.map((one) => ({
      ...one,
      remedy: remedies.of(one) ?? diRemedy(rig, one, gear),
    })),
  };
}

/** The first step by a search of whatever depth. */
export function stepOf(
  rig: Rig,
  { singles, asItIs }: Pick<PlanSearch, 'singles' | 'asItIs'>,
  units: UnitSystem,
  solver: SectionSolver = new SectionSolver(),
): FirstStep {
  const { plan } = choosePlans(singles, asItIs).find(({ isAdvised }) => isAdvised)!;
  const made = plan.moves.length > 0 ? makeMoves(rig, plan.moves) : null;
  if (!made) return { kind: 'leave' };
  const [said] = sayMoves(rig, plan, units) as [string];
  const gains = sayGains(plan, asItIs, weightsOf(rig));
  const cuts = sayCut(measureRig(rig, solver), measureRig(made.rig, solver));
  return { kind: 'move', plan, said, cuts, gains, edit: made.edit };
}

/** A loss that is plain to hear, dB. */
const LOSS_DB = 1;
/** Nearer than this to straight in nobody is likely to tell, dB. */
const BACK_DB = 0.5;

/** How much of a loss of treble is won back. */
function sayCut(before: Measurement, after: Measurement): string | null {
  if (before.kind !== 'sounding' || after.kind !== 'sounding') return null;
  const [was, is] = [before.figures.trebleDb, after.figures.trebleDb];
  if (was > -LOSS_DB || Math.abs(is) > Math.abs(was) - BACK_DB) return null;
  return is < -BACK_DB
    ? `It would cut the loss to ${formatSignedDb(is)} dB`
    : `It would bring the treble back, to ${formatSignedDb(is)} dB`;
}

/**
 * It is fine where every state is, nothing open warns, and what the rig's own approach is about is met or cannot be
 * met better by any single change.
 *
 * @param dismissed keys
 */
export function heed({ step, judgements }: Advice, dismissed: readonly string[]): Said {
  const isDismissed = ({ key }: Judgement) => dismissed.includes(key);
  const open = judgements.filter((one) => !isDismissed(one));
  const warnings = open.filter(({ weight }) => weight === 'warning');
  const isWanted = open.some(
    ({ approaches, kind, remedy }) =>
      approaches !== 'every' && (kind === 'resonance' || remedy !== null),
  );
  const fine = warnings.length === 0 && !isWanted && open.some(({ kind }) => kind === 'fine');
  return {
    first: fine ? { kind: 'fine' } : step,
    judgements: open.filter(({ kind }) => fine || kind !== 'fine'),
    warnings,
    dismissed: judgements.filter(isDismissed),
  };
}

/** The first step in a sentence. */
export function sayFirstStep(first: FirstStep): string {
  switch (first.kind) {
    case 'fine':
      return `${FINE}.`;
    case 'unpowered':
      return 'What to do first is said with the power on.';
    case 'leave':
      return 'No single change within the limits is worth its work here.';
    case 'move': {
      const { cuts, gains } = first;
      return `First step: ${uncapital(first.said)}. ${cuts ? `${cuts}: ${uncapital(gains)}` : gains}.`;
    }
  }
}

const MOST_WARNINGS = 2;

/** What is warned of, and what to do first: what a headline says beside what is going on. */
export function sayAdvice({ first, warnings }: Said): string {
  const more = warnings.length - MOST_WARNINGS;
  const titles = warnings.slice(0, MOST_WARNINGS).map(({ title }) => `${title}.`);
  const warned =
    titles.length === 0
      ? []
      : [`Warning: ${titles.join(' ')}`, ...(more > 0 ? [`${more} more in Advice.`] : [])];
  return [...warned, ...(first ? [sayFirstStep(first)] : [])].join(' ');
}

const uncapital = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
