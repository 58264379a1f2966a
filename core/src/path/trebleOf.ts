import {
  compileSection,
  createLadderState,
  endLadder,
  resetLadder,
  runLadder,
  TREBLE_BAND,
  TREBLE_GRID,
  type Ladder,
  type Load,
  type Section,
} from '../circuit';

/** Level at 400 Hz and mean level over 2–8 kHz above it, both absolute, dB. */
export interface Treble {
  readonly levelDb: number;
  readonly trebleDb: number;
}

export const addTreble = (a: Treble, b: Treble): Treble => ({
  levelDb: a.levelDb + b.levelDb,
  trebleDb: a.trebleDb + b.trebleDb,
});

export const subtractTreble = (a: Treble, b: Treble): Treble => ({
  levelDb: a.levelDb - b.levelDb,
  trebleDb: a.trebleDb - b.trebleDb,
});

export const NO_TREBLE: Treble = { levelDb: 0, trebleDb: 0 };

/** Computes only what treble and level need, on the 98 points that define them. */
export class TrebleMeter {
  private readonly state = createLadderState(TREBLE_GRID.omega.length);
  private readonly out = new Float64Array(2 * TREBLE_GRID.omega.length);

  measure(section: Section): Treble {
    const ladder = compileSection(section);
    this.start();
    this.advance(ladder, 0, ladder.ops.length);
    return this.read(ladder.gain, section.load);
  }

  start(): void {
    resetLadder(this.state);
  }

  advance(ladder: Ladder, from: number, to: number): void {
    runLadder(ladder, from, to, TREBLE_GRID, this.state);
  }

  /** What arrives if the chain so far ended in this load. */
  read(gain: number, load: Load): Treble {
    endLadder(gain, load, TREBLE_GRID, this.out, this.state);
    const levelDb = this.level(0);
    let sum = 0;
    for (let i = TREBLE_BAND.start; i < TREBLE_BAND.end; i++) sum += this.level(i);
    return { levelDb, trebleDb: sum / (TREBLE_BAND.end - TREBLE_BAND.start) - levelDb };
  }

  private level(i: number): number {
    return 10 * Math.log10(this.out[2 * i]! ** 2 + this.out[2 * i + 1]! ** 2);
  }
}
