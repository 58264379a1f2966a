import { cutText, LONGEST_NAME, sayDifferences, type Rig } from '@gullwind/core';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogContentText,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useSnackbar } from 'notistack';
import { useNavigate } from 'react-router';
import { messageOf, useCreateRigMutation } from '../../app/api';
import { newId } from '../../app/newId';
import { useAppDispatch } from '../../app/storeHooks';
import { useSettings } from '../../app/useSettings';
import { editorActions, type OpenRig } from './model/editorSlice';

/** Both this window and another changed the rig: nothing is merged silently, nothing is lost. */
export function ConflictDialog({ open }: { open: OpenRig }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [create] = useCreateRigMutation();
  const { enqueueSnackbar } = useSnackbar();
  const [{ units }] = useSettings();
  const { theirs, rig } = open;
  if (!theirs) return null;

  const keepAsCopy = async () => {
    const id = newId();
    const made = await create({ id, rig: copyOf(rig) });
    if ('error' in made) {
      enqueueSnackbar(messageOf(made.error), { variant: 'warning' });
      return;
    }
    dispatch(editorActions.theirsKept());
    await navigate(`/rigs/${id}/path`);
  };

  return (
    <Dialog open maxWidth="sm" fullWidth aria-labelledby="conflict-title">
      <DialogTitle id="conflict-title">This rig was changed elsewhere, too</DialogTitle>
      <DialogContent>
        <DialogContentText>
          While you were at it, another window or bench saved “{theirs.rig.texts.name}”. Nothing is
          lost: choose what to go on with.
        </DialogContentText>
        <Typography variant="h2" sx={{ mt: 2 }}>
          Where theirs differs from yours
        </Typography>
        <Box component="ul" sx={{ mt: 0.5, pl: 3 }}>
          {sayDifferences(rig, theirs.rig, units).map((difference) => (
            <li key={difference}>{difference}</li>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={() => dispatch(editorActions.theirsKept())}>Keep theirs</Button>
        <Button onClick={() => void keepAsCopy()}>Keep mine as a copy</Button>
        <Button variant="contained" onClick={() => dispatch(editorActions.mineKept())}>
          Keep mine
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const SUFFIX = ' (copy)';

const copyOf = (rig: Rig): Rig => ({
  ...rig,
  texts: { ...rig.texts, name: cutText(rig.texts.name, LONGEST_NAME, SUFFIX) },
});
