/// Drawings at full size on sheets of paper that overlap.

export const PAPERS = {
  a4: { label: 'A4', width: 210, height: 297 },
  letter: { label: 'Letter', width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

/** One sheet of paper of a drawing that takes several. */
export interface Tile {
  readonly column: number;
  readonly row: number;
  readonly columns: number;
  readonly rows: number;
  /** What of the drawing is on it, mm. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Around what is printed, mm; below it there is room for the check bar. */
export const PAPER_MARGIN = 8;
export const PAPER_FOOT = 18;
/** What two neighbouring sheets both have, mm. */
export const TILE_OVERLAP = 10;

/** A drawing on as few sheets as it takes, upright or across. */
export function tilesOf(
  { width, height }: { readonly width: number; readonly height: number },
  paper: Paper,
) {
  const { width: short, height: long } = PAPERS[paper];
  const layOut = (paperWidth: number, paperHeight: number) => {
    const [w, h] = [paperWidth - 2 * PAPER_MARGIN, paperHeight - PAPER_MARGIN - PAPER_FOOT];
    const count = (length: number, room: number) =>
      Math.max(1, Math.ceil((length - TILE_OVERLAP) / (room - TILE_OVERLAP)));
    return { paperWidth, paperHeight, w, h, columns: count(width, w), rows: count(height, h) };
  };
  const [upright, across] = [layOut(short, long), layOut(long, short)];
  const best = across.columns * across.rows < upright.columns * upright.rows ? across : upright;
  const { paperWidth, paperHeight, w, h, columns, rows } = best;
  const tiles = Array.from({ length: rows * columns }, (_, i): Tile => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    const [x, y] = [column * (w - TILE_OVERLAP), row * (h - TILE_OVERLAP)];
    return { column, row, columns, rows, x, y, width: w, height: h };
  });
  return { paperWidth, paperHeight, tiles };
}
