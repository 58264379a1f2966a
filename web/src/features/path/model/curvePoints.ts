import { DRAW_GRID, ENVELOPE_EVERY, type Tolerance } from '@gullwind/core';
import type { Analysed } from '../../../workers/useAnalysis';
import type { AnalysedStates } from '../../../workers/useStates';
import type { PinnedCurve } from '../CurveKey';

/** What the chart shows at one frequency, in dB. */
export interface CurvePoint {
  readonly f: number;
  readonly reference: number;
  readonly now: number | null;
  /** Lowest and highest level over all counted states. */
  readonly band?: readonly [number, number];
  /** 5 and 95 % of what it may be within the tolerances. */
  readonly tolerance?: readonly [number, number];
  /** Levels of the pins, in their order. */
  readonly pins?: readonly (number | null)[];
}

export interface Charted {
  readonly analysed: Analysed | null;
  /** Where the envelope of all states is to be drawn. */
  readonly states: AnalysedStates | null;
  readonly pins: readonly PinnedCurve[];
  readonly tolerance: Tolerance | null;
}

const Y_STEP = 6;
/** One point further out than is shown, so that a line begins at the frame. */
const LEFTMOST_HZ = 37;

interface GridPoint {
  readonly f: number;
  /** Index on the grid that is computed on. */
  readonly i: number;
  /** Index in the envelope, which has every twelfth of an octave. */
  readonly k: number;
}

/** Where the chart is drawn: the envelope's points, twelve an octave, are plenty for a line as well. */
export const CHART_GRID: readonly GridPoint[] = Array.from(DRAW_GRID.frequencyHz)
  .map((f, i) => ({ f, i, k: i / ENVELOPE_EVERY }))
  .filter(({ f, k }) => Number.isInteger(k) && f >= LEFTMOST_HZ);

export function curvePoints(charted: Charted): readonly CurvePoint[] {
  const { analysed, states, pins, tolerance } = charted;
  if (!analysed || analysed.analysis.kind === 'silent') return [];
  const { analysis } = analysed;
  const envelope = states?.states.kind === 'states' ? states.states.envelope : null;
  return CHART_GRID.map(({ f, i, k }) => ({
    f,
    reference: analysis.referenceDb[i]!,
    now: analysis.kind === 'sounding' ? analysis.nowDb[i]! : null,
    ...(envelope && { band: [envelope.lowDb[k]!, envelope.highDb[k]!] as const }),
    ...(tolerance && {
      tolerance: [tolerance.curve.lowDb[k]!, tolerance.curve.highDb[k]!] as const,
    }),
    ...(pins.length > 0 && { pins: pins.map(({ nowDb }) => nowDb?.[i] ?? null) }),
  }));
}

/** Whole steps around everything between 40 Hz and 12 kHz, so that the frame stands still while a hand moves. */
export function levelRange(points: readonly CurvePoint[]): readonly [number, number] {
  let low = -2 * Y_STEP;
  let high = Y_STEP;
  for (const { f, reference, now, band, pins = [] } of points) {
    if (f < 40 || f > 12000) continue;
    const levels = [reference, now ?? reference, ...pins.map((db) => db ?? reference)];
    low = Math.min(low, band?.[0] ?? reference, ...levels);
    high = Math.max(high, band?.[1] ?? reference, ...levels);
  }
  return [Math.max(-60, Math.floor(low / Y_STEP) * Y_STEP), Math.ceil(high / Y_STEP) * Y_STEP];
}

/** Levels that are written beside the chart. */
export function levelTicks(low: number, high: number): number[] {
  const step = high - low > 8 * Y_STEP ? 2 * Y_STEP : Y_STEP;
  return Array.from(
    { length: Math.floor((high - low) / step) + 1 },
    (_, k) => high - k * step,
  ).reverse();
}
