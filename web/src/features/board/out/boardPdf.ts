import {
  PAPER_FOOT,
  PAPER_MARGIN,
  tilesOf,
  type Drawing,
  type Paper,
  type Tile,
  type UnitSystem,
} from '@gullwind/core';
import fontkit from '@pdf-lib/fontkit';
import {
  clip,
  endPath,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  rectangle,
} from 'pdf-lib';
import { BLACK, drawShape, pt, type Sheet } from '../../../app/print/shapes';

/// Drawings at full size on sheets of paper, with marks to lay them together by and a bar to check the size with.

/** A cross at every corner that sheets have in common. */
function drawMarks({ page, x, y }: Sheet, tile: Tile): void {
  const corners = [
    [tile.x, tile.y],
    [tile.x + tile.width, tile.y],
    [tile.x, tile.y + tile.height],
    [tile.x + tile.width, tile.y + tile.height],
  ] as const;
  for (const [mx, my] of corners) {
    const mark = { thickness: pt(0.2), color: BLACK };
    page.drawLine({ start: { x: x(mx - 4), y: y(my) }, end: { x: x(mx + 4), y: y(my) }, ...mark });
    page.drawLine({ start: { x: x(mx), y: y(my - 4) }, end: { x: x(mx), y: y(my + 4) }, ...mark });
  }
}

const CHECK = {
  metric: { mm: 100, says: '100 mm' },
  imperial: { mm: 101.6, says: '4 inches' },
} as const;

/** A bar of a known length, in tenths black and white, and which sheet this is. */
function drawFoot({ page, font }: Sheet, { title }: Drawing, tile: Tile, units: UnitSystem): void {
  const { mm, says } = CHECK[units];
  const [left, bottom] = [pt(PAPER_MARGIN), pt(9)];
  page.drawRectangle({
    x: left,
    y: bottom,
    width: pt(mm),
    height: pt(2),
    borderColor: BLACK,
    borderWidth: pt(0.2),
  });
  for (let i = 0; i < 10; i += 2)
    page.drawRectangle({
      x: left + pt((mm / 10) * i),
      y: bottom,
      width: pt(mm / 10),
      height: pt(2),
      color: BLACK,
    });
  const sheet = `${title}. Sheet ${tile.row * tile.columns + tile.column + 1} of ${tile.rows * tile.columns} (row ${tile.row + 1}, column ${tile.column + 1})`;
  const check = `This bar is ${says} long: measure it before you cut or drill. Print without scaling.`;
  page.drawText(check, { x: left, y: pt(5), size: 8, font, color: BLACK });
  page.drawText(sheet, { x: left, y: pt(13), size: 8, font, color: BLACK });
}

/**
 * @param font a TrueType or WOFF file with the letters of the words in them
 * @returns the file
 */
export async function boardPdf(
  drawings: readonly Drawing[],
  paper: Paper,
  units: UnitSystem,
  font: Uint8Array,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.registerFontkit(fontkit);
  const embedded = await pdf.embedFont(font, { subset: true });
  pdf.setTitle(drawings[0]?.title ?? 'board');
  for (const drawing of drawings) {
    const { paperWidth, paperHeight, tiles } = tilesOf(drawing, paper);
    for (const tile of tiles) {
      const page = pdf.addPage([pt(paperWidth), pt(paperHeight)]);
      const sheet: Sheet = {
        page,
        font: embedded,
        pt,
        x: (mm) => pt(PAPER_MARGIN + mm - tile.x),
        y: (mm) => pt(paperHeight - PAPER_MARGIN - (mm - tile.y)),
      };
      page.pushOperators(
        pushGraphicsState(),
        rectangle(pt(PAPER_MARGIN), pt(PAPER_FOOT), pt(tile.width), pt(tile.height)),
        clip(),
        endPath(),
      );
      for (const shape of drawing.shapes) drawShape(sheet, shape);
      page.pushOperators(popGraphicsState());
      drawMarks(sheet, tile);
      drawFoot(sheet, drawing, tile, units);
    }
  }
  return pdf.save();
}
