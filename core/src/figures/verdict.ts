import type { Figures } from './figures';
import { semitonesBetween, type Resonance } from './resonance';

export type Size = 'unlikely' | 'hard' | 'noticeable' | 'plain' | 'strong' | 'drastic';
export type Direction = 'duller' | 'brighter' | 'moreVocal' | 'thinner' | 'none';

/** The judgement by ear: how large, which way, and what else is always worth saying. */
export interface Verdict {
  readonly size: Size;
  readonly direction: Direction;
  /** Semitones the resonance moved, where that is more than one. */
  readonly resonanceMoved: number | null;
  /** dB the resonance was raised or lowered, where that is more than 1 dB. */
  readonly resonanceRaisedDb: number | null;
  /** Level change where it is over 1 dB. */
  readonly levelDb: number | null;
}

/**
 * Upper limits of the ladder, dB. About 1 dB is the just-noticeable level difference for broadband sound
 * (Zwicker & Fastl, Psychoacoustics); the ladder itself is this project's own.
 */
export const SIZE_LADDER: readonly (readonly [size: Size, belowDb: number])[] = [
  ['unlikely', 0.5],
  ['hard', 1],
  ['noticeable', 2],
  ['plain', 4],
  ['strong', 8],
  ['drastic', Infinity],
];

export const SIZE_WORDS: Readonly<Record<Size, string>> = {
  unlikely: 'unlikely to be heard',
  hard: 'hard to tell',
  noticeable: 'noticeable',
  plain: 'plain',
  strong: 'strong',
  drastic: 'drastic',
};

export const DIRECTION_WORDS: Readonly<Record<Direction, string>> = {
  duller: 'duller',
  brighter: 'brighter',
  moreVocal: 'more vocal',
  thinner: 'thinner and glassier',
  none: 'as straight in',
};

export const sizeOf = (db: number): Size =>
  SIZE_LADDER.find(([, below]) => Math.abs(db) < below)?.[0] ?? 'drastic';

/** Whose ears words of size are measured by: what is 1 dB on the usual ladder is this listener's threshold. */
export interface ListenerScale {
  readonly listener: string;
  readonly thresholdDb: number;
}

/** The size of a change of the two treble octaves, on the usual ladder or on a listener's. */
export const sizeHeard = (
  [low, high]: readonly [low: number, high: number],
  scale: ListenerScale | null = null,
): Size => sizeOf(Math.max(Math.abs(low), Math.abs(high)) / (scale?.thresholdDb ?? 1));

/** The larger of the two treble octaves in magnitude names the size, their signs the direction. */
export function verdictOf(figures: Figures, now: Resonance, reference: Resonance): Verdict {
  const { trebleLowDb: low, trebleHighDb: high, levelDb } = figures;
  return {
    size: sizeHeard([low, high]),
    direction: directionOf(low, high),
    ...resonanceChange(now, reference),
    levelDb: Math.abs(levelDb) > 1 ? levelDb : null,
  };
}

/** Below this an octave says nothing of the direction, dB. */
const LEAST_OCTAVE_DB = 0.5;
/** And where it is less than this share of the other one. */
const LEAST_SHARE = 0.25;

/** Which way the sound goes, by the octaves that count for it. */
function directionOf(low: number, high: number): Direction {
  const counts = (own: number, other: number) =>
    Math.abs(own) >= LEAST_OCTAVE_DB && Math.abs(own) >= LEAST_SHARE * Math.abs(other);
  const [lowSign, highSign] = [
    counts(low, high) ? Math.sign(low) : 0,
    counts(high, low) ? Math.sign(high) : 0,
  ];
  if (lowSign * highSign < 0) return lowSign > 0 ? 'moreVocal' : 'thinner';
  if (lowSign + highSign === 0) return 'none';
  return lowSign + highSign < 0 ? 'duller' : 'brighter';
}

function resonanceChange(now: Resonance, reference: Resonance) {
  if (now.kind !== 'resonance' || reference.kind !== 'resonance') {
    return { resonanceMoved: null, resonanceRaisedDb: null };
  }
  const moved = semitonesBetween(reference.frequencyHz, now.frequencyHz);
  const raised = now.heightDb - reference.heightDb;
  return {
    resonanceMoved: Math.abs(moved) > 1 ? moved : null,
    resonanceRaisedDb: Math.abs(raised) > 1 ? raised : null,
  };
}

/** Said wherever a word of size is not on the usual ladder. */
export const saysWhose = (scale: ListenerScale | null): string =>
  scale === null ? '' : `, to ${scale.listener}’s ears`;
