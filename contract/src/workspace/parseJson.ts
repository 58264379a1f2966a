/// JSON from a file that may be anything: looked at before memory is spent on what it says.

/** Nothing that is read here is nested deeper. */
const MOST_DEPTH = 64;

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const [ARRAY, ARRAY_END, OBJECT, OBJECT_END] = [0x5b, 0x5d, 0x7b, 0x7d];

/**
 * Parses a text that is no deeper and holds no more values than something that was written here.
 *
 * @param mostValues of all arrays and objects in it
 * @param refuse says what is wrong with it, and throws
 */
export function parseJson(
  text: string,
  mostValues: number,
  refuse: (message: string) => never,
): unknown {
  const { depth, values } = measureJson(text, mostValues);
  if (depth > MOST_DEPTH) refuse(`It is nested deeper than ${MOST_DEPTH}.`);
  if (values > mostValues) refuse(`It holds more than ${mostValues.toLocaleString('en')} values.`);
  try {
    return JSON.parse(text);
  } catch {
    return refuse('It is not JSON: it could not be read to its end.');
  }
}

/** How deep it is and how many values it holds, as far as its brackets and commas tell; looks no further than what is allowed. */
function measureJson(text: string, mostValues: number) {
  let [depth, deepest, values] = [0, 0, 1];
  for (let at = 0; at < text.length; at++) {
    switch (text.charCodeAt(at)) {
      case QUOTE:
        at = endOfString(text, at);
        break;
      case ARRAY:
      case OBJECT:
        values++;
        deepest = Math.max(deepest, ++depth);
        break;
      case ARRAY_END:
      case OBJECT_END:
        depth--;
        break;
      case COMMA:
        values++;
    }
    if (deepest > MOST_DEPTH || values > mostValues) break;
  }
  return { depth: deepest, values };
}

/** Where a string that begins here ends; the end of the text where it does not. */
function endOfString(text: string, from: number): number {
  for (let at = from + 1; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === QUOTE) return at;
    if (code === BACKSLASH) at++;
  }
  return text.length;
}
