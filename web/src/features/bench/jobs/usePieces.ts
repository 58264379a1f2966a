import { useMemo } from 'react';
import { draftKey, useDraft } from '../../../app/drafts';
import {
  forgotten,
  laidDown,
  nextKey,
  onlyOf,
  summarised,
  takenAway,
  withLength,
  withReadings,
  type NewPiece,
  type Piece,
} from '../model/pieces';

/** What is begun of cables. */
export const CABLES = draftKey('measure', 'cables');

/** Pieces on the bench, and the one that is at the meter. */
export function usePieces(first: NewPiece) {
  const [pieces, setPieces] = useDraft<readonly Piece[]>(
    draftKey(CABLES, 'pieces'),
    laidDown([], first),
  );
  const [atKey, lookAt] = useDraft(draftKey(CABLES, 'at'), 0);
  const measured = useMemo(() => summarised(pieces), [pieces]);
  return {
    pieces: measured,
    at: measured.find(({ key }) => key === atKey) ?? measured[0]!,
    lookAt,
    add: (piece: NewPiece) => {
      setPieces((now) => laidDown(now, piece));
      lookAt(nextKey(pieces));
    },
    remove: (key: number) => setPieces((now) => takenAway(now, key)),
    setLength: (key: number, lengthM: number) => setPieces((now) => withLength(now, key, lengthM)),
    read: (key: number, values: readonly number[]) =>
      setPieces((now) => withReadings(now, key, values)),
    forget: (key: number) => setPieces((now) => forgotten(now, key)),
    keepOnly: (gear: string) => setPieces((now) => onlyOf(now, gear)),
    /** Another one alone. */
    clear: (piece: NewPiece) => {
      const key = nextKey(pieces);
      setPieces([{ key, values: [], ...piece }]);
      lookAt(key);
    },
  };
}

export type Pieces = ReturnType<typeof usePieces>;
