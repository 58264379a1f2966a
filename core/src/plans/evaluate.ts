import {
  DRAW_GRID,
  FIGURE_BANDS,
  FIGURE_GRID,
  gridOf,
  TREBLE_BAND,
  TREBLE_GRID,
  type Source,
} from '../circuit';
import { resonanceOf, semitonesBetween } from '../figures';
import { wantsPickup } from '../gear';
import {
  linkCells,
  routeOf,
  type Cell,
  type CellChain,
  type DriverCell,
  type Route,
} from '../path';
import {
  allDevices,
  findDevice,
  switchesOfDevice,
  type Rig,
  type Scene,
  type Standing,
  type Weights,
} from '../rig';
import { brokenRules } from './brokenRules';
import { goalOf, weightsOf, type Terms } from './goal';
import { layAt } from './layAt';
import { NodeMeter } from './nodeMeter';
import { SectionTree, type SectionNode } from './sectionTree';
import { spreadOf } from './spread';

/** How near a rig is to what its approach wants. */
export interface Score {
  /** J; the smaller, the better. Infinite where nothing is heard in any counted scene. */
  readonly goal: number;
  readonly terms: Terms;
}

export const NOTHING_HEARD: Score = {
  goal: Infinity,
  terms: { distance: 0, spread: 0, level: 0, resonance: 0, ends: 0, buffers: 0, rules: 0 },
};

/** A resonance that is not there counts as one this far beside the wanted one, semitones. */
const NO_RESONANCE_SEMITONES = 12;
/** A last lead that is driven from more than this is driven weakly, Ω. */
const WEAK_END_OHM = 2000;

const LEVEL = FIGURE_GRID.frequencyHz[FIGURE_BANDS.level.start]!;
const DISTANCE_GRID = gridOf(
  Float64Array.from([
    LEVEL,
    ...FIGURE_GRID.frequencyHz.subarray(FIGURE_BANDS.distance.start, FIGURE_BANDS.distance.end),
  ]),
);

/** Which scenes count: those that are kept and not left out, else the sound of the pedals that are left on. */
export function countedScenes(rig: Rig): readonly Standing[] {
  const scenes = rig.scenes.filter(({ id }) => !rig.brief.uncounted.includes(id));
  if (scenes.length > 0) return scenes.map((scene) => knownStanding(rig, scene));
  return [{ positions: leftOn(rig), playing: rig.standing.playing, powered: true }];
}

const knownStanding = (rig: Rig, { standing }: Scene): Standing => ({
  positions: standing.positions,
  playing:
    standing.playing === null || rig.guitars.some(({ id }) => id === standing.playing)
      ? standing.playing
      : rig.guitars[0]!.id,
  powered: true,
});

function leftOn(rig: Rig): Record<string, boolean> {
  const on = allDevices(rig).filter(({ id }) => rig.brief.uses[id] === 'leftOn');
  return Object.fromEntries(on.flatMap(switchesOfDevice).map((id) => [id, true]));
}

/**
 * Switches that stand still while the spread is taken: pedals that are left on, and every low-impedance fuzz,
 * which is meant to change the sound.
 */
export function stillSwitches(rig: Rig): ReadonlyMap<string, boolean> {
  const still = new Map(Object.entries(leftOn(rig)));
  for (const device of allDevices(rig)) if (wantsPickup(device)) still.set(device.id, false);
  return still;
}

/** Scores rigs that have most of their parts in common; sections are shared between them. */
export class Evaluator {
  private readonly tree = new SectionTree();
  private readonly trebles = new NodeMeter(0, TREBLE_GRID, readTreble);
  private readonly levels = new NodeMeter(1, DISTANCE_GRID, readLevels);
  private readonly draws = new NodeMeter(2, DRAW_GRID, readLevels);
  private readonly sum = new Float64Array(DISTANCE_GRID.omega.length);
  private readonly drawSum = new Float64Array(DRAW_GRID.omega.length);

  /** Sections that were measured rather than remembered. */
  get measured(): number {
    return this.trebles.measured + this.levels.measured + this.draws.measured;
  }

  score(rig: Rig, weights: Weights = weightsOf(rig)): Score {
    const scenes = countedScenes(rig);
    const still = stillSwitches(rig);
    const open = new Set(allDevices(rig).flatMap(switchesOfDevice));
    const places = rig.situations.length > 0 ? rig.situations : [null];
    const sums = { ...NOTHING_HEARD.terms };
    let heard = 0;
    for (const place of places) {
      const laid = place ? layAt(rig, place) : rig;
      const ways = new Map<string | null, Way>();
      const wayOf = (playing: string | null): Way => {
        let way = ways.get(playing);
        if (!way) {
          const standing = { ...rig.standing, playing, powered: true };
          way = openWay(routeOf({ ...laid, standing }, undefined, open));
          ways.set(playing, way);
        }
        return way;
      };
      for (const scene of scenes) {
        if (this.addScene(rig, wayOf(scene.playing), scene, weights, sums)) heard++;
      }
      const now = wayOf(rig.standing.playing);
      sums.spread += spreadOf(this.tree, this.trebles, now.route, now.chain, still, rig.links);
      if (place === places[0]) sums.rules = brokenRules(rig, now.chain);
    }
    if (heard === 0) return NOTHING_HEARD;
    const terms: Terms = {
      distance: sums.distance / heard,
      level: sums.level / heard,
      resonance: sums.resonance / heard,
      ends: sums.ends / heard,
      buffers: sums.buffers / heard,
      spread: sums.spread / places.length,
      rules: sums.rules,
    };
    return { goal: goalOf(terms, weights), terms };
  }

