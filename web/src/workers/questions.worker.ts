import {
  analyseRig,
  analyseStates,
  assumptionsThatMatter,
  capacitanceFor,
  chainOf,
  drivePath,
  explainRig,
  judgeRig,
  keepLikedCable,
  lengthBudgets,
  measureRig,
  measureScenes,
  measurePlaces,
  pickupOrCable,
  routeOf,
  routeRows,
  SectionSolver,
  pickupSimulatorFor,
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
  type LikedCable,
  type LikedCableAnswer,
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
  measurePlaces: (rig: Rig, rowId: string): readonly SideFigures[] =>
    measurePlaces(rig, rowId, solver),
  measurePins: (pins: readonly Pin[], rowId: string): readonly PinnedSound[] =>
    pins.map(({ id, rig }) => {
      const chain = chainOf(rig);
      const hasWay = routeRows(chain).some((row) => row.id === rowId);
      return { pinId: id, analysis: hasWay ? analyseRig(chain, solver, rowId) : null };
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
    cableId: string,
    dropsDb: readonly number[],
  ): readonly LengthBudget[] => {
    const route = routeOf(rig, rowId);
    return lengthBudgets(route, drivePath(route), cableId, dropsDb, 'straightIn');
  },
  capacitanceFor: (rig: Rig, rowId: string, wantedHz: number): CapacitanceAnswer =>
    capacitanceFor(drivePath(routeOf(rig, rowId)), wantedHz),
  keepLikedCable: (rig: Rig, rowId: string, liked: LikedCable): LikedCableAnswer => {
    const route = routeOf(rig, rowId);
    return keepLikedCable(drivePath(route), liked, route.reference);
  },
  pickupSimulator: (rig: Rig, rowId: string, deviceId: string): SimulatorValues | null => {
    const path = drivePath(routeOf(rig, rowId));
    return pickupSimulatorFor(path, stopOf(path.stops, 'device', deviceId));
  },
  sweepSources: (rig: Rig): readonly SweptSource[] => sweepSources(rig),
  pickupOrCable: (rig: Rig, cableId: string): readonly WhatIf[] => pickupOrCable(rig, cableId),
};

export type QuestionsApi = typeof questionsApi;

expose(questionsApi);
