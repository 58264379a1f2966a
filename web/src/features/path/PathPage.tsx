import { Alert, Box, CircularProgress, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useCallback, useEffect } from 'react';
import { useParams } from 'react-router';
import { useAppSelector } from '../../app/store';
import { useOpenRig, type OpenRig } from '../editor';
import { PathView } from './PathView';

/** Opens the rig that the address names and shows its path. */
export function PathPage() {
  const { rigId = '' } = useParams();
  const { enqueueSnackbar } = useSnackbar();
  const onNewer = useCallback(() => {
    enqueueSnackbar(
      'This rig was changed in another window. You see the newest; undo brings yours back.',
      { variant: 'info' },
    );
  }, [enqueueSnackbar]);
  const opening = useOpenRig(rigId, onNewer);
  useTellRefusals();
  switch (opening.kind) {
    case 'open':
      return <Titled open={opening.open} />;
    case 'failed':
      return (
        <Alert severity="warning" sx={{ m: 4 }}>
          {opening.message}
        </Alert>
      );
    case 'away':
      return (
        <Alert severity="info" sx={{ m: 4 }}>
          The server does not answer. It is asked again every moment.
        </Alert>
      );
    case 'opening':
      return (
        <Box sx={{ p: 6, display: 'flex', gap: 2, alignItems: 'center' }}>
          <CircularProgress size={20} />
          <Typography>Opening the rig …</Typography>
        </Box>
      );
  }
}

function Titled({ open }: { open: OpenRig }) {
  const { name } = open.rig;
  useEffect(() => {
    document.title = `${name} · Path · Gullwind`;
  }, [name]);
  return <PathView open={open} />;
}

/** Edits that the core refused are told in its own words. */
function useTellRefusals() {
  const refusal = useAppSelector((state) => state.editor.refusal);
  const { enqueueSnackbar } = useSnackbar();
  useEffect(() => {
    if (refusal) enqueueSnackbar(refusal.message, { variant: 'warning' });
  }, [refusal, enqueueSnackbar]);
}
