import type { RigListing } from '@gullwind/contract';
import DeleteOutline from '@mui/icons-material/DeleteOutlined';
import { Box, Button, IconButton, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { ask, sayFailed } from '../../app/http';
import { saveText } from '../files';
import { PlainRow } from './PlainRow';

interface Props {
  readonly rig: RigListing;
  readonly onDelete: () => void;
}

/** A rig that this version cannot read: what it is, why, and a way to keep it or to let go of it. */
export function UnreadableRow({ rig, onDelete }: Props) {
  const { enqueueSnackbar } = useSnackbar();
  const save = async () => {
    const answer = await ask<{ readonly rig: unknown }>({ path: `/rigs/${rig.id}` });
    if (answer.kind === 'ok')
      saveText(`${rig.id}.json`, `${JSON.stringify(answer.data.rig)}\n`, 'application/json');
    else enqueueSnackbar(sayFailed(answer), { variant: 'warning' });
  };
  return (
    <PlainRow data-unreadable>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography component="h2" variant="h2" noWrap title={rig.name} sx={{ fontSize: 18 }}>
          {rig.name}
        </Typography>
        <Typography variant="body2">
          This version cannot read it: {rig.unreadable} It is kept as it is.
        </Typography>
      </Box>
      <Button size="small" onClick={() => void save()}>
        Export as it is
      </Button>
      <IconButton aria-label={`Delete “${rig.name}”`} onClick={onDelete} size="small">
        <DeleteOutline fontSize="small" />
      </IconButton>
    </PlainRow>
  );
}
