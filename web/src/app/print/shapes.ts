import type { DrawnShape, Stroke } from '@gullwind/core';
import { grayscale, type PDFFont, type PDFPage } from 'pdf-lib';
import { printable } from './printable';

/// Shapes of a drawing on a sheet of paper.

const POINTS_PER_MM = 72 / 25.4;
export const pt = (mm: number): number => mm * POINTS_PER_MM;

const LINES: Readonly<Record<Stroke, { readonly mm: number; readonly dash?: readonly number[] }>> =
  {
    outline: { mm: 0.5 },
    cut: { mm: 0.35 },
    thin: { mm: 0.2 },
    dashed: { mm: 0.2, dash: [2, 1.5] },
  };

export const BLACK = grayscale(0);

/** How a sheet's own millimetres, from the top left of the drawing, lie on the page. */
export interface Sheet {
  readonly page: PDFPage;
  readonly font: PDFFont;
  /** Lengths on it; smaller than full size where the drawing is. */
  readonly pt: (mm: number) => number;
  readonly x: (mm: number) => number;
  readonly y: (mm: number) => number;
}

const lineOf = (
  stroke: Stroke,
): { thickness: number; color: typeof BLACK; dashArray?: number[] } => {
  const { mm, dash } = LINES[stroke];
  return {
    thickness: pt(mm),
    color: BLACK,
    ...(dash ? { dashArray: dash.map(pt) } : {}),
  };
};

/** One shape of a drawing. */
export function drawShape(sheet: Sheet, shape: DrawnShape): void {
  const { page, font, x, y, pt: sized } = sheet;
  switch (shape.kind) {
    case 'rect':
      return drawBox(sheet, shape);
    case 'circle':
      return page.drawCircle({
        x: x(shape.x),
        y: y(shape.y),
        size: sized(shape.r),
        borderColor: BLACK,
        borderWidth: lineOf(shape.stroke).thickness,
      });
    case 'path':
      return drawPath(sheet, shape);
    case 'text': {
      const size = sized(shape.size);
      const words = printable(shape.text, font);
      const back = shape.anchor === 'middle' ? font.widthOfTextAtSize(words, size) / 2 : 0;
      page.drawText(words, { x: x(shape.x) - back, y: y(shape.y), size, font, color: BLACK });
    }
  }
}

function drawBox(
  { page, x, y, pt: sized }: Sheet,
  box: Extract<DrawnShape, { kind: 'rect' }>,
): void {
  const { thickness, dashArray } = lineOf(box.stroke);
  page.drawRectangle({
    x: x(box.x),
    y: y(box.y + box.height),
    width: sized(box.width),
    height: sized(box.height),
    borderColor: BLACK,
    borderWidth: thickness,
    ...(dashArray ? { borderDashArray: dashArray } : {}),
  });
}

function drawPath({ page, x, y }: Sheet, path: Extract<DrawnShape, { kind: 'path' }>): void {
  for (const [i, end] of path.points.entries()) {
    const start = path.points[i - 1];
    if (start)
      page.drawLine({
        start: { x: x(start[0]), y: y(start[1]) },
        end: { x: x(end[0]), y: y(end[1]) },
        ...lineOf(path.stroke),
      });
  }
}
