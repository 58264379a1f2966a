import {
  formatSignedDb,
  SIZE_WORDS,
  saysWhose,
  sizeHeard,
  type ListenerScale,
  type RigVoice,
} from '@gullwind/core';

/** What the model says of a voice against straight in. */
export function sayVoice({ figures }: RigVoice, scale: ListenerScale | null): string {
  if (!figures) return 'what all is held against';
  const { trebleDb, levelDb, trebleLowDb, trebleHighDb } = figures;
  const size = SIZE_WORDS[sizeHeard([trebleLowDb, trebleHighDb], scale)];
  return `treble ${formatSignedDb(trebleDb)} dB, level ${formatSignedDb(levelDb)} dB: ${size}${saysWhose(scale)}`;
}

/** What lies between two voices, as the model has it. */
export function sayBetween(one: RigVoice, other: RigVoice, scale: ListenerScale | null): string {
  const octave = (voice: RigVoice, key: 'trebleLowDb' | 'trebleHighDb' | 'trebleDb') =>
    voice.figures?.[key] ?? 0;
  const between = (key: 'trebleLowDb' | 'trebleHighDb' | 'trebleDb') =>
    octave(other, key) - octave(one, key);
  const size = sizeHeard([between('trebleLowDb'), between('trebleHighDb')], scale);
  return `${other.name} against ${one.name}: treble ${formatSignedDb(between('trebleDb'))} dB, ${SIZE_WORDS[size]}${saysWhose(scale)}.`;
}
