import {
  adviseRig,
  analyseRig,
  analyseStates,
  assumptionsThatMatter,
  capacitanceFor,
  changeOf,
  handoverOf,
  capacitorPositions,
  sweepOutput,
  chainOf,
  curesOf,
  detailOfPlan,
  differenceOf,
  driveWay,
  expectedOf,
  explainRig,
  failuresOf,
  fitPickup,
  noiseOf,
  layBoard,
  impulseOf as impulseFrom,
  keepLikedCable,
  lengthBudgets,
  measureRig,
  measureScenes,
  measurePlaces,
  pickupOrCable,
  readWav,
  responseOf,
  reworkSince,
  routeRows,
  SectionSolver,
  pickupSimulatorFor,
  stopOf,
  swapCost,
  sweepSources,
  switchesOn,
  voicesOf,
  writeWav,
  type Advice,
  type AdvisedStep,
  type Analysis,
  type Assumption,
  type CapacitanceAnswer,
  type CapacitorPosition,
  type SweptOutput,
  type Chain,
  type Cure,
  type Building,
  type Offered,
  type SwapKind,
  type Explanation,
  type Handover,
  type HandoverQuestion,
  type Hunt,
  type RigChange,
  type Order,
  type TraceCase,
  type Failure,
  type GearItem,
  type Figures,
  type LengthBudget,
  type LikedCable,
  type ListenerScale,
  type LikedCableAnswer,
  type Move,
  type PickupFit,
  type PickupRun,
  type PlanDetail,
  type RigNoise,
  type Pin,
  type ReadSound,
  type Rig,
  type RigVoice,
  type Section,
  type SideFigures,
  type ShopCable,
  type SimulatorValues,
  type Sound,
  type StatesAnalysis,
  type SweptSource,
  type UnitSystem,
  type WhatIf,
  worseInUse,
} from '@gullwind/core';
import { expose } from 'comlink';

/// What is asked beside the curve: it may take its time, the curve does not wait for it.

const solver = new SectionSolver();

/** What a pinned rig sounds like on the way that is looked at, where it has that way. */
export interface PinnedSound {
  readonly pinId: string;
  readonly analysis: Analysis | null;
}

/** A plan looked at closely, with what it makes worse in the states that are played. */
export interface ShownPlan extends PlanDetail {
  readonly worse: readonly string[];
}

const questionsApi = {
  analyseStates: (rig: Chain, counted: readonly string[], rowId: string): StatesAnalysis =>
    analyseStates(rig, counted, rowId),
  explain: (
    rig: Rig,
    units: UnitSystem,
    gear: readonly GearItem[],
    scale: ListenerScale | null,
  ): readonly Explanation[] =>
    explainRig(
      rig,
      analyseRig(rig, solver),
      analyseStates(rig, switchesOn(rig)),
      units,
      gear,
      scale,
    ),
  /** Figures of each rig's main way against straight in; null where nothing is heard. */
  figuresOf: (rigs: readonly Rig[]): readonly (Figures | null)[] =>
    rigs.map((rig) => {
      const measured = measureRig(rig, solver);
      return measured.kind === 'sounding' ? measured.figures : null;
    }),
  changeOf: (before: Rig, after: Rig, building: Building): RigChange =>
    changeOf(before, after, building),
  handover: (question: HandoverQuestion): Handover => handoverOf(question),
  expectedMinutes: (
    trace: TraceCase,
    asked: Pick<Hunt, 'answers' | 'order'>,
  ): Readonly<Record<Order, number>> => expectedOf(trace, asked),
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
  advise: (rig: Rig, gear: readonly GearItem[], rowId: string, units: UnitSystem): Advice =>
    adviseRig(rig, gear, units, rowId, solver),
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
  capacitorPositions: (rig: Chain, rowId: string, alreadyF: number): readonly CapacitorPosition[] =>
    capacitorPositions(driveWay(rig, rowId).path, alreadyF),
  sweepOutput: (rig: Chain, rowId: string, deviceId: string): readonly SweptOutput[] =>
    sweepOutput(rig, rowId, deviceId),
  keepLikedCable: (rig: Chain, rowId: string, liked: LikedCable): LikedCableAnswer => {
    const { route, path } = driveWay(rig, rowId);
    return keepLikedCable(path, liked, route.reference);
  },
  pickupSimulator: (rig: Chain, rowId: string, deviceId: string): SimulatorValues | null => {
    const { path } = driveWay(rig, rowId);
    return pickupSimulatorFor(path, stopOf(path.stops, 'device', deviceId));
  },
  planDetail: (rig: Rig, moves: readonly Move[], units: UnitSystem): ShownPlan | null => {
    const detail = detailOfPlan(rig, moves);
    return (
      detail && {
        ...detail,
        worse: worseInUse(rig, detail.rig, units, solver),
      }
    );
  },
  voicesOf: (
    rig: Rig,
    step: AdvisedStep | null,
    units: UnitSystem,
    shop: ShopCable | null,
  ): readonly RigVoice[] => voicesOf(rig, step, units, shop, solver),
  /** A sound as a WAV file of 24 bits. */
  wavOf: (sound: Sound): Uint8Array => writeWav(sound),
  soundIn: (bytes: Uint8Array): ReadSound => readWav(bytes),
  /** What a voice does to anything, as a sound; or what leads to it from another chain. */
  impulseOf: (
    from: readonly Section[] | null,
    to: readonly Section[],
    rate: number,
  ): { readonly sound: Sound; readonly cappedFromHz: number | null } => {
    const { response, cappedFromHz } = from
      ? differenceOf(from, to, rate)
      : { response: responseOf(to, rate), cappedFromHz: null };
    const { taps } = impulseFrom(response, rate);
    return { sound: { samples: Float32Array.from(taps), rate }, cappedFromHz };
  },
  fitPickup: (runs: readonly PickupRun[]): PickupFit => fitPickup(runs),
  noise: (rig: Chain): RigNoise | null => noiseOf(rig),
  /** What it costs that two things change places on a board, in the chain, or both. */
  swapCost: (
    rig: Rig,
    pair: readonly [string, string],
    kind: SwapKind,
    building: Building,
  ): Offered | null => swapCost(rig, pair, kind, building),
  /** What has become of a built board since. */
  reworkSince: (rig: Rig, building: Required<Building>) => reworkSince(rig, building),
  /** What would settle the first so many conflicts of a board, by their key. */
  /** What is heard when the mains, a supply or an outlet goes. */
  powerFailures: (rig: Rig): readonly Failure[] => failuresOf(rig, solver),
  boardCures: (
    rig: Rig,
    units: UnitSystem,
    most: number,
  ): Readonly<Record<string, readonly Cure[]>> => {
    const plan = layBoard(rig);
    return Object.fromEntries(
      plan.conflicts
        .slice(0, most)
        .map((conflict) => [conflict.key, curesOf(rig, plan, conflict, units)]),
    );
  },
  sweepSources: (rig: Chain): readonly SweptSource[] => sweepSources(rig),
  pickupOrCable: (rig: Chain, cableId: string): readonly WhatIf[] => pickupOrCable(rig, cableId),
};

export type QuestionsApi = typeof questionsApi;

expose(questionsApi);
