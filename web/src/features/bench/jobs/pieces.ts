import { summariseReadings, type ReadingSummary } from '@gullwind/core';
import { useMemo, useRef, useState } from 'react';

/** A piece on the bench, and what was read of it. */
export interface Piece {
  readonly key: number;
  /** The entry of the gear list that it is of. */
  readonly gear: string;
  readonly lengthM: number;
  readonly values: readonly number[];
}

export interface MeasuredPiece extends Piece {
  readonly summary: ReadingSummary | null;
}

/** Pieces in the order in which they were laid down, each with its readings. */
export function usePieces(first: Omit<Piece, 'key' | 'values'>) {
  const next = useRef(1);
  const [pieces, setPieces] = useState<readonly Piece[]>([{ key: 0, values: [], ...first }]);
  const [atKey, lookAt] = useState(0);
  const measured = useMemo(
    () => pieces.map((piece) => ({ ...piece, summary: summariseReadings(piece.values) })),
    [pieces],
  );
  const change = (key: number, to: (piece: Piece) => Piece) =>
    setPieces((now) => now.map((piece) => (piece.key === key ? to(piece) : piece)));
  return {
    pieces: measured,
    at: measured.find(({ key }) => key === atKey) ?? measured[0]!,
    lookAt,
    add: (piece: Omit<Piece, 'key' | 'values'>) => {
      const key = next.current++;
      setPieces((now) => [...now, { key, values: [], ...piece }]);
      lookAt(key);
    },
    remove: (key: number) =>
      setPieces((now) => (now.length > 1 ? now.filter((piece) => piece.key !== key) : now)),
    /** Another length is another piece: what was read before was not of it. */
    setLength: (key: number, lengthM: number) =>
      change(key, (piece) => ({ ...piece, lengthM, values: [] })),
    read: (key: number, values: readonly number[]) =>
      change(key, (piece) => ({ ...piece, values: [...piece.values, ...values] })),
    forget: (key: number) => change(key, (piece) => ({ ...piece, values: [] })),
    /** Pieces of another kind are no part of what is measured now. */
    keepOnly: (gear: string) => setPieces((now) => now.filter((piece) => piece.gear === gear)),
    clear: (with_: Omit<Piece, 'key' | 'values'>) => {
      const key = next.current++;
      setPieces([{ key, values: [], ...with_ }]);
      lookAt(key);
    },
  };
}

export type Pieces = ReturnType<typeof usePieces>;
