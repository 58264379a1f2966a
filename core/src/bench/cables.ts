import { fitCable, type CableFit, type CableReading } from '../tools';

/** A cable as the meter read it. */
export interface MeasuredCable extends CableReading {
  readonly name: string;
}

/** A meter of 0.3 % reads a cable no better than this (1σ), as a share. */
export const METER_SHARE = 0.003;

/** C′ and plugs from several lengths, with what a meter may be off by even where the line is perfect. */
export function fitLengths(readings: readonly CableReading[]): CableFit {
  const most = Math.max(...readings.map(({ totalF }) => totalF));
  return fitCable(readings, most * METER_SHARE);
}

/** A cable among others, by the metre. */
export interface ComparedCable extends MeasuredCable {
  /** C / ℓ with both plugs taken off, F/m. */
  readonly cPerMF: number;
  /** What it would have at the length that all are compared at, with its plugs, F. */
  readonly atEqualLengthF: number;
}

export interface CableComparison {
  /** The least capacitance a metre first. */
  readonly cables: readonly ComparedCable[];
  /** The length that all are compared at: the middle one of theirs, m. */
  readonly equalM: number;
  /** The piece with least capacitance as it lies there is not the one with least a metre. */
  readonly isMisleading: boolean;
  /** Their lengths differ by more than a twentieth: their readings cannot be compared as they are. */
  readonly isUnequal: boolean;
}

const UNEQUAL = 1.05;

/**
 * Cables fairly compared: by the metre, not by the piece.
 *
 * @param cables at least two, lengths above 0 m; @param plugsF both plugs of each, taken off before dividing
 */
export function compareCables(cables: readonly MeasuredCable[], plugsF: number): CableComparison {
  const lengths = cables.map(({ lengthM }) => lengthM).sort((a, b) => a - b);
  const equalM = lengths[Math.floor(lengths.length / 2)]!;
  const compared = cables
    .map((cable): ComparedCable => {
      const cPerMF = Math.max(0, cable.totalF - plugsF) / cable.lengthM;
      return { ...cable, cPerMF, atEqualLengthF: cPerMF * equalM + plugsF };
    })
    .sort((one, other) => one.cPerMF - other.cPerMF);
  const least = compared.reduce((one, other) => (other.totalF < one.totalF ? other : one));
  return {
    cables: compared,
    equalM,
    isMisleading: least.cPerMF > compared[0]!.cPerMF,
    isUnequal: lengths.at(-1)! > UNEQUAL * lengths[0]!,
  };
}

/** How long a cable is by what it reads, m; never less than nought. */
export const lengthByCapacitance = (totalF: number, cPerMF: number, plugsF: number): number =>
  Math.max(0, (totalF - plugsF) / cPerMF);
