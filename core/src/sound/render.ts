import { LRUCache } from 'lru-cache';
import type { Section } from '../circuit';
import { convolve, multiplyInto } from './convolve';
import { impulseOf, type Impulse } from './impulse';
import { peakOf, rmsOf, scale } from './levels';
import { differenceOf, responseOf, speakerResponse, trebleLossResponse } from './response';
import { pluck, type SourceKind } from './strings';
import { thirdOctavesOf } from './thirdOctaves';
import type { Sound } from './wav';

/** What is played. */
export type SoundSource =
  | { readonly kind: 'simulated'; readonly play: SourceKind; readonly seconds: number }
  /** One's own sound, and the chain that it already went through; null where it comes from the bare coil. */
  | {
      readonly kind: 'own';
      /** Another one for another sound. */
      readonly id: string;
      readonly sound: Sound;
      readonly through: readonly Section[] | null;
    };

/** A chain to be heard. */
export interface Voice {
  readonly id: string;
  readonly sections: readonly Section[];
  /** Beside what the chain does: treble taken away, for trials of what is heard, dB. */
  readonly lossDb?: number;
}

export interface RenderOptions {
  /** All voices as loud as the first one; else as they are. */
  readonly isMatched: boolean;
  /** Through a plain loudspeaker-like filter. */
  readonly speaker: boolean;
  /** Into a soft clipper before it; the same for all. */
  readonly clipper: boolean;
}

export interface RenderQuestion {
  readonly source: SoundSource;
  readonly voices: readonly Voice[];
  readonly options: RenderOptions;
}

export interface RenderedVoice {
  readonly id: string;
  readonly samples: Float32Array;
  /** What matching made of its level, dB; 0 as it is. */
  readonly matchedDb: number;
  /** From where on a difference would have lifted more than 18 dB, Hz; null where nothing was capped. */
  readonly cappedFromHz: number | null;
  readonly thirdOctavesDb: Float64Array;
}

export interface Rendered {
  readonly rate: number;
  readonly voices: readonly RenderedVoice[];
}

/** Samples a second of simulated playing. */
export const SIMULATED_RATE = 48_000;
export const SIMULATED_SECONDS = 8;
/** No sample of any voice goes beyond this: −6 dB. */
export const MOST_PEAK = 0.5;
/** How far the clipper is driven: the loudest sample of the first voice is this many times its knee. */
const DRIVE = 6;

/** Renders every voice from the same source; yields the share that is done. */
export function* renderVoices(question: RenderQuestion): Generator<number, Rendered> {
  const { source, voices, options } = question;
  const sound = yield* soundOf(source);
  const booth = new Booth(source, sound, options);
  const rendered: Heard[] = [];
  for (const [i, voice] of voices.entries())
    rendered.push(yield* inShare(booth.hear(voice), i, voices.length));
  if (options.isMatched) match(rendered);
  const peak = Math.max(...rendered.map((voice) => peakOf(voice.samples)));
  if (peak > 0) for (const voice of rendered) scale(voice.samples, MOST_PEAK / peak);
  return {
    rate: sound.rate,
    voices: rendered.map((voice) => ({
      ...voice,
      thirdOctavesDb: thirdOctavesOf(voice.samples, sound.rate),
    })),
  };
}

interface Heard extends Omit<RenderedVoice, 'thirdOctavesDb' | 'matchedDb'> {
  matchedDb: number;
}

/** All voices as loud as the first one. */
function match(voices: readonly Heard[]): void {
  const first = voices[0] ? rmsOf(voices[0].samples) : 0;
  for (const voice of voices) {
    const own = rmsOf(voice.samples);
    if (own === 0 || first === 0) continue;
    scale(voice.samples, first / own);
    voice.matchedDb = 20 * Math.log10(first / own);
  }
}

/** Where one voice after the other plays the same source through the same loudspeaker. */
class Booth {
  private readonly speaker: Float64Array | null;
  /** Set by the first voice that comes in. */
  private knee = 0;

  constructor(
    private readonly source: SoundSource,
    private readonly sound: Sound,
    private readonly options: RenderOptions,
  ) {
    this.speaker = options.speaker ? speakerResponse(sound.rate) : null;
  }

  *hear({ id, sections, lossDb }: Voice): Generator<number, Heard> {
    const { samples, rate } = this.sound;
    const { response, cappedFromHz } = responseFrom(this.source, sections, rate);
    if (lossDb !== undefined) multiplyInto(response, trebleLossResponse(lossDb, rate));
    const { clipper } = this.options;
    if (this.speaker && !clipper) multiplyInto(response, this.speaker);
    const heard = yield* this.convolved(samples, response, { sections, lossDb });
    return { id, samples: clipper ? yield* this.clip(heard) : heard, matchedDb: 0, cappedFromHz };
  }

  /** What was heard before is known: of an edit only the voice that it changes is convolved again. */
  private *convolved(samples: Float32Array, response: Float64Array, of: object) {
    const key = JSON.stringify([
      keyOf(this.source),
      of,
      this.speaker !== null,
      this.options.clipper,
    ]);
    let known = convolutions.get(key);
    if (!known) {
      known = yield* convolve(samples, impulseOf(response, this.sound.rate));
      convolutions.set(key, known);
    }
    return known.slice();
  }

  private *clip(heard: Float32Array): Generator<number, Float32Array> {
    if (this.knee === 0) this.knee = peakOf(heard) / DRIVE || 1;
    const clipped = heard.map((value) => this.knee * Math.tanh(value / this.knee));
    return this.speaker
      ? yield* convolve(clipped, impulseOf(this.speaker, this.sound.rate))
      : clipped;
  }
}

const MOST_KEPT = 12;
const convolutions = new LRUCache<string, Float32Array>({ max: MOST_KEPT });

/** A sound of one's own goes by its id, not by what is in it. */
const keyOf = (source: SoundSource): unknown =>
  source.kind === 'simulated' ? source : [source.id, source.through];

/** A voice as an impulse response that others can convolve with. */
export const impulseOfVoice = (sections: readonly Section[], rate: number): Impulse =>
  impulseOf(responseOf(sections, rate), rate);

function responseFrom(source: SoundSource, sections: readonly Section[], rate: number) {
  if (source.kind === 'own' && source.through) return differenceOf(source.through, sections, rate);
  return { response: responseOf(sections, rate), cappedFromHz: null };
}

/** Simulated playing is the same every time: it is kept as long as it is the one that is listened to. */
let played: { readonly key: string; readonly sound: Sound } | null = null;

function* soundOf(source: SoundSource): Generator<number, Sound> {
  if (source.kind === 'own') return source.sound;
  const key = `${source.play} ${source.seconds}`;
  if (played?.key !== key) {
    const samples = yield* quietly(pluck(source.play, source.seconds, SIMULATED_RATE));
    played = { key, sound: { samples, rate: SIMULATED_RATE } };
  }
  return played.sound;
}

/** Signs of life of work whose share of the whole is not known. */
function* quietly<T>(work: Generator<number, T>): Generator<number, T> {
  let step = work.next();
  while (!step.done) {
    yield 0;
    step = work.next();
  }
  return step.value;
}

function* inShare<T>(work: Generator<number, T>, at: number, of: number): Generator<number, T> {
  let step = work.next();
  while (!step.done) {
    yield (at + step.value) / of;
    step = work.next();
  }
  return step.value;
}
