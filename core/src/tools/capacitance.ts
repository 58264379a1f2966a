import {
  DRAW_GRID,
  FIGURE_GRID,
  compileSection,
  createLadderState,
  solveLadder,
  type Section,
  bisect,
} from '../circuit';
import { resonanceOf } from '../figures';
import { addLevels, type DrivenPath } from '../path';

/// Capacitance at a pickup: how much of it there is, and how much puts the resonance where it is wanted.

/** Capacitance that hangs on a section's line, its load's included, F; resistive branches are left out. */
export function capacitanceOf({ path, load }: Section): number {
  let total = load.cF + (load.grid?.millerF ?? 0);
  for (const element of path) {
    if (element.kind === 'cable') total += element.cPerMF * element.lengthM + element.plugsF;
    else if (element.kind === 'shunt') total += element.cF;
    else if (element.kind === 'branch')
      total += capacitanceOf({ source: { kind: 'piezo', cF: 0 }, ...element });
  }
  return total;
}

export type CapacitanceAnswer =
  /** What has to be added to what hangs there now (less than nought: taken away), and the whole of it, F. */
  | {
      readonly kind: 'ok';
      readonly addF: number;
      readonly totalF: number;
      /** C = 1/((2πf)²L) − C_w: where the search starts, F. */
      readonly startF: number;
    }
  /** The resonance lies between these here, whatever the capacitance, Hz. */
  | { readonly kind: 'unreachable'; readonly fromHz: number; readonly toHz: number }
  /** There is no pickup to resonate, or no resonance at any capacitance. */
  | { readonly kind: 'noResonance' };

const LEAST_F = 1e-12;
const MOST_F = 50e-9;
const STEPS_PER_DECADE = 24;
const EXACT_F = 1e-18;

/**
 * The capacitance at which the pickup's section resonates at a wanted frequency, everything resistive in
 * it as it is. Of two that do, the larger one: the branch that more cable leads along.
 *
 * @param wantedHz > 0
 */
export function capacitanceFor(path: DrivenPath, wantedHz: number): CapacitanceAnswer {
  const section = path.sections[0]?.circuit;
  if (section?.source.kind !== 'pickup') return { kind: 'noResonance' };
  const { lH, cWindingF } = section.source;
  const now = capacitanceOf(section);
  const solver = new ResonanceSolver(section, now);
  const scan = scanOf(solver);
  if (scan.length === 0) return { kind: 'noResonance' };
  const at = scan.findLastIndex(
    ({ hz }, i) => i > 0 && (hz - wantedHz) * (scan[i - 1]!.hz - wantedHz) <= 0,
  );
  if (at < 0) {
    const all = scan.map(({ hz }) => hz);
    return { kind: 'unreachable', fromHz: Math.min(...all), toHz: Math.max(...all) };
  }
  const [little, much] = [scan[at - 1]!.totalF, scan[at]!.totalF];
  const isAbove = (f: number) => (solver.resonanceHz(f) ?? 0) > wantedHz;
  const totalF = bisect(isAbove, little, much, EXACT_F);
  const startF = 1 / ((2 * Math.PI * wantedHz) ** 2 * lH) - cWindingF;
  return { kind: 'ok', addF: totalF - now, totalF, startF };
}

/** f_r over capacitance, from little to much, where there is one at all. */
function scanOf(solver: ResonanceSolver): readonly { totalF: number; hz: number }[] {
  const decades = Math.log10(MOST_F / LEAST_F);
  const count = Math.ceil(decades * STEPS_PER_DECADE);
  return Array.from({ length: count + 1 }, (_, k) => LEAST_F * (MOST_F / LEAST_F) ** (k / count))
    .map((totalF) => ({ totalF, hz: solver.resonanceHz(totalF) }))
    .filter((point): point is { totalF: number; hz: number } => point.hz !== null);
}

/** A section with another total capacitance on its line, added or taken at the source's end. */
class ResonanceSolver {
  private readonly state = createLadderState(FIGURE_GRID.omega.length);
  private readonly out = new Float64Array(2 * DRAW_GRID.omega.length);

  constructor(
    private readonly section: Section,
    private readonly nowF: number,
  ) {}

  resonanceHz(totalF: number): number | null {
    const { section, nowF } = this;
    const change = { kind: 'shunt', rOhm: null, cF: totalF - nowF } as const;
    const circuit: Section = { ...section, path: [change, ...section.path] };
    solveLadder(compileSection(circuit), circuit.load, DRAW_GRID, this.out, this.state);
    const db = new Float64Array(DRAW_GRID.omega.length);
    addLevels(this.out, db);
    const found = resonanceOf(db);
    return found.kind === 'resonance' ? found.frequencyHz : null;
  }
}

/** Positions of a capacitor switch in a plug, F: none, then values that there are. */
const POSITIONS_F = [0, 100e-12, 220e-12, 330e-12, 470e-12, 680e-12, 1e-9] as const;

/** One position of a switch, and where the pickup resonates in it; null where it does not. */
export interface CapacitorPosition {
  readonly addF: number;
  readonly resonanceHz: number | null;
}

/**
 * Where the resonance lies in every position of a capacitor switch.
 *
 * @param alreadyF of what hangs there now, what is switched in already, F
 */
export function capacitorPositions(
  path: DrivenPath,
  alreadyF: number,
): readonly CapacitorPosition[] {
  const section = path.sections[0]?.circuit;
  if (section?.source.kind !== 'pickup') return [];
  const now = capacitanceOf(section);
  const solver = new ResonanceSolver(section, now);
  return POSITIONS_F.map((addF) => ({
    addF,
    resonanceHz: solver.resonanceHz(now - alreadyF + addF),
  }));
}

/** A cable somebody likes the sound of. */
export interface LikedCable {
  readonly lengthM: number;
  readonly cPerMF: number;
  /** Both plugs, F. */
  readonly plugsF: number;
}

export type LikedCableAnswer =
  | { readonly kind: 'ok'; readonly addF: number }
  /** What stands at the pickup already is more than the liked cable had, by this, F. */
  | { readonly kind: 'cableTooLong'; readonly byF: number }
  /** The pickup drives the whole way: there is no buffer to add it at. */
  | { readonly kind: 'noBuffer' };

/**
 * What has to be added at the first buffer's input so that the pickup feels what a liked cable straight
 * into the end gave it: C = C_liked + C_end − (C of what goes to the buffer + C of its input).
 */
export function keepLikedCable(
  path: DrivenPath,
  liked: LikedCable,
  destinationSection: Section,
): LikedCableAnswer {
  const [first] = path.sections;
  if (!first || path.stops[first.endsAt]!.role === 'destination') return { kind: 'noBuffer' };
  const wanted =
    liked.cPerMF * liked.lengthM +
    liked.plugsF +
    capacitanceOf({ ...destinationSection, path: [] });
  const addF = wanted - capacitanceOf(first.circuit);
  return addF >= 0 ? { kind: 'ok', addF } : { kind: 'cableTooLong', byF: -addF };
}
