import type { PDFFont } from 'pdf-lib';

const letters = new WeakMap<PDFFont, ReadonlySet<number>>();

/** The letters that a face has, asked for once. */
function lettersOf(font: PDFFont): ReadonlySet<number> {
  const known = letters.get(font) ?? new Set(font.getCharacterSet());
  letters.set(font, known);
  return known;
}

/** Words as the shipped face can print them: a letter that it does not have is a question mark, not a box. */
export function printable(text: string, font: PDFFont): string {
  const known = lettersOf(font);
  return [...text.replaceAll('\u00a0', ' ').replaceAll('−', '-').replaceAll('Ω', 'ohm')]
    .map((letter) => (known.has(letter.codePointAt(0)!) ? letter : '?'))
    .join('');
}
