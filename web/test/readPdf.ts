import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

/// A PDF read back with another reader: which words are where.

export interface Word {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly words: readonly Word[];
}

/** Every sheet with its words, pt from its bottom left. */
export async function sheetsOf(bytes: Uint8Array): Promise<readonly Sheet[]> {
  const document = await getDocument({ data: bytes, verbosity: 0 }).promise;
  const sheets: Sheet[] = [];
  for (let i = 1; i <= document.numPages; i++) {
    const page = await document.getPage(i);
    const [, , width, height] = page.view as [number, number, number, number];
    const { items } = await page.getTextContent();
    const words = items.flatMap((item) =>
      'str' in item && item.str.trim() !== ''
        ? [
            {
              text: item.str,
              x: item.transform[4] as number,
              y: item.transform[5] as number,
              width: item.width,
            },
          ]
        : [],
    );
    sheets.push({ width, height, words });
  }
  return sheets;
}
