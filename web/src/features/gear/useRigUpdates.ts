import type { Problem, StoredRig } from '@gullwind/contract';
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
import { editorActions, useOpenNow } from '../editor';

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
        const stored =
          open?.id === id ? { rig: open.rig, revision: open.basedOn } : await fetchRig(id);
        return stored && compare(item, id, stored, units);
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

  const update = async ({ rigId, revision, updated }: RigUpdate) => {
    // The rig under the user's hands changes there, where it can be undone.
    const open = openNow();
    if (open?.id === rigId && isForRigs(item))
      dispatch(editorActions.edited(refreshFromGear(open.rig, item)));
    else {
      const problem = await putRig(rigId, revision, updated);
      if (problem) enqueueSnackbar(problem, { variant: 'warning' });
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

async function fetchRig(id: string): Promise<StoredRig | null> {
  const response = await fetch(`/api/rigs/${id}`);
  return response.ok ? ((await response.json()) as StoredRig) : null;
}

/** What is wrong, or null where it is kept. */
async function putRig(id: string, basedOn: number, rig: Rig): Promise<string | null> {
  const response = await fetch(`/api/rigs/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ basedOn, rig }),
  });
  return response.ok ? null : ((await response.json()) as Problem).detail;
}
