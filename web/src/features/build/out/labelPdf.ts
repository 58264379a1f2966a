import { PAPERS, type BuildCable, type Paper } from '@gullwind/core';
import fontkit from '@pdf-lib/fontkit';
import { grayscale, PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib';
import { create as createCode } from 'qrcode';
import { printable } from '../../../app/print/printable';
import { wrapped } from '../../../app/print/wrapped';

/// Labels for both ends of every cable, to be cut out: the label large, from jack to jack, and a code that opens its page.

const POINTS_PER_MM = 72 / 25.4;
const pt = (mm: number): number => mm * POINTS_PER_MM;
const MARGIN_MM = 10;
const WIDTH_MM = 62;
const HEIGHT_MM = 18;
const CODE_MM = 15;
const BLACK = grayscale(0);

interface Options {
  /** Where the application is served to others; null draws no codes. */
  readonly address: string | null;
  readonly rigId: string;
}

/** Two labels for each cable, in rows. */
export async function labelPdf(
  cables: readonly BuildCable[],
  paper: Paper,
  face: Uint8Array,
  { address, rigId }: Options,
): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  const font = await document.embedFont(face, { subset: true });
  const { width: widthMm, height: heightMm } = PAPERS[paper];
  const across = Math.floor((widthMm - 2 * MARGIN_MM) / WIDTH_MM);
  const down = Math.floor((heightMm - 2 * MARGIN_MM) / HEIGHT_MM);
  const labels = cables.flatMap((cable) => [
    { cable, here: cable.from, there: cable.to },
    { cable, here: cable.to, there: cable.from },
  ]);
  let page: PDFPage | null = null;
  for (const [i, { cable, here, there }] of labels.entries()) {
    const place = i % (across * down);
    if (place === 0) page = document.addPage([pt(widthMm), pt(heightMm)]);
    const x = MARGIN_MM + (place % across) * WIDTH_MM;
    const y = heightMm - MARGIN_MM - (Math.floor(place / across) + 1) * HEIGHT_MM;
    const code = address === null ? null : `${address}/rigs/${rigId}/build?cable=${cable.id}`;
    drawLabel(page!, font, { x, y, label: cable.label, boot: cable.boot, here, there, code });
  }
  if (labels.length === 0) document.addPage([pt(widthMm), pt(heightMm)]);
  return document.save();
}

interface Label {
  readonly x: number;
  readonly y: number;
  readonly label: string;
  readonly boot: string;
  /** The jack at this end, and the one at the other. */
  readonly here: string;
  readonly there: string;
  readonly code: string | null;
}

function drawLabel(
  page: PDFPage,
  font: PDFFont,
  { x, y, label, boot, here, there, code }: Label,
): void {
  page.drawRectangle({
    x: pt(x),
    y: pt(y),
    width: pt(WIDTH_MM),
    height: pt(HEIGHT_MM),
    borderColor: BLACK,
    borderWidth: 0.3,
  });
  const left = pt(x + 1.5);
  const size = 15;
  page.drawText(label, { x: left, y: pt(y + HEIGHT_MM - 7), size, font, color: BLACK });
  page.drawText(`${boot} boots`, {
    x: left + pt(12),
    y: pt(y + HEIGHT_MM - 7),
    size: 7,
    font,
    color: BLACK,
  });
  const room = pt(WIDTH_MM - 3 - (code === null ? 0 : CODE_MM + 1.5));
  const lines = [`here: ${here}`, `to: ${there}`].flatMap((text) =>
    wrapped(printable(text, font), room, font, 7).slice(0, 2),
  );
  for (const [i, line] of lines.slice(0, 4).entries())
    page.drawText(line, {
      x: left,
      y: pt(y + HEIGHT_MM - 10) - i * 7.6,
      size: 7,
      font,
      color: BLACK,
    });
  if (code !== null) drawCode(page, code, x + WIDTH_MM - CODE_MM - 1.5, y + 1.5);
}

/** Every dark square of a code by itself: sharp at any size. */
function drawCode(page: PDFPage, text: string, x: number, y: number): void {
  const { modules } = createCode(text, { errorCorrectionLevel: 'M' });
  const step = CODE_MM / modules.size;
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column))
        page.drawRectangle({
          x: pt(x + column * step),
          y: pt(y + CODE_MM - (row + 1) * step),
          width: pt(step) + 0.05,
          height: pt(step) + 0.05,
          color: BLACK,
        });
}
