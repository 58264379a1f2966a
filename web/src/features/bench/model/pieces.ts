import { summariseReadings, type ReadingSummary } from '@gullwind/core';

/// Pieces on the bench in the order in which they were laid down, each with its readings.

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

export type NewPiece = Omit<Piece, 'key' | 'values'>;
type Pieces = readonly Piece[];

/** Of a piece that comes; none has had it. */
export const nextKey = (pieces: Pieces): number =>
  1 + Math.max(-1, ...pieces.map(({ key }) => key));

export const laidDown = (pieces: Pieces, piece: NewPiece): Pieces => [
  ...pieces,
  { key: nextKey(pieces), values: [], ...piece },
];

/** The last one stays: something is always on the bench. */
export const takenAway = (pieces: Pieces, key: number): Pieces =>
  pieces.length > 1 ? pieces.filter((piece) => piece.key !== key) : pieces;

const changed = (pieces: Pieces, key: number, to: (piece: Piece) => Piece): Pieces =>
  pieces.map((piece) => (piece.key === key ? to(piece) : piece));

/** Another length is another piece: what was read before was not of it. */
export const withLength = (pieces: Pieces, key: number, lengthM: number): Pieces =>
  changed(pieces, key, (piece) => ({ ...piece, lengthM, values: [] }));

export const withReadings = (pieces: Pieces, key: number, values: readonly number[]): Pieces =>
  changed(pieces, key, (piece) => ({ ...piece, values: [...piece.values, ...values] }));

export const forgotten = (pieces: Pieces, key: number): Pieces =>
  changed(pieces, key, (piece) => ({ ...piece, values: [] }));

/** Pieces of another kind are no part of what is measured now. */
export const onlyOf = (pieces: Pieces, gear: string): Pieces =>
  pieces.filter((piece) => piece.gear === gear);

export const summarised = (pieces: Pieces): readonly MeasuredPiece[] =>
  pieces.map((piece) => ({ ...piece, summary: summariseReadings(piece.values) }));
