import { DRAW_GRID, FIGURE_BANDS, FIGURE_GRID, type Section } from '../circuit';
import {
  addLevels,
  driverLoads,
  drivePath,
  referenceCircuit,
  runningLevel,
  SectionSolver,
  takeOuts,
  type DriverLoad,
  type DrivenPath,
  type RunPoint,
  type TakeOut,
} from '../path';
import { wiperFraction } from '../path';
import type { Rig } from '../rig';
import { bufferAdvice, type BufferAdvice } from './bufferAdvice';
import { figuresOf, type Figures } from './figures';
import { cornerOf, resonanceOf, type Corner, type Resonance } from './resonance';
import { toneEquivalent, type ToneEquivalent } from './toneEquivalent';
import { verdictOf, type Verdict } from './verdict';

/** One driven section as the page shows it. */
export interface SectionSummary {
  /** Index of the driving device; −1 is the guitar. */
  readonly driver: number;
  readonly endsAt: number;
  readonly leadM: number;
  /** Output resistance of a driving device, Ω; null for the pickup. */
  readonly rOutOhm: number | null;
  /** Driven by the pickup or by an output too weak to shelter a lead. */
  readonly exposed: boolean;
}

interface Common {
  readonly sections: readonly SectionSummary[];
  readonly points: readonly RunPoint[];
  /** Levels of the reference on `DRAW_GRID`, dB. */
  readonly referenceDb: Float64Array;
}

export interface SoundingAnalysis extends Common {
  readonly kind: 'sounding';
  /** Levels of the rig on `DRAW_GRID`, dB. */
  readonly nowDb: Float64Array;
  readonly figures: Figures;
  readonly resonance: Resonance;
  readonly referenceResonance: Resonance;
  readonly corner: Corner;
  readonly verdict: Verdict;
  readonly tone: ToneEquivalent;
  readonly loads: readonly DriverLoad[];
  readonly takeOuts: readonly TakeOut[];
  readonly buffer: BufferAdvice | null;
}

/** All that the Path page shows of a rig as its switches stand. */
export type Analysis =
  | SoundingAnalysis
  /** An engaged device lets nothing through: points up to its input, no figures. */
  | (Common & { readonly kind: 'muted'; readonly by: number })
  /** The guitar's volume is closed. */
  | { readonly kind: 'silent'; readonly sections: readonly SectionSummary[] };

/** Above this output resistance a lead is exposed to what drives it just as it is to a pickup. */
export const SHELTER_LIMIT_OHM = 10_000;

/** Analyses a rig; `solver` remembers sections from one call to the next. */
export function analyseRig(rig: Rig, solver: SectionSolver = new SectionSolver()): Analysis {
  const path = drivePath(rig);
  const sections = summarise(path);
  if (wiperFraction(rig.guitar.volume) <= 0) return { kind: 'silent', sections };
  const points = runningLevel(rig, path);
  const reference = solveAll([referenceCircuit(rig)], solver);
  const common = { sections, points, referenceDb: reference.draw };
  if (path.mutedBy !== null) return { ...common, kind: 'muted', by: path.mutedBy };
  return { ...common, ...analyseSound(rig, path, reference, solver) };
}

interface Levels {
  readonly draw: Float64Array;
  readonly figure: Float64Array;
}

function solveAll(circuits: readonly Section[], solver: SectionSolver): Levels {
  const draw = new Float64Array(DRAW_GRID.omega.length);
  const figure = new Float64Array(FIGURE_GRID.omega.length);
  for (const circuit of circuits) {
    const response = solver.solve(circuit);
    addLevels(response.draw, draw);
    addLevels(response.figure, figure);
  }
  return { draw, figure };
}

function analyseSound(
  rig: Rig,
  path: DrivenPath,
  reference: Levels,
  solver: SectionSolver,
): Omit<SoundingAnalysis, keyof Common> {
  const now = solveAll(
    path.sections.map(({ circuit }) => circuit),
    solver,
  );
  const figures = figuresOf(now.figure, reference.figure);
  const resonance = resonanceOf(now.draw);
  const referenceResonance = resonanceOf(reference.draw);
  return {
    kind: 'sounding',
    nowDb: now.draw,
    figures,
    resonance,
    referenceResonance,
    corner: cornerOf(now.draw, now.figure[FIGURE_BANDS.level.start]!),
    verdict: verdictOf(figures, resonance, referenceResonance),
    tone: toneEquivalent(rig, figures.trebleDb),
    loads: driverLoads(path),
    takeOuts: takeOuts(rig, path),
    buffer: bufferAdvice(rig, figures.trebleDb),
  };
}

function summarise({ sections }: DrivenPath): readonly SectionSummary[] {
  return sections.map(({ driver, endsAt, leadM, circuit: { source } }) => {
    const rOutOhm = source.kind === 'voltage' ? source.rOutOhm : null;
    const exposed = rOutOhm === null || rOutOhm > SHELTER_LIMIT_OHM;
    return { driver, endsAt, leadM, rOutOhm, exposed };
  });
}
