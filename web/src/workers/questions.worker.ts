import {
  analyseRig,
  analyseStates,
  assumptionsThatMatter,
  capacitanceFor,
  drivePath,
  explainRig,
  judgeRig,
  keepLikedLead,
  lengthBudgets,
  measureRig,
  measureScenes,
  measureSituations,
  pickupOrLead,
  routeOf,
  routeRows,
  SectionSolver,
  standInFor,
  stopOf,
  sweepSources,
  switchesOn,
  type Analysis,
  type Assumption,
  type CapacitanceAnswer,
  type Explanation,
  type GearItem,
  type Figures,
  type Judgement,
  type LengthBudget,
  type LikedLead,
  type LikedLeadAnswer,
  type Pin,
  type Rig,
  type SideFigures,
  type StandIn,
  type StatesAnalysis,
  type SweptSource,
  type UnitSystem,
  type WhatIf,
} from '@gullwind/core';
import { expose } from 'comlink';

/// What is asked beside the curve: it may take its time, the curve does not wait for it.

const solver = new SectionSolver();

/** What a pinned rig sounds like on the way that is looked at, where it has that way. */
export interface PinnedSound {
  readonly pinId: string;
  readonly analysis: Analysis | null;
}

const questionsApi = {
  analyseStates: (rig: Rig, counted: readonly string[], rowId: string): StatesAnalysis =>
    analyseStates(rig, counted, rowId),
  explain: (rig: Rig, units: UnitSystem, gear: readonly GearItem[]): readonly Explanation[] =>
    explainRig(rig, analyseRig(rig, solver), analyseStates(rig, switchesOn(rig)), units, gear),
  /** Figures of each rig's main way against straight in; null where nothing is heard. */
  figuresOf: (rigs: readonly Rig[]): readonly (Figures | null)[] =>
    rigs.map((rig) => {
      const measured = measureRig(rig, solver);
      return measured.kind === 'sounding' ? measured.figures : null;
    }),
  assumptions: (rig: Rig, rowId: string): readonly Assumption[] =>
    assumptionsThatMatter({ rig, rowId }),
  measureScenes: (rig: Rig, rowId: string): readonly SideFigures[] =>
    measureScenes(rig, rowId, solver),
  measureSituations: (rig: Rig, rowId: string): readonly SideFigures[] =>
    measureSituations(rig, rowId, solver),
  measurePins: (pins: readonly Pin[], rowId: string): readonly PinnedSound[] =>
    pins.map(({ id, rig }) => {
      const whole: Rig = { ...rig, pins: [] };
      const hasWay = routeRows(whole).some((row) => row.id === rowId);
      return { pinId: id, analysis: hasWay ? analyseRig(whole, solver, rowId) : null };
    }),
  judge: (rig: Rig, rowId: string, units: UnitSystem): readonly Judgement[] => {
    const analysis = analyseRig(rig, solver, rowId);
    if (analysis.kind !== 'sounding') return [];
    const states = analyseStates(rig, switchesOn(rig, rowId), rowId);
    return judgeRig(rig, rowId, analysis, states, units);
  },
  lengthBudgets: (
    rig: Rig,
    rowId: string,
    leadId: string,
    dropsDb: readonly number[],
  ): readonly LengthBudget[] => {
    const route = routeOf(rig, rowId);
    return lengthBudgets(route, drivePath(route), leadId, dropsDb, 'straightIn');
  },
  capacitanceFor: (rig: Rig, rowId: string, wantedHz: number): CapacitanceAnswer =>
    capacitanceFor(drivePath(routeOf(rig, rowId)), wantedHz),
  keepLikedLead: (rig: Rig, rowId: string, liked: LikedLead): LikedLeadAnswer => {
    const route = routeOf(rig, rowId);
    return keepLikedLead(drivePath(route), liked, route.reference);
  },
  standIn: (rig: Rig, rowId: string, deviceId: string): StandIn | null => {
    const path = drivePath(routeOf(rig, rowId));
    return standInFor(path, stopOf(path.stops, 'device', deviceId));
  },
  sweepSources: (rig: Rig): readonly SweptSource[] => sweepSources(rig),
  pickupOrLead: (rig: Rig, leadId: string): readonly WhatIf[] => pickupOrLead(rig, leadId),
};

export type QuestionsApi = typeof questionsApi;

expose(questionsApi);
