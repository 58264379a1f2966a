/** How many cells one run of simple operations may have. */
export const CASCADE_CELLS = 128;

/** The row vector (d, n) at every frequency; owned by the caller and used again for every solve. */
export interface LadderState {
  /** Interleaved re d, im d, re n, im n: all of a frequency in one place. */
  readonly rows: Float64Array;
  /** Room for one run of simple operations. */
  readonly cascade: Float64Array;
  /** Room for a branch, and for one of its own, made when the first one comes by. */
  side: readonly [LadderState, LadderState] | null;
}

export function createLadderState(points: number): LadderState {
  return {
    rows: new Float64Array(4 * points),
    cascade: new Float64Array(2 * CASCADE_CELLS),
    side: null,
  };
}

/** Room beside a state, of the same size. */
export function sideStates(state: LadderState): readonly [LadderState, LadderState] {
  const points = state.rows.length / 4;
  state.side ??= [createLadderState(points), createLadderState(points)];
  return state.side;
}

/** Stands every row at (d, n): (1, 0), an ideal source, until said otherwise. */
export function resetLadder({ rows }: LadderState, d = 1, n = 0): void {
  for (let i = 0; i < rows.length; i += 4) {
    rows[i] = d;
    rows[i + 1] = 0;
    rows[i + 2] = n;
    rows[i + 3] = 0;
  }
}
