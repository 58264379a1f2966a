import { measureRig } from '../figures';
import { reworkOf, sayRework, type Building } from '../build';
import { formatSignedDb } from '../quantity';
import type { Rig } from '../rig';
import { sayDifference } from './sayDifference';

/// What a change was, or would be: in words, in figures, and in work.

export interface FigureChange {
  readonly name: string;
  readonly before: string;
  readonly after: string;
}

export interface RigChange {
  readonly words: readonly string[];
  readonly figures: readonly FigureChange[];
  /** Cables, ties and minutes, by Build. */
  readonly rework: readonly string[];
  readonly minutes: number;
}

const FIGURES = [
  ['Treble, 2–8 kHz', 'trebleDb'],
  ['2–4 kHz', 'trebleLowDb'],
  ['4–8 kHz', 'trebleHighDb'],
  ['Level, 400 Hz', 'levelDb'],
] as const;

/** From one revision to another; figures of the main way against straight in. */
export function changeOf(before: Rig, after: Rig, building: Building): RigChange {
  const [then, now] = [measureRig(before), measureRig(after)];
  const say = (measured: typeof then, key: (typeof FIGURES)[number][1]): string =>
    measured.kind === 'sounding'
      ? `${formatSignedDb(measured.figures[key], 2)} dB`
      : 'nothing heard';
  const rework = reworkOf(before, after, building);
  return {
    words: sayDifference(before, after, building.units),
    figures: FIGURES.map(([name, key]) => ({ name, before: say(then, key), after: say(now, key) })),
    rework: sayRework(rework, building.units),
    minutes: rework.minutes,
  };
}
