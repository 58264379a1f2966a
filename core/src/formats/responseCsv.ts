import { DRAW_GRID } from '../circuit';
import type { SoundingAnalysis } from '../figures';

/** Digits of a level in dB that a curve is written with. */
const DIGITS = 4;

/**
 * A curve as CSV: frequency, the level as the switches stand, straight in, and what lies between, in dB.
 * Rows are the points of the chart, 48 to the octave.
 */
export function writeResponseCsv({
  nowDb,
  referenceDb,
}: Pick<SoundingAnalysis, 'nowDb' | 'referenceDb'>): string {
  const rows = Array.from(DRAW_GRID.frequencyHz, (hz, i) => {
    const [now, reference] = [nowDb[i]!, referenceDb[i]!];
    return [
      hz.toPrecision(9),
      ...[now, reference, now - reference].map((db) => db.toFixed(DIGITS)),
    ].join();
  });
  return ['frequency (Hz),now (dB),straight in (dB),difference (dB)', ...rows, ''].join('\r\n');
}
