import { LRUCache } from 'lru-cache';
import {
  compileSection,
  createLadderState,
  solveLadder,
  type FrequencyGrid,
  type LadderState,
  type Section,
} from '../circuit';

const MOST_KEPT = 256;

/** The response of driven sections at frequencies of one's own, sections remembered by every value that acts in them. */
export class ResponseMeter {
  private readonly kept = new LRUCache<string, Float64Array>({ max: MOST_KEPT });
  private readonly state: LadderState;

  constructor(private readonly grid: FrequencyGrid) {
    this.state = createLadderState(grid.omega.length);
  }

  /** Product of all sections: interleaved re, im of the voltage at the end over e; 1 of no section at all. */
  response(sections: readonly Section[]): Float64Array {
    const out = new Float64Array(2 * this.grid.omega.length);
    for (let i = 0; i < out.length; i += 2) out[i] = 1;
    for (const section of sections) multiply(out, this.solve(section));
    return out;
  }

  /** Levels of the same, dB; −∞ where nothing comes through. */
  levels(sections: readonly Section[]): Float64Array {
    const response = this.response(sections);
    return this.grid.omega.map(
      (_, i) => 20 * Math.log10(Math.hypot(response[2 * i]!, response[2 * i + 1]!)),
    );
  }

  private solve(section: Section): Float64Array {
    const key = JSON.stringify(section);
    const known = this.kept.get(key);
    if (known) return known;
    const out = new Float64Array(2 * this.grid.omega.length);
    solveLadder(compileSection(section), section.load, this.grid, out, this.state);
    this.kept.set(key, out);
    return out;
  }
}

function multiply(out: Float64Array, by: Float64Array): void {
  for (let i = 0; i < out.length; i += 2) {
    const [re, im] = [out[i]!, out[i + 1]!];
    out[i] = re * by[i]! - im * by[i + 1]!;
    out[i + 1] = re * by[i + 1]! + im * by[i]!;
  }
}
