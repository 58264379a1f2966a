import {
  adviseRig,
  analyseRig,
  analyseStates,
  choosePlans,
  DRAW_GRID,
  findWithinTolerance,
  heed,
  keyOfPlan,
  mainRow,
  nameSwitches,
  sayMoves,
  sayWhatIsGoingOn,
  searchToEnd,
  switchesOn,
  TERM_WORDS,
  writeNetlist,
  writeResponseCsv,
  type ExtremeState,
  type GearItem,
  type Proposal,
  type RankedPlan,
  type Rig,
  type SoundingAnalysis,
  type UnitSystem,
} from '@gullwind/core';
import { rounded, type Report } from './report';
import type { Standing } from './standing';

/** Nothing comes through, so there is nothing to say. */
export class NothingHeard extends Error {}

function heard({ rig, rowId }: Standing, units: UnitSystem): SoundingAnalysis {
  const analysis = analyseRig(rig, undefined, rowId);
  if (analysis.kind !== 'sounding') throw new NothingHeard(sayWhatIsGoingOn(rig, analysis, units));
  return analysis;
}

/** All figures against straight in. */
export function figures(standing: Standing, units: UnitSystem): Report {
  const { rig, rowId } = standing;
  const analysis = heard(standing, units);
  const { resonance, corner, verdict } = analysis;
  const levels = Object.entries(analysis.figures).map(
    ([name, db]) => [name, rounded(db as number)] as const,
  );
  const resonanceHz = resonance.kind === 'resonance' ? rounded(resonance.frequencyHz) : null;
  const resonanceDb = resonance.kind === 'resonance' ? rounded(resonance.heightDb) : null;
  const cornerHz = corner.kind === 'beyondGrid' ? null : rounded(corner.frequencyHz);
  const says = sayWhatIsGoingOn(rig, analysis, units);
  const shape = { resonanceHz, resonanceDb, cornerHz };
  return {
    json: {
      rig: rig.texts.name,
      way: rowId,
      ...Object.fromEntries(levels),
      ...shape,
      size: verdict.size,
      direction: verdict.direction,
      says,
    },
    rows: [
      ['figure', 'value'],
      ...levels,
      ...Object.entries(shape).map(([name, value]) => [name, value ?? ''] as const),
      ['size', verdict.size],
      ['direction', verdict.direction],
      ['says', says],
    ],
  };
}

/** The response as it stands and straight in: the same table that the page exports. */
export function curveCsv(standing: Standing, units: UnitSystem): string {
  return writeResponseCsv(heard(standing, units));
}

export function curveJson(standing: Standing, units: UnitSystem): object {
  const { nowDb, referenceDb } = heard(standing, units);
  return {
    frequencyHz: Array.from(DRAW_GRID.frequencyHz),
    nowDb: Array.from(nowDb, rounded),
    straightInDb: Array.from(referenceDb, rounded),
  };
}

/** What switching alone can do. */
export function states({ rig, rowId }: Standing): Report {
  const all = analyseStates(rig, switchesOn(rig, rowId), rowId);
  if (all.kind !== 'states') throw new NothingHeard('Nothing comes through in any state.');
  const { switches, count } = all;
  const spread = {
    meanDb: rounded(all.meanDb),
    deviationDb: rounded(all.deviationDb),
    spreadDb: rounded(all.spreadDb),
    spreadWithoutFuzzDb: all.calmSpreadDb === null ? null : rounded(all.calmSpreadDb),
  };
  const brightest = extreme(rig, all.brightest);
  const dullest = extreme(rig, all.dullest);
  return {
    json: {
      rig: rig.texts.name,
      way: rowId,
      switches,
      states: count,
      ...spread,
      brightest,
      dullest,
    },
    rows: [
      ['state', 'trebleDb', 'on'],
      ['brightest', brightest.trebleDb, brightest.on.join(', ')],
      ['dullest', dullest.trebleDb, dullest.on.join(', ')],
      ...Object.entries(spread).map(([name, db]) => [name, db ?? '', ''] as const),
      ['states', count, ''],
    ],
  };
}

function extreme(rig: Rig, { trebleDb, positions }: ExtremeState) {
  const on = Object.keys(positions).filter((id) => positions[id]);
  return { trebleDb: rounded(trebleDb), on: nameSwitches(rig, on) };
}

function runToEnd<A>(work: Generator<unknown, A>): A {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

/** The plans that Plans shows, in the same order. */
export function plans(
  { rig }: Standing,
  units: UnitSystem,
  gear: readonly GearItem[],
  mostMoves: 1 | 2 | 3,
): Report {
  const proposals = propose(rig, units, gear, mostMoves);
  const terms = Object.keys(TERM_WORDS) as (keyof typeof TERM_WORDS)[];
  const shown = proposals.map(({ plan, isAdvised }) => ({
    changes: plan.moves.length === 0 ? ['Leave it as it is'] : sayMoves(rig, plan, units),
    advised: isAdvised,
    goal: rounded(plan.score.goal),
    minutes: plan.effort.minutes,
    cost: plan.effort.cost,
    isCostAssumed: plan.effort.isCostAssumed,
    boxes: plan.effort.boxes,
    terms: Object.fromEntries(terms.map((term) => [term, rounded(plan.score.terms[term])])),
  }));
  return {
    json: { rig: rig.texts.name, plans: shown },
    rows: [
      ['changes', 'advised', 'goal', 'minutes', 'cost', 'boxes', ...terms],
      ...shown.map((plan) => [
        plan.changes.join(' + '),
        plan.advised ? 'yes' : '',
        ...[plan.goal, plan.minutes, plan.cost, plan.boxes],
        ...terms.map((term) => plan.terms[term]!),
      ]),
    ],
  };
}

function propose(
  rig: Rig,
  units: UnitSystem,
  gear: readonly GearItem[],
  mostMoves: 1 | 2 | 3,
): readonly Proposal[] {
  const { front, asItIs } = searchToEnd(rig, gear, { mostMoves });
  const advice = heed(adviseRig(rig, gear, units, mainRow(rig).id), rig.texts.dismissed);
  const isFine = advice.first?.kind === 'fine';
  const likely = choosePlans(front, asItIs, { isFine }).map(({ plan }) => plan);
  const within = runToEnd(findWithinTolerance(rig, likely, asItIs));
  const unsure = new Set(likely.filter((_, i) => within[i]).map(keyOfPlan));
  const isUnsure = (plan: RankedPlan) => unsure.has(keyOfPlan(plan));
  return choosePlans(front, asItIs, { isFine, isUnsure });
}

/** The circuit as it stands. */
export function netlist({ rig, rowId }: Standing): string {
  const written = writeNetlist(rig, rowId);
  if (written.kind !== 'ok') throw new NothingHeard(written.message);
  return written.text;
}
