/** How many cells one run of simple operations may have. */
export const CASCADE_CELLS = 128;

/** The row vector (d, n) at every frequency; owned by the caller and used again for every solve. */
export interface LadderState {
  readonly dRe: Float64Array;
  readonly dIm: Float64Array;
  readonly nRe: Float64Array;
  readonly nIm: Float64Array;
  /** Room for one run of simple operations. */
  readonly cascade: Float64Array;
}

export function createLadderState(points: number): LadderState {
  return {
    dRe: new Float64Array(points),
    dIm: new Float64Array(points),
    nRe: new Float64Array(points),
    nIm: new Float64Array(points),
    cascade: new Float64Array(2 * CASCADE_CELLS),
  };
}

/** Stands the state at an ideal source: d = 1, n = 0. */
export function resetLadder(state: LadderState): void {
  state.dRe.fill(1);
  state.dIm.fill(0);
  state.nRe.fill(0);
  state.nIm.fill(0);
}
