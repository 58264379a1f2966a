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
  wiperFraction,
} from '../path';
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

/** How a rig that sounds compares with straight-in. */
export interface Sound {
  /** Levels of the rig on `DRAW_GRID`, dB. */
  readonly nowDb: Float64Array;
  readonly figures: Figures;
  readonly resonance: Resonance;
  readonly referenceResonance: Resonance;
  readonly corner: Corner;
  readonly verdict: Verdict;
}

/** What costs what, and what would help: more work than all the rest. */
interface Reasons {
  readonly tone: ToneEquivalent;
  readonly loads: readonly DriverLoad[];
  readonly takeOuts: readonly TakeOut[];
  readonly buffer: BufferAdvice | null;
}

interface Muted extends Common {
  /** An engaged device lets nothing through: points up to its input, no figures. */
  readonly kind: 'muted';
  readonly by: number;
}

interface Silent {
  /** The guitar's volume is closed. */
  readonly kind: 'silent';
  readonly sections: readonly SectionSummary[];
}

interface Measured extends Common, Sound {
  readonly kind: 'sounding';
}

export interface SoundingAnalysis extends Measured, Reasons {}

/** A rig measured: enough to list it. */
export type Measurement = Measured | Muted | Silent;

/** All that the Path page shows of a rig as its switches stand. */
export type Analysis = SoundingAnalysis | Muted | Silent;

/** Above this output resistance a lead is exposed to what drives it just as it is to a pickup. */
export const SHELTER_LIMIT_OHM = 10_000;

/** Measures a rig against straight-in; `solver` remembers sections from one call to the next. */
export function measureRig(rig: Rig, solver: SectionSolver = new SectionSolver()): Measurement {
  return measurePath(rig, drivePath(rig), solver);
}

/** Measures a rig and finds the reasons. */
export function analyseRig(rig: Rig, solver: SectionSolver = new SectionSolver()): Analysis {
  const path = drivePath(rig);
  const measurement = measurePath(rig, path, solver);
  if (measurement.kind !== 'sounding') return measurement;
  const { trebleDb } = measurement.figures;
  return {
    ...measurement,
    tone: toneEquivalent(rig, trebleDb),
    loads: driverLoads(path),
    takeOuts: takeOuts(rig, path),
    buffer: bufferAdvice(rig, trebleDb),
  };
}

function measurePath(rig: Rig, path: DrivenPath, solver: SectionSolver): Measurement {
  const sections = summarise(path);
  if (wiperFraction(rig.guitar.volume) <= 0) return { kind: 'silent', sections };
  const reference = solveAll([referenceCircuit(rig)], solver);
  const common = { sections, points: runningLevel(rig, path), referenceDb: reference.draw };
  if (path.mutedBy !== null) return { ...common, kind: 'muted', by: path.mutedBy };
  return { ...common, kind: 'sounding', ...soundOf(path, reference, solver) };
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

function soundOf({ sections }: DrivenPath, reference: Levels, solver: SectionSolver): Sound {
  const now = solveAll(
    sections.map(({ circuit }) => circuit),
    solver,
  );
  const figures = figuresOf(now.figure, reference.figure);
  const resonance = resonanceOf(now.draw);
  const referenceResonance = resonanceOf(reference.draw);
  return {
    nowDb: now.draw,
    figures,
    resonance,
    referenceResonance,
    corner: cornerOf(now.draw, now.figure[FIGURE_BANDS.level.start]!),
    verdict: verdictOf(figures, resonance, referenceResonance),
  };
}

function summarise({ sections }: DrivenPath): readonly SectionSummary[] {
  return sections.map(({ driver, endsAt, leadM, circuit: { source } }) => {
    const rOutOhm = source.kind === 'voltage' ? source.rOutOhm : null;
    const exposed = rOutOhm === null || rOutOhm > SHELTER_LIMIT_OHM;
    return { driver, endsAt, leadM, rOutOhm, exposed };
  });
}
