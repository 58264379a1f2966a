import { TERM_WORDS, type Weights } from '@gullwind/core';
import { SOUNDING_FONT } from '../../app/theme';

/** A cell with a figure in it. */
export const FIGURE_CELL = {
  textAlign: 'right',
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
  fontSize: 15,
  whiteSpace: 'nowrap',
} as const;

export function showTerm(name: keyof Weights, value: number): string {
  const { unit } = TERM_WORDS[name];
  if (unit === '') return value.toFixed(1);
  return `${value.toFixed(2)} ${unit === 'semitones' ? 'st' : unit}`;
}
