import type { PDFFont } from 'pdf-lib';

/** Words as the shipped face can print them: a letter that it does not have is a question mark, not a box. */
export function printable(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return [...text.replaceAll('\u00a0', ' ').replaceAll('−', '-')]
    .map((letter) => (known.has(letter.codePointAt(0)!) ? letter : '?'))
    .join('');
}
