import { existsSync, readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { dirname, join, normalize } from 'node:path';
import ts from 'typescript';

/** Which file imports which, by value or by type, as the text says it. */
export function readImports(root) {
  const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], {
    cwd: root,
    encoding: 'utf8',
  })
    .split('\n')
    .filter((file) => /^(core|contract|server|cli|web)\/src\/.*\.tsx?$/u.test(file))
    .filter((file) => existsSync(join(root, file)) && !file.endsWith('.d.ts'));
  const known = new Set(files);
  const resolve = (from, name) => {
    if (name.startsWith('@gullwind/')) return `${name.slice('@gullwind/'.length)}/src/index.ts`;
    if (!name.startsWith('.')) return null;
    const path = normalize(join(dirname(from), name));
    return (
      [`${path}.ts`, `${path}.tsx`, `${path}/index.ts`, path].find((one) => known.has(one)) ?? null
    );
  };
  return new Map(
    files.map((file) => {
      const { importedFiles } = ts.preProcessFile(
        readFileSync(join(root, file), 'utf8'),
        true,
        true,
      );
      const found = importedFiles.map(({ fileName }) => resolve(file, fileName));
      return [file, [...new Set(found.filter((one) => one !== null && known.has(one)))]];
    }),
  );
}

/** Groups of files that import each other, around however many corners (Tarjan). */
export function circlesIn(imports) {
  const [index, low, onStack, stack, circles] = [new Map(), new Map(), new Set(), [], []];
  const visit = (file) => {
    index.set(file, index.size);
    low.set(file, index.get(file));
    stack.push(file);
    onStack.add(file);
    for (const next of imports.get(file) ?? []) {
      if (!index.has(next)) {
        visit(next);
        low.set(file, Math.min(low.get(file), low.get(next)));
      } else if (onStack.has(next)) low.set(file, Math.min(low.get(file), index.get(next)));
    }
    if (low.get(file) !== index.get(file)) return;
    const circle = [];
    do {
      circle.push(stack.pop());
      onStack.delete(circle.at(-1));
    } while (circle.at(-1) !== file);
    if (circle.length > 1 || imports.get(file)?.includes(file)) circles.push(circle.sort());
  };
  for (const file of imports.keys()) if (!index.has(file)) visit(file);
  return circles.sort();
}
