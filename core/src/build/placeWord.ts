import type { Rig } from '../rig';
import { shortWord } from './step';

/** Where a thing stands, in a short word: the same as long as it stands there. */
export function placeWord({ layout }: Rig, id: string): string {
  const one = layout.placements[id];
  if (one?.at !== 'deck') return one?.at ?? 'nowhere';
  const { board, xM, yM, turn, riserM, isUnder } = one;
  const mm = [xM, yM, riserM].map((m) => Math.round(m * 1000));
  return shortWord([board, ...mm, turn, isUnder].join(' '));
}
