/**
 * How long a function is by itself: its lines without blank ones, comments, and what functions inside of it hold
 * beyond their first line.
 */
const FUNCTIONS = ':function';

function codeLines(sourceCode) {
  const isComment = new Set();
  for (const { loc } of sourceCode.getAllComments())
    for (let line = loc.start.line; line <= loc.end.line; line++) isComment.add(line);
  const isCode = new Set();
  for (const { loc } of sourceCode.ast.tokens)
    for (let line = loc.start.line; line <= loc.end.line; line++) isCode.add(line);
  return { has: (line) => isCode.has(line) && !(isComment.has(line) && !isCode.has(line)) };
}

export const ownLines = {
  meta: {
    type: 'suggestion',
    schema: [
      {
        type: 'object',
        properties: { max: { type: 'integer', minimum: 1 } },
        additionalProperties: false,
      },
    ],
    messages: { long: 'This function has {{lines}} lines of its own; at most {{max}}.' },
  },
  create(context) {
    const { max } = context.options[0];
    const isCode = codeLines(context.sourceCode);
    const inner = [];
    return {
      [FUNCTIONS]: () => void inner.push(new Set()),
      [`${FUNCTIONS}:exit`](node) {
        const nested = inner.pop();
        let lines = 0;
        for (let line = node.loc.start.line; line <= node.loc.end.line; line++)
          if (isCode.has(line) && !nested.has(line)) lines++;
        if (lines > max) context.report({ node, messageId: 'long', data: { lines, max } });
        const outer = inner.at(-1);
        if (!outer) return;
        for (let line = node.loc.start.line + 1; line <= node.loc.end.line; line++) outer.add(line);
      },
    };
  },
};
