/** A line longer than this is none that was written here; the first may hold a file of an earlier format. */
const LONGEST_LINE = 16 * 2 ** 20;
export const LONGEST_FIRST_LINE = 32 * 2 ** 20;

/**
 * The lines of a text that comes in pieces of bytes.
 *
 * @param refuse says what is wrong with the file, and throws
 */
export async function* linesOf(
  pieces: AsyncIterable<Uint8Array>,
  refuse: (path: string, message: string) => never,
): AsyncGenerator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const decode = (piece?: Uint8Array): string => {
    try {
      return piece ? decoder.decode(piece, { stream: true }) : decoder.decode();
    } catch {
      return refuse('file', 'This is not text in UTF-8.');
    }
  };
  let rest = '';
  let most = LONGEST_FIRST_LINE;
  for await (const piece of pieces) {
    const text = decode(piece);
    if (most === LONGEST_FIRST_LINE && rest === '') demandObject(text, refuse);
    let from = 0;
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', from)) {
      yield rest + text.slice(from, at);
      rest = '';
      from = at + 1;
      most = LONGEST_LINE;
    }
    rest += text.slice(from);
    if (rest.length > most) refuse('file', `A line is too long: at most ${most / 2 ** 20} MiB.`);
  }
  rest += decode();
  if (rest !== '') yield rest;
}

/** The first thing in it opens an object; with less said, a large file would be read far for nothing. */
function demandObject(text: string, refuse: (path: string, message: string) => never): void {
  if (!/^\s*(?:\{|$)/u.test(text))
    refuse('file', 'This is no backup of Gullwind: it does not begin like one.');
}
