import { createContext } from 'react';
import type { Shows } from './CurveKey';
import type { CurvePoint } from './model/curvePoints';

/** What is drawn at the moment, and what each of it is called. */
export interface Drawn {
  readonly points: readonly CurvePoint[];
  readonly shows: Shows;
}

/** How the curves reach the chart without its frame being drawn anew. */
export const DrawnContext = createContext<Drawn>({
  points: [],
  shows: { now: '', straightIn: '', band: false, tolerance: false, pins: [] },
});
