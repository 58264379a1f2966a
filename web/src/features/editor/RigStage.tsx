import { Alert, Box, CircularProgress, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useCallback, useEffect, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { ConflictDialog } from './ConflictDialog';
import type { OpenRig } from './model/editorSlice';
import { useEditor } from './editorStore';
import { useOpenRig } from './useOpenRig';
import { useUndoKeys } from './useRigEdits';

interface Props {
  /** What the page shows of a rig: "Path". */
  readonly stage: string;
  readonly children: (open: OpenRig) => ReactNode;
}

/** Opens the rig that the address names and shows one stage of it. */
export function RigStage({ stage, children }: Props) {
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
  useUndoKeys();
  if (opening.kind === 'open')
    return (
      <Titled name={opening.open.rig.texts.name} stage={stage}>
        {children(opening.open)}
        <ConflictDialog open={opening.open} />
      </Titled>
    );
  return (
    <Box component="main" sx={{ p: 4 }}>
      <Typography variant="h1" gutterBottom>
        {stage}
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

function Titled({ name, stage, children }: { name: string; stage: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${name} · ${stage} · Gullwind`;
  }, [name, stage]);
  return children;
}

/** Edits that the core refused are told in its own words. */
function useTellRefusals() {
  const refusal = useEditor((editor) => editor.refusal);
  const { enqueueSnackbar } = useSnackbar();
  useEffect(() => {
    if (refusal) enqueueSnackbar(refusal.message, { variant: 'warning' });
  }, [refusal, enqueueSnackbar]);
}
