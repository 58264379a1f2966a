import { NAME_BASE_Y, NAME_ROW_PX, NAME_ROWS, shorten, textWidth } from './runGeometry';
import { assignRows } from './runLayout';

export interface NameLabel {
  readonly text: string;
  readonly x: number;
  readonly y: number;
}

/** Something to name: where it stands, and what it is called. */
export interface Named {
  readonly x: number;
  readonly name: string;
}

/** Names in rows above the posts, shortened as the board fills, kept inside the drawing. */
export function layNames(posts: readonly Named[], widthPx: number): readonly NameLabel[] {
  const most = posts.length > 20 ? 11 : posts.length > 12 ? 15 : 22;
  const texts = posts.map(({ name }) => shorten(name, most));
  const centres = posts.map(({ x }, i) => {
    const half = textWidth(texts[i]!) / 2;
    return Math.min(widthPx - half - 4, Math.max(half + 4, x));
  });
  const spans = centres.map((x, i) => {
    const half = textWidth(texts[i]!) / 2;
    return [x - half, x + half] as const;
  });
  const rows = assignRows(spans, NAME_ROWS, 6);
  return texts.map((text, i) => ({
    text,
    x: centres[i]!,
    y: NAME_BASE_Y - rows[i]! * NAME_ROW_PX,
  }));
}

const LEAST_ROWS = 2;

/** How much of the drawing's top the names leave unused, px. */
export function unusedTop(labels: readonly NameLabel[]): number {
  const highest = Math.min(
    NAME_BASE_Y - (LEAST_ROWS - 1) * NAME_ROW_PX,
    ...labels.map(({ y }) => y),
  );
  return highest - (NAME_BASE_Y - (NAME_ROWS - 1) * NAME_ROW_PX);
}
