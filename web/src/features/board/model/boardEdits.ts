import {
  moveBy,
  turnedSize,
  type BoardPlan,
  type Edit,
  type OnDeck,
  type Rig,
  type Standing,
  type Turn,
} from '@gullwind/core';

/// What hands and keys make of things that stand on a board, as edits.

const group = (edits: readonly Edit[]): Edit =>
  edits.length === 1 ? edits[0]! : { kind: 'group', edits };

const tidyM = (m: number): number => Math.round(m * 1e6) / 1e6;

/** A thing otherwise than it stands. */
export const placed = ({ thing, placement }: Standing, change: Partial<OnDeck>): Edit => ({
  kind: 'place',
  id: thing.id,
  to: { ...placement, ...change },
});

/** Things some way from where they stood, m. */
export const moved = (from: readonly Standing[], dx: number, dy: number): Edit =>
  group(from.map((one) => moveBy(one, dx, dy)));

/** Each a quarter against the clock, about its middle; null where there is nothing. */
export const turned = (standings: readonly Standing[]): Edit | null =>
  standings.length > 0 ? group(standings.map(turnedOn)) : null;

function turnedOn(standing: Standing): Edit {
  const { placement, thing } = standing;
  const turn = ((placement.turn + 90) % 360) as Turn;
  const [before, after] = [placement.turn, turn].map((one) => turnedSize(thing.body, one));
  const xM = tidyM(placement.xM + (before![0] - after![0]) / 2);
  const yM = tidyM(placement.yM + (before![1] - after![1]) / 2);
  return placed(standing, { turn, xM, yM });
}

/** Things that stand on no board any more; null where there is nothing. */
export const takenOff = (ids: readonly string[]): Edit | null =>
  ids.length > 0 ? group(ids.map((id): Edit => ({ kind: 'place', id, to: null }))) : null;

/** The things of a selection that stand on a board. */
export const standingOf = (plan: BoardPlan, ids: readonly string[]): readonly Standing[] =>
  plan.standings.filter(({ thing }) => ids.includes(thing.id));

/** Whether the rig has a board at all. */
export const hasBoard = ({ layout }: Rig): boolean => layout.boards.length > 0;
