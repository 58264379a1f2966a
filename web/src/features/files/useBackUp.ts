import type { Workspace } from '@gullwind/contract';
import { useSnackbar } from 'notistack';
import { useCallback } from 'react';
import { api, messageOf } from '../../app/api';
import { useAppDispatch } from '../../app/storeHooks';
import { saveText } from './saveText';

/** Everything to a file; where the server does not give it, that is said. */
export function useBackUp(): () => Promise<void> {
  const dispatch = useAppDispatch();
  const { enqueueSnackbar } = useSnackbar();
  return useCallback(async () => {
    const { data, error } = await dispatch(
      api.endpoints.getWorkspace.initiate(undefined, { forceRefetch: true }),
    );
    if (data) saveWorkspace(data);
    else enqueueSnackbar(messageOf(error), { variant: 'warning' });
  }, [dispatch, enqueueSnackbar]);
}

/** A backup under the day it was made. */
const saveWorkspace = (workspace: Workspace): void =>
  saveText(
    `gullwind-${new Date().toISOString().slice(0, 10)}.json`,
    `${JSON.stringify(workspace)}\n`,
    'application/json',
  );
