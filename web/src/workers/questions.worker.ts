import {
  analyseRig,
  analyseStates,
  assumptionsThatMatter,
  capacitanceFor,
  chainOf,
  detailOfPlan,
  driveWay,
  explainRig,
  judgeRig,
  keepLikedCable,
  lengthBudgets,
  measureRig,
  measureScenes,
  measurePlaces,
  pickupOrCable,
  routeRows,
  SectionSolver,
  pickupSimulatorFor,
  stopOf,
  sweepSources,
  switchesOn,
  type Analysis,
  type Assumption,
  type CapacitanceAnswer,
  type Chain,
  type Explanation,
  type GearItem,
  type Figures,
  type Judgement,
  type LengthBudget,
  type LikedCable,
  type LikedCableAnswer,
  type Move,
  type PlanDetail,
  type Pin,
  type Rig,
  type SideFigures,
  type SimulatorValues,
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
  analyseStates: (rig: Chain, counted: readonly string[], rowId: string): StatesAnalysis =>
    analyseStates(rig, counted, rowId),
  explain: (rig: Rig, units: UnitSystem, gear: readonly GearItem[]): readonly Explanation[] =>
    explainRig(rig, analyseRig(rig, solver), analyseStates(rig, switchesOn(rig)), units, gear),
  /** Figures of each rig's main way against straight in; null where nothing is heard. */
  figuresOf: (rigs: readonly Rig[]): readonly (Figures | null)[] =>
    rigs.map((rig) => {
      const measured = measureRig(rig, solver);
      return measured.kind === 'sounding' ? measured.figures : null;
    }),
  assumptions: (rig: Chain, rowId: string): readonly Assumption[] =>
    assumptionsThatMatter({ chain: rig, rowId }),
  measureScenes: (rig: Chain, rowId: string): readonly SideFigures[] =>
    measureScenes(rig, rowId, solver),
  measurePlaces: (rig: Chain, rowId: string): readonly SideFigures[] =>
    measurePlaces(rig, rowId, solver),
  measurePins: (pins: readonly Pin[], rowId: string): readonly PinnedSound[] =>
    pins.map(({ id, rig }) => {
      const chain = chainOf(rig);
      const hasWay = routeRows(chain).some((row) => row.id === rowId);
      return { pinId: id, analysis: hasWay ? analyseRig(chain, solver, rowId) : null };
    }),
  judge: (rig: Chain, rowId: string, units: UnitSystem): readonly Judgement[] => {
    const analysis = analyseRig(rig, solver, rowId);
    if (analysis.kind !== 'sounding') return [];
    const states = analyseStates(rig, switchesOn(rig, rowId), rowId);
    return judgeRig(rig, rowId, analysis, states, units);
  },
  lengthBudgets: (
    rig: Chain,
    rowId: string,
    cableId: string,
    dropsDb: readonly number[],
  ): readonly LengthBudget[] => {
    const { route, path } = driveWay(rig, rowId);
    return lengthBudgets(route, path, cableId, dropsDb, 'straightIn');
  },
  capacitanceFor: (rig: Chain, rowId: string, wantedHz: number): CapacitanceAnswer =>
    capacitanceFor(driveWay(rig, rowId).path, wantedHz),
  keepLikedCable: (rig: Chain, rowId: string, liked: LikedCable): LikedCableAnswer => {
    const { route, path } = driveWay(rig, rowId);
    return keepLikedCable(path, liked, route.reference);
  },
  pickupSimulator: (rig: Chain, rowId: string, deviceId: string): SimulatorValues | null => {
    const { path } = driveWay(rig, rowId);
    return pickupSimulatorFor(path, stopOf(path.stops, 'device', deviceId));
  },
  planDetail: (rig: Rig, moves: readonly Move[]): PlanDetail | null => detailOfPlan(rig, moves),
  sweepSources: (rig: Chain): readonly SweptSource[] => sweepSources(rig),
  pickupOrCable: (rig: Chain, cableId: string): readonly WhatIf[] => pickupOrCable(rig, cableId),
};

export type QuestionsApi = typeof questionsApi;

expose(questionsApi);
