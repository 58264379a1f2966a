import { formatNumber, type Diagnosis } from '@gullwind/core';

/** Less than this explains nothing. */
export const LEAST_EXPLAINED = 0.2;

/** What it comes to, in words. */
export function sayDiagnosis(diagnosis: Diagnosis): string {
  if (diagnosis.kind === 'silent')
    return 'By its switches this rig is silent, or a cable is missing: there is nothing to hold the response against.';
  if (diagnosis.kind === 'tooFew')
    return `${diagnosis.points} points are too few; it takes ${diagnosis.least}.`;
  const { rmsDb, noiseDb, isWithinNoise, suspicions } = diagnosis;
  const left = `${formatNumber(rmsDb, 2)} dB between measured and model (RMS), ${formatNumber(noiseDb, 2)} dB of noise.`;
  const [first] = suspicions;
  if (isWithinNoise) return `${left} The rig is what the model says, as far as this can tell.`;
  if (!first || first.explained < LEAST_EXPLAINED) return `${left} No part by itself explains it.`;
  const tied = suspicions.filter(({ isTied }) => isTied).length;
  const rest =
    tied > 1
      ? ` ${tied - 1} ${tied === 2 ? 'other part' : 'other parts'} would give the same curve: they cannot be told apart by this.`
      : '';
  const within = first.isWithinTolerance
    ? ' That is within what it may be off by anyway; nothing need be wrong.'
    : '';
  return `${left} Most of it, ${formatNumber(100 * first.explained, 0)} %, is explained by ${first.name}: it ${trimmed(first.words)}.${within}${rest}`;
}

/** "Inductance: acts like …" stands behind a name as "acts like … (inductance)". */
export function trimmed(words: string): string {
  const [head, ...rest] = words.split(': ');
  return rest.length === 0 ? words : `${rest.join(': ')} (${head!.toLowerCase()})`;
}
