import { readFileSync } from 'node:fs';
import { inProject, ROOT } from './lib/project.mjs';
import { circlesIn, readImports } from './lint/imports.mjs';
import { diagram, roomOf, ROOMS } from './lint/rooms.mjs';

/** Holds every import, those of types too, against the table of rooms; finds circles; holds the diagram against the table. */
const imports = readImports(ROOT);
const problems = [];
for (const [file, found] of imports) {
  const room = roomOf(file);
  if (room === null) continue;
  for (const other of found) {
    const its = roomOf(other);
    if (its !== null && its !== room && !ROOMS[room].knows.includes(its))
      problems.push(`${file} imports ${other}: ${room} does not know ${its}.`);
  }
}
for (const circle of circlesIn(imports)) problems.push(`A circle: ${circle.join(' , ')}`);
if (!readFileSync(inProject('docs/architecture.md'), 'utf8').includes(diagram()))
  problems.push(`docs/architecture.md has another diagram than the table of rooms:\n${diagram()}`);

for (const problem of problems) console.error(problem);
console.log(`${imports.size} files, ${problems.length} problems`);
process.exit(problems.length === 0 ? 0 : 1);
