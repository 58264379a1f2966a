import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/// Small mutations of the code: operators, constants, conditions.

const OPERATORS = new Map([
  ['+', '-'],
  ['-', '+'],
  ['*', '/'],
  ['/', '*'],
  ['<', '<='],
  ['<=', '<'],
  ['>', '>='],
  ['>=', '>'],
  ['===', '!=='],
  ['!==', '==='],
  ['&&', '||'],
  ['||', '&&'],
  ['+=', '-='],
  ['-=', '+='],
]);

export const WORKSPACES = ['core', 'contract', 'server', 'cli', 'web'];
/** Made-up data, and what only starts a process. */
const LEFT_ALONE = /(?:server\/src\/(?:demo\/|main\.ts)|cli\/src\/main\.ts)/u;
/** Of the page what decides: the models of its features, the outbox and what it keeps. The rest draws and calls. */
const DECIDES =
  /^web\/src\/(?:features\/[^/]+\/model\/|app\/outbox\/|app\/changes\/|app\/(?:http|drafts|browserStore)\.ts)/u;
const isBroken = (file) =>
  !LEFT_ALONE.test(file) && (!file.startsWith('web/') || DECIDES.test(file));

const filesIn = (root, folder) =>
  readdirSync(join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = `${folder}/${entry.name}`;
    return entry.isDirectory() ? filesIn(root, path) : path.endsWith('.ts') ? [path] : [];
  });

/** What one place in the code could be instead: [start, end, text] or null. */
function mutationOf(node, source) {
  if (ts.isBinaryExpression(node)) {
    const operator = node.operatorToken.getText(source);
    const other = OPERATORS.get(operator);
    if (!other) return null;
    return [node.operatorToken.getStart(source), node.operatorToken.end, other];
  }
  if (ts.isNumericLiteral(node) && !ts.isLiteralTypeNode(node.parent)) {
    const value = Number(node.text);
    return [node.getStart(source), node.end, String(value === 0 ? 1 : value * 2)];
  }
  if (node.kind === ts.SyntaxKind.TrueKeyword && !ts.isLiteralTypeNode(node.parent))
    return [node.getStart(source), node.end, 'false'];
  if (node.kind === ts.SyntaxKind.FalseKeyword && !ts.isLiteralTypeNode(node.parent))
    return [node.getStart(source), node.end, 'true'];
  if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
    return [node.getStart(source), node.operand.getStart(source), ''];
  if (ts.isConditionalExpression(node)) {
    const condition = node.condition.getText(source);
    return [node.condition.getStart(source), node.condition.end, `!(${condition})`];
  }
  if (ts.isIfStatement(node)) {
    const condition = node.expression.getText(source);
    return [node.expression.getStart(source), node.expression.end, `!(${condition})`];
  }
  return null;
}

/** Every mutation there is, file by file. */
export function findMutants(root, only = '') {
  return WORKSPACES.flatMap((workspace) => filesIn(root, `${workspace}/src`))
    .filter((file) => file.startsWith(only) && isBroken(file))
    .sort()
    .flatMap((file) => mutantsIn(root, file));
}

function mutantsIn(root, file) {
  const code = readFileSync(join(root, file), 'utf8');
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.Latest, true);
  const lines = code.split('\n');
  const found = [];
  const visit = (node) => {
    const mutation = mutationOf(node, source);
    if (mutation) {
      const [start, end, after] = mutation;
      const { line } = source.getLineAndCharacterOfPosition(start);
      found.push({
        file,
        line: line + 1,
        before: code.slice(start, end),
        after,
        text: lines[line].trim(),
        mutated: code.slice(0, start) + after + code.slice(end),
      });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/**
 * The same seed draws the same sample; a mutation stays in it or out of it whatever becomes of the code around it.
 */
export function sampleMutants(all, count, seed) {
  const seen = new Map();
  const drawn = all.map((mutant) => {
    const { file, text, before, after } = mutant;
    const name = [seed, file, text, before, after].join('\n');
    const nth = (seen.get(name) ?? 0) + 1;
    seen.set(name, nth);
    return { mutant, lot: createHash('sha1').update(`${name}\n${nth}`).digest('hex') };
  });
  return drawn
    .sort((a, b) => (a.lot < b.lot ? -1 : 1))
    .slice(0, count)
    .map(({ mutant }) => mutant)
    .sort((a, b) => (a.file < b.file ? -1 : a.file > b.file ? 1 : a.line - b.line));
}
