import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { codeOf, messageOf, useRestoreWorkspaceMutation } from '../../app/api';
import type { WorkspaceHolds } from '../../workers/files.worker';
import { useBackUp } from './useBackUp';

interface Props {
  readonly file: File;
  readonly holds: WorkspaceHolds;
  readonly onClose: () => void;
}

/** Brings a backup back: at once where there is nothing yet, over what is there only when told to. */
export function RestoreWorkspace({ file, holds, onClose }: Props) {
  const [restore, { isLoading }] = useRestoreWorkspaceMutation();
  const [message, setMessage] = useState<string | null>(null);
  const [isTaken, setTaken] = useState(false);
  const bring = async (overwrite: boolean) => {
    const answer = await restore({ file, overwrite });
    if (answer.error) {
      setMessage(messageOf(answer.error));
      setTaken(codeOf(answer.error) === 'workspace-not-empty');
      return;
    }
    // Everything may have changed under what is shown.
    window.location.assign('/');
  };
  const backUp = useBackUp();
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="restore-title">
      <DialogTitle id="restore-title">Restore {file.name}?</DialogTitle>
      <DialogContent>
        <Typography gutterBottom>{sayHeld(holds)}</Typography>
        {isLoading && <Typography role="status">Restoring …</Typography>}
        {message && <Alert severity="warning">{message}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        {isTaken ? (
          <>
            <Button onClick={() => void backUp()}>Back up what is here first</Button>
            <Button
              variant="contained"
              color="warning"
              disabled={isLoading}
              onClick={() => void bring(true)}
            >
              Overwrite everything here
            </Button>
          </>
        ) : (
          <Button variant="contained" disabled={isLoading} onClick={() => void bring(false)}>
            Restore it
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

function sayHeld({ onList, revisions, removed, gear, hasSettings }: WorkspaceHolds): string {
  const rigs = `${onList} ${onList === 1 ? 'rig' : 'rigs'} with all their revisions (${revisions.toLocaleString('en')})`;
  const gone = removed > 0 ? [`${removed} removed`] : [];
  const settings = hasSettings ? ', and settings' : '';
  return `It holds ${[rigs, ...gone, `${gear} pieces of gear`].join(', ')}${settings}.`;
}
