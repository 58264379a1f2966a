import type { Paper, PaperTable } from '@gullwind/core';
import { PAPERS } from '@gullwind/core';
import fontkit from '@pdf-lib/fontkit';
import { grayscale, PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib';
import { printable } from '../../../app/print/printable';
import { wrapped } from '../../../app/print/wrapped';

/// Lists for the bench on paper: black on white, wrapped within their columns, their head on every sheet.

const POINTS_PER_MM = 72 / 25.4;
const MARGIN = 12 * POINTS_PER_MM;
const SIZE = 9;
const LEADING = 11.5;
const PAD = 4;
const BLACK = grayscale(0);

class Sheets {
  private page!: PDFPage;
  private y = 0;
  private readonly widths: readonly number[];
  private readonly inner: number;

  constructor(
    private readonly document: PDFDocument,
    private readonly font: PDFFont,
    private readonly size: readonly [number, number],
    private readonly table: PaperTable,
    private readonly title: string,
  ) {
    this.inner = size[0] - 2 * MARGIN;
    const whole = table.widths.reduce((sum, one) => sum + one, 0);
    this.widths = table.widths.map((one) => (this.inner * one) / whole);
  }

  draw(): void {
    this.begin();
    for (const row of this.table.rows) this.row(row);
    if (this.table.rows.length === 0) this.text('Nothing.', MARGIN, this.y - SIZE);
  }

  private text(words: string, x: number, y: number, size = SIZE): void {
    this.page.drawText(words, { x, y, size, font: this.font, color: BLACK });
  }

  private begin(): void {
    const [width, height] = this.size;
    this.page = this.document.addPage([width, height]);
    this.y = height - MARGIN;
    this.text(this.title, MARGIN, this.y - 15, 15);
    this.y -= 24;
    this.row(this.table.columns, true);
  }

  private row(cells: readonly string[], isHead = false): void {
    const lines = cells.map((cell, i) =>
      wrapped(printable(cell, this.font), this.widths[i]! - PAD, this.font, SIZE),
    );
    const height = LEADING * Math.max(1, ...lines.map(({ length }) => length)) + 4;
    if (!isHead && this.y - height < MARGIN + LEADING) this.begin();
    let x = MARGIN;
    for (const [i, own] of lines.entries()) {
      for (const [k, line] of own.entries()) this.text(line, x, this.y - SIZE - k * LEADING);
      x += this.widths[i]!;
    }
    this.y -= height;
    this.page.drawLine({
      start: { x: MARGIN, y: this.y + 1 },
      end: { x: MARGIN + this.inner, y: this.y + 1 },
      thickness: isHead ? 1 : 0.3,
      color: BLACK,
    });
    this.y -= 2;
  }
}

/** @param face of the words, as a file @returns sheets with one table after the other, each on a sheet of its own */
export async function tablePdf(
  tables: readonly PaperTable[],
  name: string,
  paper: Paper,
  face: Uint8Array,
): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  const font = await document.embedFont(face, { subset: true });
  const { width: widthMm, height: heightMm } = PAPERS[paper];
  const size = [heightMm * POINTS_PER_MM, widthMm * POINTS_PER_MM] as const;
  for (const table of tables)
    new Sheets(document, font, size, table, printable(`${table.title}: ${name}`, font)).draw();
  const pages = document.getPages();
  for (const [i, page] of pages.entries())
    page.drawText(`${i + 1} of ${pages.length}`, {
      x: MARGIN,
      y: MARGIN - 12,
      size: 8,
      font,
      color: BLACK,
    });
  return document.save();
}
