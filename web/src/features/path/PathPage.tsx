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
  if (opening.kind === 'open') return <Titled open={opening.open} />;
  return (
    <Box component="main" sx={{ p: 4 }}>
      <Typography variant="h1" gutterBottom>
        Path
      </Typography>
      {opening.kind === 'failed' && <Alert severity="warning">{opening.message}</Alert>}
      {opening.kind === 'away' && (
        <Alert severity="info">The server does not answer. It is asked again every moment.</Alert>
      )}
      {opening.kind === 'opening' && (
        <Box role="status" sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
          <CircularProgress size={20} aria-hidden />
          <Typography>Opening the rig …</Typography>
        </Box>
      )}
    </Box>
  );
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
