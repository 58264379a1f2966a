import fileSaver from 'file-saver';
import { useSnackbar } from 'notistack';
import { useCallback } from 'react';
import { askFile, sayFailed } from '../../app/http';

/** Everything to a file, under the day it was made; where the server does not give it, that is said. */
export function useBackUp(): () => Promise<void> {
  const { enqueueSnackbar } = useSnackbar();
  return useCallback(async () => {
    const answer = await askFile('/workspace');
    if (answer.kind === 'ok')
      fileSaver.saveAs(answer.data, `gullwind-${new Date().toISOString().slice(0, 10)}.jsonl`);
    else enqueueSnackbar(sayFailed(answer), { variant: 'warning' });
  }, [enqueueSnackbar]);
}
