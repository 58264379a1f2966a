import { FIGURE_GRID, DRAW_GRID, gridOf, type FrequencyGrid, type Section } from '../circuit';
import {
  compileSection,
  createLadderState,
  FIGURE_BANDS,
  solveLadder,
  type LadderState,
} from '../circuit';
import { ENVELOPE_EVERY, figuresOf, type Figures } from '../figures';
import { addLevels, driveWay } from '../path';
import type { Chain } from '../rig';
import { boundsOf, type Bounds } from './band';
import { RigDrawer } from './drawRig';
import { NamedNormals } from './random';

export const DEFAULT_DRAWS = 2000;
const FIGURE_POINTS = FIGURE_GRID.omega.length;
const CURVE_HZ = DRAW_GRID.frequencyHz.filter((_, i) => i % ENVELOPE_EVERY === 0);
const GRID: FrequencyGrid = gridOf(Float64Array.from([...FIGURE_GRID.frequencyHz, ...CURVE_HZ]));

/** A chain and the way of it that is looked at. */
export interface ChainWay {
  readonly chain: Chain;
  readonly rowId: string;
}

export type FigureBands = Readonly<Record<keyof Figures, Bounds>>;

/** How far figures and curve may be off. */
export interface Tolerance {
  readonly draws: number;
  readonly figures: FigureBands;
  /** 5 and 95 % of the level at every `ENVELOPE_EVERY`th point of `DRAW_GRID`, dB. */
  readonly curve: { readonly lowDb: Float64Array; readonly highDb: Float64Array };
}

export interface ToleranceProgress {
  readonly done: number;
  readonly of: number;
}

export interface ToleranceOptions {
  readonly draws?: number;
  readonly seed?: number;
  /** Draws between two signs of life. */
  readonly chunk?: number;
}

const FIGURES = [
  'levelDb',
  'trebleDb',
  'trebleLowDb',
  'trebleHighDb',
  'airDb',
  'bottomDb',
  'distanceDb',
] as const satisfies readonly (keyof Figures)[];

/**
 * Draws a way again and again with its values off by their tolerances, each time against the same guitar
 * straight in. Yields its progress so that the caller can show it, or stop; null where nothing is heard.
 */
export function* findTolerance(
  way: ChainWay,
  { draws = DEFAULT_DRAWS, seed = 1, chunk = 50 }: ToleranceOptions = {},
): Generator<ToleranceProgress, Tolerance | null> {
  const measure = new DrawnWay(way, seed);
  if (!measure.isHeard()) return null;
  const figures = new Map(FIGURES.map((name) => [name, new Float64Array(draws)] as const));
  const curve = Array.from(CURVE_HZ, () => new Float64Array(draws));
  for (let draw = 0; draw < draws; draw++) {
    if (draw % chunk === 0) yield { done: draw, of: draws };
    const { nowDb, against } = measure.draw(draw);
    for (const name of FIGURES) figures.get(name)![draw] = against[name];
    for (const [i, values] of curve.entries()) values[draw] = nowDb[FIGURE_POINTS + i]!;
  }
  const bounds = curve.map(boundsOf);
  return {
    draws,
    figures: Object.fromEntries(
      FIGURES.map((name) => [name, boundsOf(figures.get(name)!)]),
    ) as unknown as FigureBands,
    curve: {
      lowDb: Float64Array.from(bounds, ({ low }) => low),
      highDb: Float64Array.from(bounds, ({ high }) => high),
    },
  };
}

/** Two ways against each other. */
export interface Difference {
  readonly draws: number;
  /** Second less first. */
  readonly figures: FigureBands;
}

/**
 * The difference between two ways draw by draw: what they share is off in both of them together. Null
 * where nothing is heard of one of them.
 */
export function* findDifference(
  first: ChainWay,
  second: ChainWay,
  { draws = DEFAULT_DRAWS, seed = 1, chunk = 50 }: ToleranceOptions = {},
): Generator<ToleranceProgress, Difference | null> {
  const [a, b] = [new DrawnWay(first, seed), new DrawnWay(second, seed)];
  if (!a.isHeard() || !b.isHeard()) return null;
  const figures = new Map(FIGURES.map((name) => [name, new Float64Array(draws)] as const));
  for (let draw = 0; draw < draws; draw++) {
    if (draw % chunk === 0) yield { done: draw, of: draws };
    const [one, other] = [a.draw(draw).against, b.draw(draw).against];
    for (const name of FIGURES) figures.get(name)![draw] = other[name] - one[name];
  }
  return {
    draws,
    figures: Object.fromEntries(
      FIGURES.map((name) => [name, boundsOf(figures.get(name)!)]),
    ) as unknown as FigureBands,
  };
}

/** Runs to the end at once. */
export function finish<T>(work: Generator<ToleranceProgress, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

class DrawnWay {
  private readonly drawer: RigDrawer;
  private readonly state: LadderState = createLadderState(GRID.omega.length);
  private readonly out = new Float64Array(2 * GRID.omega.length);

  constructor(
    private readonly way: ChainWay,
    seed: number,
  ) {
    this.drawer = new RigDrawer(way.chain, new NamedNormals(seed));
  }

  isHeard(): boolean {
    const { route, path } = driveWay(this.way.chain, this.way.rowId);
    if (path.interrupted) return false;
    return Number.isFinite(this.levels([route.reference])[FIGURE_BANDS.level.start]!);
  }

  draw(draw: number): { readonly nowDb: Float64Array; readonly against: Figures } {
    const { route, path } = driveWay(this.drawer.draw(draw), this.way.rowId);
    const nowDb = this.levels(path.sections.map(({ circuit }) => circuit));
    const against = figuresOf(
      nowDb.subarray(0, FIGURE_POINTS),
      this.levels([route.reference]).subarray(0, FIGURE_POINTS),
    );
    return { nowDb, against };
  }

  private levels(sections: readonly Section[]): Float64Array {
    const db = new Float64Array(GRID.omega.length);
    for (const section of sections) {
      solveLadder(compileSection(section), section.load, GRID, this.out, this.state);
      addLevels(this.out, db);
    }
    return db;
  }
}
