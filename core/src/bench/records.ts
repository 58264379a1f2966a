import type { Quantity } from '../quantity';
import type { MeasuredResponse } from './pickupRun';

/// What was measured, as it is kept: raw readings first, then what they came to. Nothing of it is ever changed.

export const MEASUREMENT_JOBS = [
  'cable',
  'lengths',
  'compare',
  'coil',
  'pickup',
  'input',
  'output',
  'rig',
  'training',
] as const;
export type MeasurementJob = (typeof MEASUREMENT_JOBS)[number];

export const JOB_WORDS: Readonly<Record<MeasurementJob, string>> = {
  cable: 'one cable',
  lengths: 'a kind of cable by several lengths',
  compare: 'cables compared',
  coil: 'pickup at the meter',
  pickup: 'pickup by its responses',
  input: 'input by a series resistor',
  output: 'output by a resistor across it',
  rig: 'the whole rig',
  training: 'training',
};

/** Readings of one thing under the same conditions. */
export interface RawReadings {
  readonly label: string;
  readonly quantity: Quantity;
  /** SI, in the order in which they were taken. */
  readonly values: readonly number[];
  /** Frequency, mode, length, resistors: what has to be known to read them again. */
  readonly conditions: Readonly<Record<string, number | string>>;
}

export interface RawResponse extends MeasuredResponse {
  readonly label: string;
  readonly conditions: Readonly<Record<string, number | string>>;
}

/** A figure that readings came to. */
export interface MeasuredFigure {
  readonly label: string;
  readonly quantity: Quantity;
  readonly value: number;
  /** 1σ, in the unit of the value; null where nobody knows. */
  readonly error: number | null;
}

/** A measurement without what was read, as lists have it. */
export type MeasurementHead = Omit<Measurement, 'readings' | 'responses'>;

export interface Measurement {
  readonly id: string;
  readonly job: MeasurementJob;
  readonly rig: string | null;
  /** The entry of the gear list that was measured. */
  readonly gear: string | null;
  readonly subject: string;
  /** What it calls itself; of values by hand, what was typed. */
  readonly instrument: string;
  readonly isSimulated: boolean;
  readonly readings: readonly RawReadings[];
  readonly responses: readonly RawResponse[];
  readonly figures: readonly MeasuredFigure[];
  /** What it says, in words. */
  readonly words: string;
  readonly by: string;
  readonly note: string;
  readonly at: string;
  /** Why it does not count; null where it does. */
  readonly struck: string | null;
}
