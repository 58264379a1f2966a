import type { Section } from '../circuit';
import type { SoundingAnalysis, StatesAnalysis } from '../figures';
import { switchesOf } from '../figures';
import type { Device } from '../gear';
import {
  driveWay,
  feedsOf,
  routeOf,
  TrebleMeter,
  type DrivenPath,
  type Feed,
  type Route,
  type Treble,
} from '../path';
import { allDevices, playingGuitar, type Chain } from '../rig';

/** A rig on one way, with what judgements ask of it more than once. */
export interface Case {
  readonly rig: Chain;
  readonly route: Route;
  readonly path: DrivenPath;
  readonly analysis: SoundingAnalysis;
  readonly states: StatesAnalysis;
  readonly devices: readonly Device[];
  readonly feeds: readonly Feed[];
  readonly guitarName: string;
  readonly meter: TrebleMeter;
}

export function openCase(
  rig: Chain,
  rowId: string,
  analysis: SoundingAnalysis,
  states: StatesAnalysis,
): Case {
  return {
    rig,
    ...driveWay(rig, rowId),
    analysis,
    states,
    devices: allDevices(rig),
    feeds: feedsOf(routeOf(rig, rowId, { counted: new Set(switchesOf(rig)) })),
    guitarName: playingGuitar(rig).name,
    meter: new TrebleMeter(),
  };
}

/** T and level of a way in which some sections are others, against what it is now. */
export function changeOf(
  { path, meter }: Case,
  swap: (section: Section, index: number) => Section,
): Treble {
  let trebleDb = 0;
  let levelDb = 0;
  for (const [i, { circuit }] of path.sections.entries()) {
    const other = swap(circuit, i);
    if (other === circuit) continue;
    const [now, then] = [meter.measure(circuit), meter.measure(other)];
    trebleDb += then.trebleDb - now.trebleDb;
    levelDb += then.levelDb - now.levelDb;
  }
  return { trebleDb, levelDb };
}
