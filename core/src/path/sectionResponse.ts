import { LRUCache } from 'lru-cache';
import {
  compileSection,
  createLadderState,
  DRAW_GRID,
  FIGURE_GRID,
  solveLadder,
  type FrequencyGrid,
  type LadderState,
  type Section,
} from '../circuit';

/** A section's transfer on both grids: interleaved re, im of V_load / e, gain included. */
export interface SectionResponse {
  readonly draw: Float64Array;
  readonly figure: Float64Array;
}

const MOST_KEPT = 512;

/**
 * Solves sections and remembers them by their identity (every value that acts in them), so that an
 * edit re-solves only the sections it touches. The least recently used go first.
 */
export class SectionSolver {
  private readonly kept = new LRUCache<string, SectionResponse>({ max: MOST_KEPT });
  private readonly state: LadderState = createLadderState(FIGURE_GRID.omega.length);
  /** How many sections have been computed rather than remembered. */
  solved = 0;

  solve(section: Section): SectionResponse {
    const key = JSON.stringify(section);
    const known = this.kept.get(key);
    if (known) return known;
    const response = this.compute(section);
    this.kept.set(key, response);
    return response;
  }

  private compute(section: Section): SectionResponse {
    this.solved++;
    const ladder = compileSection(section);
    const on = (grid: FrequencyGrid) => {
      const out = new Float64Array(2 * grid.omega.length);
      solveLadder(ladder, section.load, grid, out, this.state);
      return out;
    };
    return { draw: on(DRAW_GRID), figure: on(FIGURE_GRID) };
  }
}

/** Adds 20·log10 of an interleaved transfer to `db`; zero transfer is −∞. */
export function addLevels(transfer: Float64Array, db: Float64Array): void {
  for (let i = 0; i < db.length; i++) {
    const re = transfer[2 * i]!;
    const im = transfer[2 * i + 1]!;
    db[i]! += 10 * Math.log10(re * re + im * im);
  }
}