  /** Adds what one scene at one place says; false where nothing is heard. */
  private addScene(
    rig: Rig,
    { route, chain }: Way,
    { positions }: Standing,
    weights: Weights,
    sums: Record<keyof Terms, number>,
  ): boolean {
    const walk = this.follow(route.source.circuit, chain, positions);
    if (!walk) return false;
    const reference = this.referenceNode(route);
    const load = this.tree.loadOf(route.reference.load);
    const { sum } = this;
    const straight = this.levels.measure(reference, load);
    for (let i = 0; i < sum.length; i++) sum[i] = -straight[i]!;
    for (const { node, into } of walk) {
      const db = this.levels.measure(node, this.tree.loadOf(into.load));
      for (let i = 0; i < sum.length; i++) sum[i]! += db[i]!;
    }
    const level = sum[0]!;
    if (!Number.isFinite(level)) return false;
    let squares = 0;
    for (let i = 1; i < sum.length; i++) squares += (sum[i]! - level) ** 2;
    sums.distance += Math.sqrt(squares / (sum.length - 1));
    sums.level += Math.abs(level);
    if (weights.resonance > 0) sums.resonance += this.resonanceBeside(rig, walk);
    sums.ends += openEnds(rig, walk);
    sums.buffers += Math.max(0, actingBuffers(rig, walk) - 1);
    return true;
  }

  private referenceNode({ reference }: Route): SectionNode {
    return this.tree.rootOf(reference.source).then(this.tree.wireOf(reference.path));
  }

  /** The sections of one state of the switches; null where something mutes. */
  private follow(
    source: Source,
    { first }: CellChain,
    positions: Standing['positions'],
  ): readonly Walked[] | null {
    const walked: Walked[] = [];
    let from: DriverCell | null = null;
    let node = this.tree.rootOf(source);
    let at: Cell = first;
    let passed: Cell[] = [];
    for (;;) {
      switch (at.kind) {
        case 'silence':
          return null;
        case 'wire':
          if (at.elements.length > 0) node = node.then(this.tree.wireOf(at.elements));
          passed.push(at);
          at = at.next;
          break;
        case 'choice':
          at = positions[at.switchId] === true ? at.on : at.off;
          break;
        case 'driver':
          walked.push({ from, node, into: at, passed });
          passed = [];
          from = at;
          node = this.tree.rootOf(at.source);
          at = at.next;
          break;
        case 'end':
          walked.push({ from, node, into: at, passed });
          return walked;
      }
    }
  }

  private resonanceBeside({ approach }: Rig, walk: readonly Walked[]): number {
    const { drawSum } = this;
    drawSum.fill(0);
    for (const { node, into } of walk) {
      const db = this.draws.measure(node, this.tree.loadOf(into.load));
      for (let i = 0; i < drawSum.length; i++) drawSum[i]! += db[i]!;
    }
    const found = resonanceOf(drawSum);
    if (found.kind === 'noResonance') return NO_RESONANCE_SEMITONES;
    const beside = semitonesBetween(approach.wantedHz.value, found.frequencyHz);
    return Math.min(NO_RESONANCE_SEMITONES, Math.abs(beside));
  }
}

/** A way with all its switches open. */
interface Way {
  readonly route: Route;
  readonly chain: CellChain;
}

const openWay = (route: Route): Way => ({ route, chain: linkCells(route, false) });

/** One section on the way of one state. */
interface Walked {
  /** Null: the guitar. */
  readonly from: DriverCell | null;
  readonly node: SectionNode;
  readonly into: Extract<Cell, { kind: 'driver' | 'end' }>;
  readonly passed: readonly Cell[];
}

/**
 * How many ends of the board no low impedance drives: in front, where the pickup drives more than the lead to
 * the first box (a low-impedance fuzz may stand before it); behind, where the last lead is driven weakly.
 */
function openEnds(rig: Rig, walk: readonly Walked[]): number {
  const passedBoxes = walk[0]!.passed.filter((cell) => isBox(rig, cell));
  const { from } = walk.at(-1)!;
  const isWeak = !from || from.source.kind !== 'voltage' || from.source.rOutOhm > WEAK_END_OHM;
  return Number(passedBoxes.length > 0) + Number(isWeak);
}

function isBox(rig: Rig, cell: Cell): boolean {
  if (cell.kind !== 'wire' || cell.place?.kind !== 'device') return false;
  const device = findDevice(rig, cell.place.id);
  return device !== undefined && !wantsPickup(device);
}

/** Buffers, and bypasses that are buffered: what drives without being an effect that is on. */
function actingBuffers(rig: Rig, walk: readonly Walked[]): number {
  return walk.filter(({ into }) => {
    if (into.kind !== 'driver' || into.place.part === 'back') return false;
    const deviceClass = findDevice(rig, into.place.id)?.deviceClass;
    return !into.engaged || deviceClass === 'buffer' || deviceClass === 'bufferedSplitter';
  }).length;
}

/** T of a section, dB: by one logarithm for many points, which is what it costs. */
function readTreble(squares: Float64Array, gain: number): number {
  if (gain === 0) return NaN;
  let logs = 0;
  let product = 1;
  for (let i = TREBLE_BAND.start; i < TREBLE_BAND.end; i++) {
    product *= squares[i]!;
    if ((i & 7) === 0) {
      logs += Math.log10(product);
      product = 1;
    }
  }
  logs += Math.log10(product);
  const points = TREBLE_BAND.end - TREBLE_BAND.start;
  return 10 * (Math.log10(squares[0]!) - logs / points);
}

/** Levels of a section, dB, gain included. */
const readLevels = (squares: Float64Array, gain: number): Float64Array =>
  squares.map((square) => 10 * Math.log10((gain * gain) / square));
