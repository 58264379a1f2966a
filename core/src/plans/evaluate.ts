import { DRAW_GRID, FIGURE_BANDS, FIGURE_GRID, gridOf, TREBLE_BAND, TREBLE_GRID } from '../circuit';
import { resonanceOf, semitonesBetween } from '../figures';
import type { Device } from '../gear';
import { allDevices, atPlace, type Rig, type Weights } from '../rig';
import { brokenRules } from './brokenRules';
import { countedScenes, leftOnIn, stillSwitches } from './countedStates';
import { followState, type Walked } from './followState';
import { openEnds } from './openEnds';
import { goalOf, weightsOf, type Terms } from './goal';
import { NodeMeter } from './nodeMeter';
import { changesLoads, openWay, type OpenWay } from './openWay';
import { SectionTree } from './sectionTree';
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

const LEVEL = FIGURE_GRID.frequencyHz[FIGURE_BANDS.level.start]!;
const DISTANCE_GRID = gridOf(
  Float64Array.from([
    LEVEL,
    ...FIGURE_GRID.frequencyHz.subarray(FIGURE_BANDS.distance.start, FIGURE_BANDS.distance.end),
  ]),
);

/** Scores rigs that have most of their parts in common; sections are shared between them. */
export class Evaluator {
  private readonly tree = new SectionTree();
  private readonly trebles = new NodeMeter(0, TREBLE_GRID, readTreble);
  private readonly levels = new NodeMeter(1, DISTANCE_GRID, readLevels);
  private readonly draws = new NodeMeter(2, DRAW_GRID, readLevels);
  private readonly sum = new Float64Array(DISTANCE_GRID.omega.length);
  private readonly drawSum = new Float64Array(DRAW_GRID.omega.length);

  score(rig: Rig, weights: Weights = weightsOf(rig)): Score {
    return this.scoreWithin(rig, weights, Infinity)!;
  }

  /**
   * The score of a rig, or null once its goal is certainly above `enough`: the spread, which costs most, is
   * not taken where all the rest is too much by itself.
   */
  scoreWithin(rig: Rig, weights: Weights, enough: number): Score | null {
    const wayOf = this.openWays(rig);
    const devices = new Map(allDevices(rig).map((device) => [device.id, device]));
    const sums = { ...NOTHING_HEARD.terms };
    const heard = this.hearScenes(rig, weights, devices, wayOf, sums);
    if (heard === 0) return NOTHING_HEARD;
    const now = wayOf(rig.state.playing, 0);
    const terms = {
      distance: sums.distance / heard,
      level: sums.level / heard,
      resonance: sums.resonance / heard,
      ends: openEnds(devices, now, new Map(Object.entries(leftOnIn(rig)))),
      buffers: sums.buffers / heard,
      spread: 0,
      rules: brokenRules(devices, now.drivers),
    };
    if (goalOf(terms, weights) > enough) return null;
    terms.spread = this.spreadOf(rig, wayOf);
    return { goal: goalOf(terms, weights), terms };
  }

  /** Ways by who plays and where; one for all places unless those change more than lengths on the way itself. */
  private openWays(rig: Rig): WayOf {
    const { places } = rig.electrical;
    const isOneWay = !places.some((place) => changesLoads(rig, place));
    const ways = new Map<string, OpenWay>();
    return (playing, place) => {
      const key = `${playing} ${isOneWay ? 0 : place}`;
      let way = ways.get(key);
      if (!way) {
        const laid = isOneWay ? rig : atPlace(rig, places[place]!);
        ways.set(key, (way = openWay(this.tree, laid, playing, places)));
      }
      return way;
    };
  }

  /** Adds up what every counted scene says at every place; how many of them are heard. */
  private hearScenes(
    rig: Rig,
    weights: Weights,
    devices: Devices,
    wayOf: WayOf,
    sums: Record<keyof Terms, number>,
  ): number {
    const scenes = countedScenes(rig);
    let heard = 0;
    for (const place of placesOf(rig)) {
      for (const { playing, positions } of scenes) {
        const way = wayOf(playing, place);
        const walk = followState(way, positions, place);
        if (!walk || !this.addLevels(way, walk, sums)) continue;
        heard++;
        if (weights.resonance > 0) sums.resonance += this.resonanceBeside(rig, walk);
        sums.buffers += Math.max(0, actingBuffers(devices, walk) - 1);
      }
    }
    return heard;
  }

  private spreadOf(rig: Rig, wayOf: WayOf): number {
    const places = placesOf(rig);
    const still = stillSwitches(rig);
    const { playing } = rig.state;
    const spread = (of: readonly number[]) =>
      spreadOf(this.trebles, wayOf(playing, of[0]!), of, still, rig.electrical.links);
    if (places.every((place) => wayOf(playing, place) === wayOf(playing, 0))) return spread(places);
    return places.reduce((sum, place) => sum + spread([place]), 0) / places.length;
  }

  /** Adds level and distance of one state at one place; false where nothing is heard. */
  private addLevels(
    { reference }: OpenWay,
    walk: readonly Walked[],
    sums: Record<keyof Terms, number>,
  ): boolean {
    const { sum, levels } = this;
    const straight = levels.measure(reference.node, reference.load);
    for (let i = 0; i < sum.length; i++) sum[i] = -straight[i]!;
    for (const { node, into } of walk) {
      addTo(sum, levels.measure(node, into.load));
    }
    const level = sum[0]!;
    if (!Number.isFinite(level)) return false;
    let squares = 0;
    for (let i = 1; i < sum.length; i++) squares += (sum[i]! - level) ** 2;
    sums.distance += Math.sqrt(squares / (sum.length - 1));
    sums.level += Math.abs(level);
    return true;
  }

  private resonanceBeside({ electrical: { approach } }: Rig, walk: readonly Walked[]): number {
    const { drawSum } = this;
    drawSum.fill(0);
    for (const { node, into } of walk) {
      addTo(drawSum, this.draws.measure(node, into.load));
    }
    const found = resonanceOf(drawSum);
    if (found.kind === 'noResonance') return NO_RESONANCE_SEMITONES;
    const beside = semitonesBetween(approach.wantedHz.value, found.frequencyHz);
    return Math.min(NO_RESONANCE_SEMITONES, Math.abs(beside));
  }
}

function addTo(sum: Float64Array, db: Float64Array): void {
  for (let i = 0; i < sum.length; i++) sum[i]! += db[i]!;
}

type Devices = ReadonlyMap<string, Device>;
type WayOf = (playing: string | null, place: number) => OpenWay;

/** Indices of the places a rig is played at; one where none is named. */
const placesOf = ({ electrical: { places } }: Rig): readonly number[] =>
  Array.from({ length: Math.max(1, places.length) }, (_, i) => i);

/** Buffers, and bypasses that are buffered: what drives without being an effect that is on. */
function actingBuffers(devices: Devices, walk: readonly Walked[]): number {
  return walk.filter(({ into }) => {
    if (into.kind !== 'driver' || into.spot.part === 'back') return false;
    const deviceClass = devices.get(into.spot.id)?.deviceClass;
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
