/// Cables between an amplifier and a loudspeaker: there resistance rules, and an instrument cable is a hazard.

/** Resistivity of copper at 20 °C, Ω·m (IEC 60028). */
const COPPER_OHM_M = 1.724e-8;

export interface SpeakerCable {
  readonly lengthM: number;
  /** Of one conductor, m². */
  readonly areaM2: number;
  readonly loadOhm: number;
  /** What the amplifier gives into that load. */
  readonly powerW: number;
}

export interface SpeakerCableFigures {
  /** There and back, Ω. */
  readonly resistanceOhm: number;
  /** What the loudspeaker gets less than it would, dB ≤ 0. */
  readonly lossDb: number;
  /** Turned to heat in the whole cable, W. */
  readonly heatW: number;
  readonly heatWPerM: number;
  /** The most damping the cable leaves, load over cable: whatever the amplifier's own is. */
  readonly damping: number;
  readonly currentA: number;
}

/** Cross-section of a wire by its American gauge (ASTM B258), m². */
export const areaOfGauge = (gauge: number): number =>
  (Math.PI / 4) * (0.127e-3 * 92 ** ((36 - gauge) / 39)) ** 2;

/** The nearest gauge to a cross-section, as a whole number. */
export const gaugeOfArea = (areaM2: number): number =>
  Math.round(36 - 39 * (Math.log(Math.sqrt((4 * areaM2) / Math.PI) / 0.127e-3) / Math.log(92)));

/** @param cable all above nought */
export function checkSpeakerCable({
  lengthM,
  areaM2,
  loadOhm,
  powerW,
}: SpeakerCable): SpeakerCableFigures {
  const resistanceOhm = (2 * COPPER_OHM_M * lengthM) / areaM2;
  // The amplifier gives the same voltage; the cable in its way takes current from both.
  const currentA = Math.sqrt(powerW * loadOhm) / (loadOhm + resistanceOhm);
  const heatW = currentA ** 2 * resistanceOhm;
  return {
    resistanceOhm,
    lossDb: 20 * Math.log10(loadOhm / (loadOhm + resistanceOhm)),
    heatW,
    heatWPerM: heatW / lengthM,
    damping: loadOhm / resistanceOhm,
    currentA,
  };
}

/** Why an instrument cable has no place here. */
export const INSTRUMENT_CABLE_REFUSED =
  'Not an instrument cable. Its thin core overheats, melts and shorts, and a short can wreck the amplifier. Use a cable with two thick conductors that is marked for loudspeakers.';
