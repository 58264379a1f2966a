import type { Effort } from './move';

/// What things usually take and cost, where the gear list does not know. Prices are in the workshop's own
/// money, as the gear list has them.

export const NOTHING: Effort = {
  minutes: 0,
  solders: false,
  cost: 0,
  isCostAssumed: false,
  boxes: 0,
  buys: [],
};

/** What is usual; shown as assumed. */
export const USUAL_PRICE = {
  buffer: 80,
  loop: 60,
  cablePerM: 4,
  plugPair: 10,
  switch: 12,
  pot: 10,
  activeVolume: 35,
  capacitor: 2,
  pickupSimulator: 25,
} as const;

export { CHANGE_MINUTES as MINUTES } from '../build';
