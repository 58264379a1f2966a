export {
  addSupply,
  behindOf,
  changeFeed,
  hang,
  removeSupply,
  tradeSupply,
  unhang,
} from './feedEdits';
export type { Hanging } from './feedEdits';
export { consumersOf } from './consumers';
export type { Consumer } from './consumers';
export { doublerInput, VOLTAGE_SLACK } from './electrics';
export { faultsOf, placesOf } from './faults';
export type { PowerFault } from './faults';
export { feedingsOf, outletState } from './feeding';
export type { FedThing, Feedings, OutletState, SupplyState } from './feeding';
export { darkOf, failureOf, failuresOf, sayLeft } from './silent';
export type { Failure, Left, PowerSource } from './silent';
export { sayAmps, sayOutlet, sayPowerFault, sayVolts } from './words';
export * from './assign';
