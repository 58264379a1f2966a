/**
 * Who may know whom: each room, where it is, and the rooms that it may import from, by value or by type. What is not
 * said here is refused, by lint and by `npm test`; the diagram in docs/architecture.md is drawn from it.
 */
export const ROOMS = {
  core: { at: 'core/src', knows: [] },
  contract: { at: 'contract/src', knows: ['core'] },
  server: { at: 'server/src', knows: ['contract', 'core'] },
  cli: { at: 'cli/src', knows: ['contract', 'core'] },
  app: { at: 'web/src/app', knows: ['contract', 'core'] },
  ui: { at: 'web/src/ui', knows: ['app', 'contract', 'core'] },
  workers: { at: 'web/src/workers', knows: ['app', 'contract', 'core'] },
  features: { at: 'web/src/features', knows: ['workers', 'ui', 'app', 'contract', 'core'] },
  stages: { at: 'web/src/stages', knows: ['features', 'ui', 'app', 'contract', 'core'] },
  frame: {
    at: 'web/src/frame',
    knows: ['stages', 'features', 'workers', 'ui', 'app', 'contract', 'core'],
  },
};

/** The room that a file is in; null for what stands in none (the entries of the page). */
export const roomOf = (file) =>
  Object.keys(ROOMS).find((name) => file.startsWith(`${ROOMS[name].at}/`)) ?? null;

/** For lint: what may not be imported into each room. */
export const zones = Object.entries(ROOMS).map(([name, { at, knows }]) => ({
  target: `./${at}`,
  from: Object.keys(ROOMS)
    .filter((other) => other !== name && !knows.includes(other))
    .map((other) => `./${ROOMS[other].at}`),
  message: `${name} knows ${knows.length > 0 ? knows.join(', ') : 'no other room'}; see scripts/lint/rooms.mjs.`,
}));

/** The same as a diagram: an arrow to each room that is known, but for those that are known through another one. */
export function diagram() {
  const through = (name) =>
    new Set(ROOMS[name].knows.flatMap((known) => [...ROOMS[known].knows, ...through(known)]));
  const lines = Object.keys(ROOMS).flatMap((name) => {
    const far = through(name);
    return ROOMS[name].knows
      .filter((known) => !far.has(known))
      .map((known) => `  ${name} --> ${known}`);
  });
  return ['```mermaid', 'flowchart LR', ...lines, '```'].join('\n');
}
