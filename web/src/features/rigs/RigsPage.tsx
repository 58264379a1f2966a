import type { RigListing } from '@gullwind/contract';
import {
  DIRECTION_WORDS,
  formatQuantity,
  formatSignedDb,
  newRig,
  SIZE_WORDS,
  type UnitSystem,
} from '@gullwind/core';
import Add from '@mui/icons-material/Add';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Alert, Box, Button, IconButton, Link, Skeleton, Typography } from '@mui/material';
import { formatDistanceToNow } from 'date-fns';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';
import {
  messageOf,
  useCreateRigMutation,
  useDeleteRigMutation,
  useListRigsQuery,
  useRestoreRigMutation,
} from '../../app/api';
import { newId } from '../../app/newId';
import { SOUNDING_FONT } from '../../app/theme';
import { useAppDispatch } from '../../app/storeHooks';
import { useSettings } from '../../app/useSettings';
import { HatchPattern } from '../../ui/HatchPattern';
import { editorActions, sendLeftBehind } from '../editor';
import { MiniRun } from './MiniRun';
import { UnreadableRow } from './UnreadableRow';

/** How often a server that does not answer is asked again. */
const ASK_AGAIN_MS = 1500;

/** All rigs of the workshop, each with its thread in small, so that the dull one shows at once. */
export function RigsPage() {
  const [isAway, setAway] = useState(false);
  const { data: rigs, error } = useListRigsQuery(undefined, {
    pollingInterval: isAway ? ASK_AGAIN_MS : 0,
    refetchOnFocus: true,
  });
  useEffect(() => setAway(error !== undefined), [error]);
  const [settings] = useSettings();
  const addRig = useAddRig();
  const takeOff = useTakeOff();
  useEffect(() => {
    document.title = 'Rigs · Gullwind';
    void sendLeftBehind(null);
  }, []);
  return (
    <Box component="main" sx={{ p: 3, maxWidth: 1120 }}>
      <HatchPattern />
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1 }}>
        <Typography variant="h1">Rigs</Typography>
        <Typography sx={{ color: 'text.secondary', flex: 1 }}>
          How much treble each has left at the amp, against the same guitar straight in.
        </Typography>
        <Button variant="contained" startIcon={<Add />} onClick={() => void addRig('path')}>
          New rig
        </Button>
      </Box>
      {error && <Alert severity="warning">{messageOf(error)}</Alert>}
      {!rigs && !error && <Skeleton variant="rectangular" height={280} />}
      {rigs?.length === 0 && <NoRigs onAdd={(stage) => void addRig(stage)} />}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {rigs?.map((rig) =>
          rig.unreadable === null ? (
            <RigRow
              key={rig.id}
              rig={rig}
              units={settings.units}
              onDelete={() => void takeOff(rig)}
            />
          ) : (
            <UnreadableRow key={rig.id} rig={rig} onDelete={() => void takeOff(rig)} />
          ),
        )}
      </Box>
    </Box>
  );
}

function useAddRig() {
  const [create] = useCreateRigMutation();
  const [settings] = useSettings();
  const navigate = useNavigate();
  const { enqueueSnackbar } = useSnackbar();
  return async (stage: 'path' | 'brief') => {
    const id = newId();
    const made = await create({ id, rig: newRig('New rig', settings.reference) });
    if ('error' in made) enqueueSnackbar(messageOf(made.error), { variant: 'warning' });
    else await navigate(`/rigs/${id}/${stage}`);
  };
}

/** Takes a rig off the list; one press puts it back. */
function useTakeOff() {
  const dispatch = useAppDispatch();
  const [remove] = useDeleteRigMutation();
  const [restore] = useRestoreRigMutation();
  const { enqueueSnackbar, closeSnackbar } = useSnackbar();
  return async ({ id, name }: RigListing) => {
    const removed = await remove(id);
    if ('error' in removed) {
      enqueueSnackbar(messageOf(removed.error), { variant: 'warning' });
      return;
    }
    dispatch(editorActions.rigRemoved(id));
    enqueueSnackbar(`“${name}” is off the list.`, {
      autoHideDuration: 15_000,
      action: (key) => (
        <Button
          color="inherit"
          onClick={() => {
            closeSnackbar(key);
            void restore(id);
          }}
        >
          Put it back
        </Button>
      ),
    });
  };
}

function NoRigs({ onAdd }: { onAdd: (stage: 'path' | 'brief') => void }) {
  return (
    <Box sx={{ py: 6, maxWidth: 560 }}>
      <Typography gutterBottom>
        No rigs yet. A new one starts as a bright guitar, one six-metre cable and an amp: set the
        cable to yours, then add pedals one by one and watch where the treble goes. Or say first
        what the player has and wants, and look for the least change that gets there.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button variant="outlined" onClick={() => onAdd('path')}>
          Start the first rig
        </Button>
        <Button variant="outlined" onClick={() => onAdd('brief')}>
          Begin with the brief
        </Button>
      </Box>
    </Box>
  );
}

interface RowProps {
  readonly rig: RigListing;
  readonly units: UnitSystem;
  readonly onDelete: () => void;
}

function RigRow({ rig, units, onDelete }: RowProps) {
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: {
          xs: 'minmax(0, 1fr) 40px',
          lg: 'minmax(0, 1fr) 430px 150px 40px',
        },
        gap: 2,
        alignItems: 'center',
        borderTop: 1,
        borderColor: 'divider',
        py: 1.5,
      }}
    >
      <RigTexts rig={rig} units={units} />
      <MiniRun rig={rig} />
      <RigFigure rig={rig} />
      <IconButton aria-label={`Delete “${rig.name}”`} onClick={onDelete} size="small">
        <DeleteOutline fontSize="small" />
      </IconButton>
    </Box>
  );
}

/** What it is called, whose it is, and what is in it. */
function RigTexts({ rig, units }: Omit<RowProps, 'onDelete'>) {
  const pedals =
    rig.pedals === 0 ? 'no pedals' : rig.pedals === 1 ? '1 pedal' : `${rig.pedals} pedals`;
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography component="h2" variant="h2" noWrap title={rig.name} sx={{ fontSize: 18 }}>
        <Link component={RouterLink} to={`/rigs/${rig.id}/path`} color="inherit" underline="hover">
          {rig.name}
        </Link>
      </Typography>
      <Typography variant="body2" noWrap sx={{ color: 'text.secondary' }}>
        {[rig.player, pedals, `${formatQuantity(rig.cableM, 'length', units)} of cable`]
          .filter(Boolean)
          .join(' · ')}
      </Typography>
      {rig.note && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          {rig.note}
        </Typography>
      )}
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        changed {formatDistanceToNow(new Date(rig.updatedAt), { addSuffix: true })}
      </Typography>
    </Box>
  );
}

function RigFigure({ rig }: { rig: RigListing }) {
  if (!rig.figures || !rig.verdict)
    return <Typography variant="body2">silent as it stands</Typography>;
  const { size, direction } = rig.verdict;
  return (
    <Box>
      <Typography
        sx={{ fontFamily: SOUNDING_FONT, fontStyle: 'italic', fontSize: 22, lineHeight: 1.1 }}
      >
        {formatSignedDb(rig.figures.trebleDb)} dB
      </Typography>
      <Typography variant="body2">
        {size === 'unlikely'
          ? SIZE_WORDS.unlikely
          : `${DIRECTION_WORDS[direction]}, ${SIZE_WORDS[size]}`}
      </Typography>
    </Box>
  );
}
