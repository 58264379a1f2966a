import type { Section } from '../circuit';
import { destinationOfKind, type Cable } from '../gear';
import { cableElements, destinationLoad, TrebleMeter } from '../path';

/// A recorded track back into a guitar amp, and a DI behind an amp's loudspeaker jack: what levels meet what inputs.

export interface ReampQuestion {
  /** Highest peak of the line output, V. */
  readonly lineV: number;
  /** The hardest stroke that the amp is used to, V. */
  readonly guitarV: number;
  /** Output of the box between them, Ω. */
  readonly outOhm: number;
  /** From the box to the amp. */
  readonly cable: Cable;
}

export interface ReampAnswer {
  /** What the box has to take off so that the amp meets what a guitar gives, dB; negative where it is too little already. */
  readonly padDb: number;
  /** What its output loses into cable and amp, against an output of none, dB ≤ 0. */
  readonly levelDb: number;
  readonly trebleDb: number;
}

/** How a line output meets the input of an amp by way of a box. */
export function planReamp({ lineV, guitarV, outOhm, cable }: ReampQuestion): ReampAnswer {
  const meter = new TrebleMeter();
  const from = (rOutOhm: number): Section => ({
    source: { kind: 'voltage', rOutOhm, gain: 1 },
    path: cableElements(cable),
    load: destinationLoad(destinationOfKind('amp', '')),
  });
  const [box, ideal] = [meter.measure(from(outOhm)), meter.measure(from(0))];
  return {
    padDb: 20 * Math.log10(lineV / guitarV),
    levelDb: box.levelDb - ideal.levelDb,
    trebleDb: box.trebleDb - ideal.trebleDb,
  };
}

/**
 * Peak at a loudspeaker jack, V: √(2·P·R) of a sine at full power.
 *
 * @param powerW of the amp @param loudspeakerOhm what is connected
 */
export const speakerPeakV = (powerW: number, loudspeakerOhm: number): number =>
  Math.sqrt(2 * powerW * loudspeakerOhm);
