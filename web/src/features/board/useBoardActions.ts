import type { Edit, OnDeck, Standing } from '@gullwind/core';
import { useMemo } from 'react';
import { useAppDispatch } from '../../app/storeHooks';
import { editorActions, useRigEdits } from '../editor';
import { placed, takenOff, turned } from './model/boardEdits';
import type { Pulled } from './model/dragging';

/** What hands and keys do to things on a board. */
export interface BoardActions {
  readonly edit: (edit: Edit) => void;
  readonly pull: (pulled: Pulled) => void;
  readonly place: (standing: Standing, change: Partial<OnDeck>) => void;
  readonly turn: (standings: readonly Standing[]) => void;
  readonly takeOff: (ids: readonly string[]) => void;
}

export function useBoardActions(): BoardActions {
  const dispatch = useAppDispatch();
  const edit = useRigEdits();
  return useMemo((): BoardActions => {
    const make = (change: Edit | null) => change && edit(change);
    return {
      edit,
      pull: (pulled) =>
        dispatch(
          pulled.kind === 'made'
            ? editorActions.edited(pulled.edit)
            : editorActions.previewed(pulled.kind === 'shown' ? pulled.edit : null),
        ),
      place: (standing, change) => edit(placed(standing, change)),
      turn: (standings) => make(turned(standings)),
      takeOff: (ids) => make(takenOff(ids)),
    };
  }, [dispatch, edit]);
}
