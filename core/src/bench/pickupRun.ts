/// One response of a pickup into a known load, and what the model says of it (model §11).

/** Levels over frequency, both of one length. */
export interface MeasuredResponse {
  readonly frequencyHz: readonly number[];
  readonly levelDb: readonly number[];
}

/** What hung on the pickup while its response was taken. */
export interface KnownLoad {
  /** Resistance of the winding, measured by itself. */
  readonly rDcOhm: number;
  /** Resistance of all that hangs on it. */
  readonly rLoadOhm: number;
  /** Capacitance of all that hangs on it, F. */
  readonly addedF: number;
}

export interface PickupRun extends KnownLoad, MeasuredResponse {}

/** What a fit of responses finds. */
export interface PickupValues {
  readonly lH: number;
  readonly cWindingF: number;
  readonly rEddyOhm: number;
}

/** Complex 1 + (R_dc + jωL ∥ R_eddy)(1/R_load + jω(C_w + C_added)): e over the voltage at the load. */
export function pickupDivider(
  { lH, cWindingF, rEddyOhm }: PickupValues,
  { rDcOhm, rLoadOhm, addedF }: KnownLoad,
  frequencyHz: number,
): readonly [re: number, im: number] {
  const omega = 2 * Math.PI * frequencyHz;
  const x = omega * lH;
  const square = rEddyOhm * rEddyOhm + x * x;
  const zRe = rDcOhm + (rEddyOhm * x * x) / square;
  const zIm = (rEddyOhm * rEddyOhm * x) / square;
  const g = 1 / rLoadOhm;
  const b = omega * (cWindingF + addedF);
  return [1 + zRe * g - zIm * b, zRe * b + zIm * g];
}

/** Level of the response, dB, e.m.f. flat and 0 dB. */
export function pickupLevelDb(values: PickupValues, load: KnownLoad, frequencyHz: number): number {
  const [re, im] = pickupDivider(values, load, frequencyHz);
  return -10 * Math.log10(re * re + im * im);
}
