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
import { useMemo } from 'react';
import { useAppDispatch } from '../../app/storeHooks';
import { editorActions, useRigEdits } from '../editor';

/** What hands and keys do to things on a board. */
export interface BoardActions {
  readonly edit: (edit: Edit) => void;
  /** Things some way from where they stood when the drag began, m. */
  readonly move: (from: readonly Standing[], dx: number, dy: number, isDone: boolean) => void;
  readonly giveUp: () => void;
  readonly place: (standing: Standing, change: Partial<OnDeck>) => void;
  readonly turn: (standings: readonly Standing[]) => void;
  readonly takeOff: (ids: readonly string[]) => void;
}

const group = (edits: readonly Edit[]): Edit =>
  edits.length === 1 ? edits[0]! : { kind: 'group', edits };

const tidyM = (m: number): number => Math.round(m * 1e6) / 1e6;

const placed = ({ thing, placement }: Standing, change: Partial<OnDeck>): Edit => ({
  kind: 'place',
  id: thing.id,
  to: { ...placement, ...change },
});

const moved = (from: readonly Standing[], dx: number, dy: number): Edit =>
  group(from.map((one) => moveBy(one, dx, dy)));

/** A quarter against the clock, about its middle. */
function turnedOn(standing: Standing): Edit {
  const { placement, thing } = standing;
  const turn = ((placement.turn + 90) % 360) as Turn;
  const [before, after] = [placement.turn, turn].map((one) => turnedSize(thing.body, one));
  const xM = tidyM(placement.xM + (before![0] - after![0]) / 2);
  const yM = tidyM(placement.yM + (before![1] - after![1]) / 2);
  return placed(standing, { turn, xM, yM });
}

export function useBoardActions(): BoardActions {
  const dispatch = useAppDispatch();
  const edit = useRigEdits();
  return useMemo(
    (): BoardActions => ({
      edit,
      move: (from, dx, dy, isDone) => {
        const change = moved(from, dx, dy);
        dispatch(isDone ? editorActions.edited(change) : editorActions.previewed(change));
      },
      giveUp: () => dispatch(editorActions.previewed(null)),
      place: (standing, change) => edit(placed(standing, change)),
      turn: (standings) => standings.length > 0 && edit(group(standings.map(turnedOn))),
      takeOff: (ids) =>
        ids.length > 0 && edit(group(ids.map((id): Edit => ({ kind: 'place', id, to: null })))),
    }),
    [dispatch, edit],
  );
}

/** The things of a selection that stand on a board. */
export const standingOf = (plan: BoardPlan, ids: readonly string[]): readonly Standing[] =>
  plan.standings.filter(({ thing }) => ids.includes(thing.id));

/** Whether the rig has a board at all. */
export const hasBoard = ({ layout }: Rig): boolean => layout.boards.length > 0;
