import type { Read } from '../read';

const MOST_BYTES = 32 * 2 ** 20;

const refused = (message: string): Read<string> => ({
  kind: 'refused',
  problems: [{ path: 'file', message }],
});

/** Text of a file: UTF-8 with or without its mark, or UTF-16 either way about. */
export function decodeText(bytes: Uint8Array): Read<string> {
  if (bytes.length === 0) return refused('The file is empty.');
  if (bytes.length > MOST_BYTES) {
    const size = Math.ceil(bytes.length / 2 ** 20);
    return refused(`The file has ${size} MiB, at most ${MOST_BYTES / 2 ** 20} MiB.`);
  }
  if (bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] ?? 0) < 9)
    return refused('This is a zip file or a spreadsheet, not text. Save it as CSV or JSON first.');
  try {
    const text = new TextDecoder(encodingOf(bytes), { fatal: true }).decode(bytes);
    return text.includes('\0')
      ? refused('This is not a text file: there are zero bytes in it.')
      : { kind: 'ok', value: text };
  } catch {
    return refused('This is not text in UTF-8 or UTF-16. Save it as UTF-8.');
  }
}

function encodingOf(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  if (a === 0xfe && b === 0xff) return 'utf-16be';
  // Without a mark, text in Latin letters has a zero in every second byte.
  const some = bytes.subarray(0, 200);
  const zeros = (from: 0 | 1) => some.filter((byte, i) => i % 2 === from && byte === 0).length;
  if (zeros(1) > some.length / 4) return 'utf-16le';
  if (zeros(0) > some.length / 4) return 'utf-16be';
  return 'utf-8';
}
