import type { PowerFeed } from '../rig';
import type { Consumer } from './consumers';

/// The few laws of feeding: a doubler, outlets in series, a DC cable. V, A, Ω, W.

/** A thing takes so much less or more than it states. */
export const VOLTAGE_SLACK = 0.05;

/**
 * What a doubler draws: I_in = I_out·V_out / (V_in·η).
 *
 * @param volts in and out, V @param efficiency power out over power in, above 0
 */
export const doublerInput = (
  ampsOut: number,
  voltsOut: number,
  voltsIn: number,
  efficiency: number,
): number => (ampsOut * voltsOut) / (voltsIn * efficiency);

/** What an outlet gives for a thing that draws `amps` behind what is between them. */
export const inputAmps = (
  amps: number,
  { via, efficiency }: Pick<PowerFeed, 'via' | 'efficiency'>,
): number => (via === 'doubled' ? doublerInput(amps, 2, 1, efficiency.value) : amps);

/** What comes out behind what is between, of what arrives there. */
export const outputVolts = (volts: number, via: PowerFeed['via']): number =>
  via === 'doubled' ? 2 * volts : volts;

/** What a cable loses on the way there and back. @param rPerM of both conductors together, Ω/m */
export const cableDrop = (rPerM: number, lengthM: number, amps: number): number =>
  rPerM * lengthM * amps;

export const leastVolts = ({ need }: Consumer): number => need.supplyV.value * (1 - VOLTAGE_SLACK);
export const mostVolts = ({ need }: Consumer): number =>
  Math.max(need.supplyMaxV.value, need.supplyV.value) * (1 + VOLTAGE_SLACK);
