import type { StoredRig } from '@gullwind/contract';
import {
  applyEdit,
  isForRigs,
  refreshFromGear,
  sayDifferences,
  type Figures,
  type GearItem,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { useSnackbar } from 'notistack';
import { useCallback, useEffect, useState } from 'react';
import { api } from '../../app/api';
import { useAppDispatch } from '../../app/storeHooks';
import { useSettings } from '../../app/useSettings';
import { questionsWorker } from '../../workers/workers';
import { sayFailed } from '../../app/http';
import { outbox } from '../../app/outbox';
import { editorActions, fetchRig, useOpenNow } from '../editor';

/** What an entry of the gear list would change in a rig that was built from it. */
export interface RigUpdate {
  readonly rigId: string;
  readonly rig: Rig;
  readonly revision: number;
  readonly updated: Rig;
  readonly changes: readonly string[];
  /** Against straight in; null where nothing is heard. */
  readonly before: Figures | null;
  readonly after: Figures | null;
}

/** Holds every rig against the entry, and brings one up to date on demand. */
export function useRigUpdates(item: GearItem, rigIds: readonly string[]) {
  const openNow = useOpenNow();
  const [{ units }] = useSettings();
  const dispatch = useAppDispatch();
  const { enqueueSnackbar } = useSnackbar();
  const [updates, setUpdates] = useState<readonly RigUpdate[] | null>(null);
  const ids = rigIds.join();
  const look = useCallback(async () => {
    const open = openNow();
    const found = await Promise.all(
      ids.split(',').map(async (id) => {
        if (open?.id === id)
          return compare(item, id, { rig: open.rig, revision: open.basedOn }, units);
        const answer = await fetchRig(id);
        return answer.kind === 'ok' ? compare(item, id, answer.data, units) : null;
      }),
    );
    return found.filter((one) => one !== null);
  }, [item, ids, openNow, units]);

  useEffect(() => {
    let isWanted = true;
    void look().then((found) => isWanted && setUpdates(found));
    return () => {
      isWanted = false;
    };
  }, [look]);

  const update = async ({ rigId, rig, revision, updated }: RigUpdate) => {
    // The rig under the user's hands changes there, where it can be undone.
    const open = openNow();
    if (open?.id === rigId && isForRigs(item))
      dispatch(editorActions.edited(refreshFromGear(open.rig, item)));
    else {
      const asked = await outbox.ask('saveRig', {
        id: rigId,
        rig: updated,
        basedOn: revision,
        base: rig,
        stateFrom: updated.state,
      });
      if (asked.kind === 'refused')
        enqueueSnackbar(sayFailed(asked.failure), { variant: 'warning' });
    }
    dispatch(api.util.invalidateTags(['rigs']));
    setUpdates(await look());
  };
  return { updates, update };
}

async function compare(
  item: GearItem,
  rigId: string,
  { rig, revision }: Pick<StoredRig, 'rig' | 'revision'>,
  units: UnitSystem,
): Promise<RigUpdate | null> {
  if (!isForRigs(item)) return null;
  const result = applyEdit(rig, refreshFromGear(rig, item));
  if (result.kind === 'refused') return null;
  const updated = result.rig;
  const [before, after] = await questionsWorker().figuresOf([rig, updated]);
  return {
    rigId,
    rig,
    revision,
    updated,
    changes: updated === rig ? [] : sayDifferences(rig, updated, units),
    before: before!,
    after: after!,
  };
}
