import type { PDFFont } from 'pdf-lib';

const widths = new WeakMap<PDFFont, Map<string, number>>();

/** How wide words are at a size of 1: each is measured once, for laying out a face is slow. */
function widthOf(words: string, font: PDFFont): number {
  const known = widths.get(font) ?? new Map<string, number>();
  widths.set(font, known);
  const of = (word: string): number => {
    const width = known.get(word) ?? font.widthOfTextAtSize(word, 1);
    known.set(word, width);
    return width;
  };
  return words.split(' ').reduce((sum, word, i) => sum + of(word) + (i > 0 ? of(' ') : 0), 0);
}

/** As many lines as it takes; a word that is wider than its column is broken. */
export function wrapped(
  text: string,
  width: number,
  font: PDFFont,
  size: number,
): readonly string[] {
  const lines: string[] = [];
  let line = '';
  const fits = (one: string): boolean => widthOf(one, font) * size <= width;
  for (const word of text.split(/\s+/u).filter(Boolean)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (fits(longer)) {
      line = longer;
      continue;
    }
    if (line !== '') lines.push(line);
    line = word;
    while (!fits(line)) {
      let cut = line.length - 1;
      while (cut > 1 && !fits(line.slice(0, cut))) cut--;
      lines.push(line.slice(0, cut));
      line = line.slice(cut);
    }
  }
  if (line !== '' || lines.length === 0) lines.push(line);
  return lines;
}
