import {
  AS_IT_IS,
  SIMULATED_SECONDS,
  STRAIGHT_IN,
  type RenderOptions,
  type RenderQuestion,
  type RigVoice,
  type SoundSource,
  type SourceKind,
} from '@gullwind/core';

/// What is played through which voices.

/** A sound of one's own, and the voice that it already went through; null: straight from the coil. */
export interface OwnSound {
  readonly name: string;
  readonly id: string;
  readonly samples: Float32Array;
  readonly rate: number;
  readonly through: string | null;
}

export interface Setting extends RenderOptions {
  readonly play: SourceKind;
  readonly own: OwnSound | null;
}

export const FIRST_SETTING: Setting = {
  play: 'chords',
  own: null,
  isMatched: true,
  speaker: false,
  clipper: false,
};

function sourceOf({ play, own }: Setting, voices: readonly RigVoice[]): SoundSource {
  if (!own) return { kind: 'simulated', play, seconds: SIMULATED_SECONDS };
  const through = voices.find(({ id }) => id === own.through)?.sections ?? null;
  const { id, samples, rate } = own;
  return { kind: 'own', id: `${id} ${own.through}`, sound: { samples, rate }, through };
}

/** What is rendered: the voices that were asked for, as it is set; null while there are none. */
export function questionOf(
  setting: Setting,
  voices: readonly RigVoice[],
  wanted: readonly string[],
): RenderQuestion | null {
  if (voices.length === 0) return null;
  const { isMatched, speaker, clipper } = setting;
  return {
    source: sourceOf(setting, voices),
    voices: voices
      .filter(({ id }) => wanted.includes(id))
      .map(({ id, sections }) => ({ id, sections })),
    options: { isMatched, speaker, clipper },
  };
}

/** The voices that are heard and held against: those that were chosen, as long as they are there. */
export function pairOf(voices: readonly RigVoice[], heard: string, against: string) {
  const isThere = (id: string) => voices.some((voice) => voice.id === id);
  return {
    heard: isThere(heard) ? heard : isThere(AS_IT_IS) ? AS_IT_IS : STRAIGHT_IN,
    against: isThere(against) ? against : STRAIGHT_IN,
  };
}

/** Those that were asked for and some more; the same list where they were in it. */
export const wantedWith = (wanted: readonly string[], more: readonly string[]) =>
  more.every((id) => wanted.includes(id)) ? wanted : [...new Set([...wanted, ...more])];
