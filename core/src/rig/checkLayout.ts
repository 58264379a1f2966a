import { checkPlaces, FIELD_RULES, type FieldRule } from '../gear';
import { checkField, checkSourced } from './checkField';
import { checkName } from './checkName';
import { checkNumbers } from './checkNumbers';
import type { Layout, Placement } from './layout';
import { MOST_PLACEMENTS } from './rig';
import type { RigProblem } from './rigProblem';

/// Everything that must hold for how a rig is laid out. That something is in the way of something else is no problem of
/// the document: a board may be left as it is while one works on it.

const rule = (label: string, min: number, max: number): FieldRule => ({
  label,
  quantity: 'size',
  min,
  max,
});

/** What the numbers of a placement may be, m. */
export const PLACEMENT_RULES = {
  xM: rule('From the left', -5, 5),
  yM: rule('From the front', -5, 5),
  riserM: rule('Riser', 0, 0.3),
  lengthM: { label: 'Cable to it', quantity: 'length', min: 0, max: 100 },
} as const satisfies Readonly<Record<string, FieldRule>>;

export function* checkPlacement(placement: Placement, path: string): Generator<RigProblem> {
  for (const [field, one] of Object.entries(PLACEMENT_RULES)) {
    const value = (placement as unknown as Readonly<Record<string, unknown>>)[field];
    const problem = typeof value === 'number' ? checkField(one, value) : null;
    if (problem) yield { path: `${path}.${field}`, message: problem.message };
  }
}

const LANE_RULE = rule('Lane', 0, 5);

export function* checkLayout(layout: Layout): Generator<RigProblem> {
  const { boards, fixtures, placements, looms, laying } = layout;
  for (const [i, board] of boards.entries()) {
    yield* checkNumbers('board', board, `layout.boards[${i}]`);
    yield* checkPlaces('board', board, `layout.boards[${i}]`);
  }
  for (const [i, fixture] of fixtures.entries()) {
    yield* checkNumbers('fixture', fixture, `layout.fixtures[${i}]`);
    yield* checkPlaces('fixture', fixture, `layout.fixtures[${i}]`);
  }
  const placed = Object.entries(placements);
  if (placed.length > MOST_PLACEMENTS) {
    const message = `Things placed: ${placed.length}, at most ${MOST_PLACEMENTS}.`;
    yield { path: 'layout.placements', message };
  }
  for (const [id, placement] of placed) yield* checkPlacement(placement, `layout.placements.${id}`);
  yield* checkEnds(layout);
  yield* checkLanes(layout);
  yield* checkControls(layout);
  for (const [i, { name }] of looms.entries()) yield* checkName(name, `layout.looms[${i}].name`);
  yield* checkNumbers('laying', laying, 'layout.laying');
}

function* checkEnds({ ends }: Layout): Generator<RigProblem> {
  for (const [id, one] of Object.entries(ends))
    for (const end of ['from', 'to'] as const) {
      const { plug } = one[end];
      if (plug) yield* checkNumbers('plug', plug, `layout.ends.${id}.${end}.plug`);
    }
}

function* checkLanes({ lanes }: Layout): Generator<RigProblem> {
  for (const [i, lane] of lanes.entries()) {
    yield* checkName(lane.name, `layout.lanes[${i}].name`);
    for (const field of ['yM', 'fromM', 'toM'] as const) {
      const problem = checkField(LANE_RULE, lane[field]);
      if (problem) yield { path: `layout.lanes[${i}].${field}`, message: problem.message };
    }
    if (lane.mount) yield* checkNumbers('mount', lane.mount, `layout.lanes[${i}].mount`);
  }
}

const MOST_NTH = 39;

function* checkControls({ controls }: Layout): Generator<RigProblem> {
  for (const [i, { name, lengthM, from, to }] of controls.entries()) {
    yield* checkName(name, `layout.controls[${i}].name`);
    const problem = checkSourced(FIELD_RULES.cable.lengthM, lengthM);
    if (problem) yield { path: `layout.controls[${i}].lengthM`, message: problem.message };
    for (const { nth } of [from, to])
      if (!Number.isInteger(nth) || nth < 0 || nth > MOST_NTH) {
        const message = `Jack of ${name}: ${nth} is not between 0 and ${MOST_NTH}.`;
        yield { path: `layout.controls[${i}]`, message };
      }
  }
}
