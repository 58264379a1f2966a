export {
  cableElements,
  destinationLoad,
  guitarSource,
  inputLoad,
  offRole,
  sideSource,
  wiperFraction,
} from './elements';
export type { MuteReason, Spot } from './step';
export { cableAsStep } from './deviceSteps';
export { routeOf, routeRows } from './route';
export type { Route, RouteStep } from './route';
export { drivePath, driveWay, stopOf } from './drivenPath';
export type { DrivenPath, DrivenSection, DrivenWay, Interruption, Stop } from './drivenPath';
export { driverLoads } from './driverLoads';
export type { DriverLoad } from './driverLoads';
export { runningLevel } from './runningLevel';
export type { RunSpot, RunPoint } from './runningLevel';
export { addLevels, SectionSolver } from './sectionResponse';
export { ResponseMeter } from './responseMeter';
export { lossByPart } from './lossByPart';
export type { PartLoss } from './lossByPart';
export { subtractTreble, TrebleMeter } from './trebleOf';
export type { Treble } from './trebleOf';
export { buildStateGraph, switchesAlong } from './allStates';
export type { StateGraph } from './allStates';
export { stateEnvelope, stateHistogram, stateStatistics } from './stateStatistics';
export type { EdgeValues, Envelope, Histogram, StateStatistics } from './stateStatistics';
export { feedsOf } from './feeds';
export type { Feed } from './feeds';
export { sourceImpedanceOhm, theveninImpedance } from './driverLoads';
