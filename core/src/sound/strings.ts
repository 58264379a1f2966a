import { hashOf, mix } from '../tolerance';

/// A simulated guitar: plucked strings as a bare coil hears them, before anything loads it. Each partial is a decaying
/// sine; their strengths are those of an ideal string plucked at a point and heard at another (Fletcher & Rossing,
/// The Physics of Musical Instruments, 1998, ch. 2), slightly sharp by stiffness.

export const SOURCES = ['chords', 'arpeggio', 'notes', 'muted', 'bass'] as const;
export type SourceKind = (typeof SOURCES)[number];

export const SOURCE_WORDS: Readonly<Record<SourceKind, string>> = {
  chords: 'open chords',
  arpeggio: 'an arpeggio',
  notes: 'single notes',
  muted: 'muted chords',
  bass: 'a bass line',
};

interface Note {
  /** s from the beginning. */
  readonly at: number;
  readonly lasts: number;
  readonly hz: number;
  readonly strength: number;
  /** The first partial falls to 1/e in so many s. */
  readonly decay: number;
}

const midi = (key: number): number => 440 * 2 ** ((key - 69) / 12);

const CHORDS: readonly (readonly number[])[] = [
  [40, 47, 52, 55, 59, 64],
  [45, 52, 57, 60, 64],
  [43, 47, 50, 55, 59, 67],
  [50, 57, 62, 66],
];
const STRUM_S = 0.018;

function notesOf(kind: SourceKind, seconds: number): readonly Note[] {
  const notes: Note[] = [];
  const strum = (at: number, lasts: number, chord: readonly number[], decay: number) =>
    chord.forEach((key, i) =>
      notes.push({ at: at + i * STRUM_S, lasts, hz: midi(key), strength: 0.5, decay }),
    );
  const every = (step: number, play: (at: number, i: number) => void) => {
    for (let i = 0; i * step < seconds - 0.05; i++) play(i * step, i);
  };
  const chordAt = (i: number) => CHORDS[i % CHORDS.length]!;
  switch (kind) {
    case 'chords':
      every(2, (at, i) => strum(at, 1.95, chordAt(i), 1.6));
      break;
    case 'muted':
      every(0.25, (at, i) => strum(at, 0.22, chordAt(Math.floor(i / 8)), 0.05));
      break;
    case 'arpeggio':
      every(0.25, (at, i) => {
        const chord = chordAt(Math.floor(i / 8));
        const key = chord[i % chord.length]!;
        notes.push({ at, lasts: 1, hz: midi(key), strength: 0.8, decay: 1.4 });
      });
      break;
    case 'notes':
      every(0.5, (at, i) => {
        const key = [52, 55, 57, 59, 62, 64, 67, 69, 71, 69, 67, 64, 62, 59, 57, 55][i % 16]!;
        notes.push({ at, lasts: 0.48, hz: midi(key), strength: 1, decay: 1.2 });
      });
      break;
    case 'bass':
      every(0.5, (at, i) => {
        const key = [28, 28, 35, 33, 28, 31, 33, 34][i % 8]!;
        notes.push({ at, lasts: 0.46, hz: midi(key), strength: 1, decay: 1 });
      });
      break;
  }
  return notes;
}

/** Shares of the string's length: where it is plucked, and where it is heard. */
const PLUCKED_AT = 0.13;
const HEARD_AT = 0.08;
/** f_n = n·f₁·√(1 + B·n²). */
const STIFFNESS = 6e-5;
/** How much sooner high partials die. */
const DAMPING = 0.004;
const HIGHEST_HZ = 16e3;
const SHARE_OF_RATE = 0.45;
const MOST_PARTIALS = 90;
const PEAK = 0.5;

/**
 * So many seconds of playing, in 0 … ±0.5; yields the share that is done.
 *
 * @param rate samples a second, 8,000–96,000
 */
export function* pluck(
  kind: SourceKind,
  seconds: number,
  rate: number,
): Generator<number, Float32Array> {
  const out = new Float32Array(Math.round(seconds * rate));
  const notes = notesOf(kind, seconds);
  for (const [i, note] of notes.entries()) {
    addNote(out, note, rate, i);
    yield (i + 1) / notes.length;
  }
  const peak = out.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  for (let i = 0; i < out.length; i++) out[i]! *= PEAK / peak;
  return out;
}

function addNote(out: Float32Array, note: Note, rate: number, index: number): void {
  const highest = Math.min(HIGHEST_HZ, SHARE_OF_RATE * rate);
  const from = Math.round(note.at * rate);
  const to = Math.min(out.length, from + Math.round(note.lasts * rate));
  for (let n = 1; n <= MOST_PARTIALS; n++) {
    const hz = n * note.hz * Math.sqrt(1 + STIFFNESS * n * n);
    if (hz > highest) break;
    const shape = Math.sin(Math.PI * n * PLUCKED_AT) * Math.sin(Math.PI * n * HEARD_AT);
    const decay = note.decay / (1 + DAMPING * n * n);
    // Phases of one note differ, or all partials would peak at once.
    const phase = (mix(hashOf(`phase ${index} ${n}`)) / 2 ** 32) * 2 * Math.PI;
    addPartial(out, { from, to, hz, decay, strength: (note.strength * shape) / n, phase }, rate);
  }
}

interface Partial {
  readonly from: number;
  readonly to: number;
  readonly hz: number;
  readonly decay: number;
  readonly strength: number;
  readonly phase: number;
}

/** So many s from nothing to all of it, and back. */
const ATTACK_S = 0.001;
const RELEASE_S = 0.02;

/** A partial that has fallen by so much is not heard any more: 100 dB. */
const GONE = Math.log(1e5);

/** A decaying sine by the recurrence x[i] = 2r·cos ω·x[i−1] − r²·x[i−2]. */
function addPartial(out: Float32Array, partial: Partial, rate: number): void {
  const { from, to, hz, decay, strength, phase } = partial;
  const omega = (2 * Math.PI * hz) / rate;
  const r = Math.exp(-1 / (decay * rate));
  const [turn, shrink] = [2 * r * Math.cos(omega), r * r];
  let now = strength * Math.sin(phase);
  let before = (strength * Math.sin(phase - omega)) / r;
  const rising = Math.min(to, from + Math.round(ATTACK_S * rate));
  const falling = Math.max(rising, to - Math.round(RELEASE_S * rate));
  const end = Math.min(to, from + Math.ceil(GONE * decay * rate));
  const [up, down] = [1 / (rising - from || 1), 1 / (to - falling || 1)];
  for (let i = from; i < end; i++) {
    const edge = i < rising ? (i - from) * up : i < falling ? 1 : (to - i) * down;
    out[i]! += now * edge;
    const next = turn * now - shrink * before;
    before = now;
    now = next;
  }
}
