import {
  PAPERS,
  type BookBlock,
  type BookSection,
  type Drawing,
  type Handover,
  type Paper,
  type PaperTable,
} from '@gullwind/core';
import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, type PDFFont, type PDFPage } from 'pdf-lib';
import { printable } from '../../../app/print/printable';
import { BLACK, drawShape, pt } from '../../../app/print/shapes';
import { wrapped } from '../../../app/print/wrapped';

/// The book of a rig on paper: black on white, in two typefaces, tables without boxes, nothing cut off.

const MARGIN = pt(15);
const FOOT = pt(14);
const SIZE = 9.5;
const LEADING = 12.5;
const TITLE = 24;
const HEADING = 14.5;
const PAD = 6;
/** A heading is not left alone at the foot of a page. */
const WITH_HEADING = 64;

export interface BookFaces {
  readonly plain: Uint8Array;
  readonly italic: Uint8Array;
}

interface Faces {
  readonly plain: PDFFont;
  readonly italic: PDFFont;
}

/** Writes from the top of a page to its foot, and on the next one. */
class BookWriter {
  private page!: PDFPage;
  private y = 0;
  private readonly inner: number;

  constructor(
    private readonly document: PDFDocument,
    private readonly faces: Faces,
    private readonly size: readonly [number, number],
  ) {
    this.inner = size[0] - 2 * MARGIN;
    this.begin();
  }

  title(title: string, under: string): void {
    this.lines(title, TITLE, TITLE * 1.15, this.faces.italic);
    this.lines(under, SIZE, LEADING, this.faces.plain);
    this.rule(0.8);
    this.y -= 6;
  }

  section({ title, blocks }: BookSection): void {
    this.room(WITH_HEADING + heightAtLeast(blocks[0]));
    this.y -= 8;
    this.lines(title, HEADING, HEADING * 1.25, this.faces.italic);
    for (const block of blocks) this.block(block);
  }

  private block(block: BookBlock): void {
    switch (block.kind) {
      case 'text':
        return block.isCaution ? this.caution(block.text) : this.paragraph(block.text);
      case 'list':
        for (const [i, item] of block.items.entries())
          this.item(block.isOrdered ? `${i + 1}.` : '–', item);
        return;
      case 'table':
        return this.table(block.table);
      case 'drawing':
        return this.drawing(block.drawing);
    }
  }

  private begin(): void {
    this.page = this.document.addPage([this.size[0], this.size[1]]);
    this.y = this.size[1] - MARGIN;
  }

  /** Another page where so much is not left on this one. */
  private room(height: number): void {
    if (this.y - height < FOOT + MARGIN / 2) this.begin();
  }

  private put(words: string, x: number, size: number, font: PDFFont): void {
    this.page.drawText(words, { x, y: this.y - size, size, font, color: BLACK });
  }

  private lines(words: string, size: number, leading: number, font: PDFFont, indent = 0): void {
    for (const line of wrapped(printable(words, font), this.inner - indent, font, size)) {
      this.room(leading);
      this.put(line, MARGIN + indent, size, font);
      this.y -= leading;
    }
  }

  private paragraph(words: string): void {
    this.lines(words, SIZE, LEADING, this.faces.plain);
    this.y -= 3;
  }

  /** Told apart by a bar, not by a colour. */
  private caution(words: string): void {
    const lines = wrapped(
      printable(words, this.faces.plain),
      this.inner - 12,
      this.faces.plain,
      SIZE,
    );
    const height = LEADING * lines.length;
    this.room(height);
    const top = this.y;
    for (const line of lines) {
      this.put(line, MARGIN + 12, SIZE, this.faces.plain);
      this.y -= LEADING;
    }
    this.page.drawRectangle({
      x: MARGIN,
      y: this.y + 1,
      width: 3,
      height: top - this.y - 2,
      color: BLACK,
    });
    this.y -= 3;
  }

  private item(mark: string, words: string): void {
    this.room(LEADING);
    this.put(mark, MARGIN, SIZE, this.faces.plain);
    this.lines(words, SIZE, LEADING, this.faces.plain, 16);
    this.y -= 1.5;
  }

