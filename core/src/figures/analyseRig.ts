import { DRAW_GRID, FIGURE_BANDS, FIGURE_GRID, type Section } from '../circuit';
import {
  addLevels,
  driverLoads,
  driveWay,
  runningLevel,
  SectionSolver,
  lossByPart,
  type DriverLoad,
  type DrivenPath,
  type DrivenWay,
  type MuteReason,
  type Route,
  type RunPoint,
  type Stop,
  type PartLoss,
  TrebleMeter,
} from '../path';
import type { Chain } from '../rig';
import { figuresOf, meanOf, type Figures } from './figures';
import { cornerOf, resonanceOf, type Corner, type Resonance } from './resonance';
import { toneEquivalent, type ToneEquivalent } from './toneEquivalent';
import { verdictOf, type Verdict } from './verdict';

/** A stop as the page shows it: what it is and how it acts. */
export type StopSummary = Pick<Stop, 'spot' | 'role' | 'engaged' | 'cableM'>;

/** One driven section as the page shows it; numbers are places among the stops. */
export interface SectionSummary {
  readonly driver: number;
  readonly endsAt: number;
  readonly cableM: number;
  /** Output resistance of a driving device, Ω; null for a pickup or piezo. */
  readonly rOutOhm: number | null;
  /** Driven by a pickup or by an output too weak to shelter a cable. */
  readonly exposed: boolean;
}

interface Common {
  /** The row that arrives at the end. */
  readonly rowId: string;
  readonly stops: readonly StopSummary[];
  readonly sections: readonly SectionSummary[];
  readonly points: readonly RunPoint[];
}

interface Heard extends Common {
  /** Levels of the reference on `DRAW_GRID`, dB. */
  readonly referenceDb: Float64Array;
}

/** How a rig that sounds compares with straight-in. */
export interface Sound {
  /** Levels of the rig on `DRAW_GRID`, dB. */
  readonly nowDb: Float64Array;
  readonly figures: Figures;
  /** T of the rig by itself: mean of 2–8 kHz over its level at 400 Hz, dB. */
  readonly absoluteTrebleDb: number;
  readonly resonance: Resonance;
  readonly referenceResonance: Resonance;
  readonly corner: Corner;
  readonly verdict: Verdict;
}

/** What costs what: more work than all the rest. */
interface Reasons {
  readonly tone: ToneEquivalent;
  readonly loads: readonly DriverLoad[];
  readonly lossByPart: readonly PartLoss[];
}

interface Muted extends Heard {
  /** An engaged device or a failed one lets nothing through: points up to its input, no figures. */
  readonly kind: 'muted';
  readonly by: number;
  readonly why: MuteReason;
}

interface Open extends Heard {
  /** A cable is missing: points up to the last input before it, no figures. */
  readonly kind: 'open';
  readonly at: number;
}

interface Silent extends Common {
  /** The source gives nothing: a volume is closed, or two pickups cancel. */
  readonly kind: 'silent';
}

interface Measured extends Heard, Sound {
  readonly kind: 'sounding';
}

export interface SoundingAnalysis extends Measured, Reasons {}

/** A rig measured: enough to list it. */
export type Measurement = Measured | Muted | Open | Silent;

/** All that the Path page shows of a way as its switches stand. */
export type Analysis = SoundingAnalysis | Muted | Open | Silent;

/** Above this output resistance a cable is exposed to what drives it just as it is to a pickup. */
export const SHELTER_LIMIT_OHM = 10_000;

/** Less than this at 400 Hz of what the source gives is nothing, dB. */
const SILENCE_DB = -150;

/** Measures the main way of a rig against straight-in; `solver` remembers sections from call to call. */
export function measureRig(rig: Chain, solver: SectionSolver = new SectionSolver()): Measurement {
  return measureWay(driveWay(rig), solver);
}

/** Measures one way of a rig and finds the reasons. @param rowId of the row that arrives; the main one unless named */
export function analyseRig(
  rig: Chain,
  solver: SectionSolver = new SectionSolver(),
  rowId?: string,
): Analysis {
  const way = driveWay(rig, rowId);
  const measurement = measureWay(way, solver);
  if (measurement.kind !== 'sounding') return measurement;
  const { route, path } = way;
  const { trebleDb } = measurement.figures;
  return {
    ...measurement,
    tone: toneEquivalent(rig, route, trebleDb),
    loads: driverLoads(path),
    lossByPart: lossByPart(path),
  };
}

/** True where the source gives nothing that could be compared. */
export const isSilent = (route: Route, meter = new TrebleMeter()): boolean =>
  !(meter.measure(route.reference).levelDb > SILENCE_DB);

export function measureWay({ route, path }: DrivenWay, solver: SectionSolver): Measurement {
  const common = { rowId: route.rowId, stops: path.stops.map(showStop), sections: summarise(path) };
  if (isSilent(route)) return { ...common, points: [], kind: 'silent' };
  const reference = solveAll([route.reference], solver);
  const heard = { ...common, points: runningLevel(route, path), referenceDb: reference.draw };
  const { interrupted } = path;
  if (interrupted?.kind === 'muted')
    return { ...heard, kind: 'muted', by: interrupted.stop, why: interrupted.why };
  if (interrupted) return { ...heard, kind: 'open', at: interrupted.stop };
  return { ...heard, kind: 'sounding', ...soundOf(path, reference, solver) };
}

const showStop = ({ spot, role, engaged, cableM }: Stop): StopSummary => ({
  spot,
  role,
  engaged,
  cableM,
});

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
    absoluteTrebleDb:
      meanOf(now.figure, FIGURE_BANDS.treble) - now.figure[FIGURE_BANDS.level.start]!,
    resonance,
    referenceResonance,
    corner: cornerOf(now.draw, now.figure[FIGURE_BANDS.level.start]!),
    verdict: verdictOf(figures, resonance, referenceResonance),
  };
}

function summarise({ sections }: DrivenPath): readonly SectionSummary[] {
  return sections.map(({ driver, endsAt, cableM, circuit: { source } }) => {
    const rOutOhm = source.kind === 'voltage' ? source.rOutOhm : null;
    const exposed = rOutOhm === null || rOutOhm > SHELTER_LIMIT_OHM;
    return { driver, endsAt, cableM, rOutOhm, exposed };
  });
}