  private rule(thickness: number): void {
    this.page.drawLine({
      start: { x: MARGIN, y: this.y },
      end: { x: MARGIN + this.inner, y: this.y },
      thickness,
      color: BLACK,
    });
  }

  private table({ columns, widths, rows }: PaperTable): void {
    const whole = widths.reduce((sum, one) => sum + one, 0);
    const across = widths.map((one) => (this.inner * one) / whole);
    this.room(LEADING * 3);
    this.row(columns, across, this.faces.italic);
    this.rule(0.6);
    this.y -= 2;
    for (const cells of rows) {
      const height = this.heightOf(cells, across);
      if (this.y - height < FOOT + MARGIN / 2) {
        this.begin();
        this.row(columns, across, this.faces.italic);
        this.rule(0.6);
        this.y -= 2;
      }
      this.row(cells, across, this.faces.plain);
    }
    this.y -= 6;
  }

  private wrap(cell: string, width: number, font: PDFFont): readonly string[] {
    return wrapped(printable(cell, font), width - PAD, font, SIZE);
  }

  private heightOf(cells: readonly string[], across: readonly number[]): number {
    const counts = cells.map((cell, i) => this.wrap(cell, across[i]!, this.faces.plain).length);
    return LEADING * Math.max(1, ...counts) + 1.5;
  }

  private row(cells: readonly string[], across: readonly number[], font: PDFFont): void {
    let x = MARGIN;
    const height = this.heightOf(cells, across);
    for (const [i, cell] of cells.entries()) {
      for (const [k, line] of this.wrap(cell, across[i]!, font).entries())
        this.page.drawText(line, {
          x,
          y: this.y - SIZE - k * LEADING,
          size: SIZE,
          font,
          color: BLACK,
        });
      x += across[i]!;
    }
    this.y -= height;
  }

  /** As wide as the page at the most, and never larger than it is. */
  private drawing({ width, height, shapes }: Drawing): void {
    const most = this.size[1] - 2 * MARGIN - FOOT - WITH_HEADING;
    const scale = Math.min(1, this.inner / pt(width), most / pt(height));
    const high = pt(height) * scale;
    this.room(high + 4);
    const [left, top] = [MARGIN + (this.inner - pt(width) * scale) / 2, this.y];
    const sheet = {
      page: this.page,
      font: this.faces.plain,
      pt: (mm: number) => pt(mm) * scale,
      x: (mm: number) => left + pt(mm) * scale,
      y: (mm: number) => top - pt(mm) * scale,
    };
    for (const shape of shapes) drawShape(sheet, shape);
    this.y -= high + 6;
  }
}

/** What the first block of a section wants under its heading. */
const heightAtLeast = (block: BookBlock | undefined): number =>
  block?.kind === 'drawing' ? Math.min(240, pt(block.drawing.height) / 2) : LEADING * 2;

/** @returns the file */
export async function bookPdf(
  book: Handover,
  paper: Paper,
  { plain, italic }: BookFaces,
): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  const faces = {
    plain: await document.embedFont(plain, { subset: true }),
    italic: await document.embedFont(italic, { subset: true }),
  };
  document.setTitle(book.title);
  const { width, height } = PAPERS[paper];
  const writer = new BookWriter(document, faces, [pt(width), pt(height)]);
  writer.title(book.title, book.under);
  for (const section of book.sections) writer.section(section);
  const pages = document.getPages();
  const name = wrapped(
    printable(book.title, faces.plain),
    pt(width) - 2 * MARGIN - 60,
    faces.plain,
    8,
  )[0]!;
  for (const [i, page] of pages.entries()) {
    page.drawText(name, { x: MARGIN, y: pt(8), size: 8, font: faces.plain, color: BLACK });
    page.drawText(`${i + 1} of ${pages.length}`, {
      x: pt(width) - MARGIN - 40,
      y: pt(8),
      size: 8,
      font: faces.plain,
      color: BLACK,
    });
  }
  return document.save();
}
