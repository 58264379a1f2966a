import { LONGEST_REVISION_NAME, type RevisionListing } from '@gullwind/contract';
import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogContentText,
  DialogTitle,
  TextField,
  Typography,
} from '@mui/material';
import { format } from 'date-fns';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { Virtuoso } from 'react-virtuoso';
import { messageOf, useListRevisionsInfiniteQuery, useNameRevisionMutation } from '../../app/api';
import { useEditor } from './editorStore';
import { useGoBack } from './useGoBack';

/** What was kept of the open rig: to name what is to stay, and to go back to. */
export function RevisionsDialog({ onClose }: { readonly onClose: () => void }) {
  const id = useEditor(({ open }) => open?.id ?? null);
  const now = useEditor(({ open }) => open?.basedOn ?? 0);
  const goBack = useGoBack();
  if (id === null) return null;
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="revisions-title">
      <DialogTitle id="revisions-title">Kept revisions</DialogTitle>
      <DialogContent>
        <DialogContentText sx={{ mb: 1.5 }}>
          Every change is kept for a day, then one an hour for a week, one a day for a year, and one
          a month for ever. One with a name stays.
        </DialogContentText>
        <Revisions
          id={id}
          now={now}
          onGoBack={(revision) => void goBack(revision).then((isBack) => isBack && onClose())}
        />
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const HIGHEST_PX = 380;
const ROW_PX = 53;

interface ListProps {
  readonly id: string;
  /** The revision that is open. */
  readonly now: number;
  readonly onGoBack: (revision: number) => void;
}

function Revisions({ id, now, onGoBack }: ListProps) {
  const { data, error, hasNextPage, isFetching, fetchNextPage } = useListRevisionsInfiniteQuery(
    id,
    {
      refetchOnMountOrArgChange: true,
    },
  );
  if (error) return <Alert severity="warning">{messageOf(error)}</Alert>;
  if (!data) return <Typography variant="body2">Looking …</Typography>;
  const kept = data.pages.flatMap(({ revisions }) => revisions);
  return (
    <Virtuoso
      style={{ height: Math.min(HIGHEST_PX, kept.length * ROW_PX) }}
      data={kept}
      computeItemKey={(_, { revision }) => revision}
      initialItemCount={1}
      endReached={() => {
        if (hasNextPage && !isFetching) void fetchNextPage();
      }}
      itemContent={(_, one) => (
        <RevisionRow id={id} kept={one} isNow={one.revision === now} onGoBack={onGoBack} />
      )}
    />
  );
}

interface RowProps extends Pick<ListProps, 'id' | 'onGoBack'> {
  readonly kept: RevisionListing;
  readonly isNow: boolean;
}

function RevisionRow({ id, kept, isNow, onGoBack }: RowProps) {
  const { revision, savedAt } = kept;
  return (
    <Box
      data-revision={revision}
      sx={{
        display: 'grid',
        gridTemplateColumns: '150px minmax(0, 1fr) 110px',
        alignItems: 'center',
        gap: 1.5,
        borderTop: 1,
        borderColor: 'divider',
        py: 0.75,
      }}
    >
      <Box>
        <Typography variant="body2">{format(new Date(savedAt), 'd MMM yyyy, HH:mm')}</Typography>
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          revision {revision}
        </Typography>
      </Box>
      <RevisionName id={id} kept={kept} />
      {isNow ? (
        <Typography variant="body2" sx={{ color: 'text.secondary', textAlign: 'center' }}>
          now
        </Typography>
      ) : (
        <Button
          size="small"
          aria-label={`Go back to revision ${revision}`}
          onClick={() => onGoBack(revision)}
        >
          Go back to it
        </Button>
      )}
    </Box>
  );
}

function RevisionName({ id, kept: { revision, name } }: Pick<RowProps, 'id' | 'kept'>) {
  const [rename] = useNameRevisionMutation();
  const { enqueueSnackbar } = useSnackbar();
  const [text, setText] = useState(name ?? '');
  const put = async () => {
    const to = text.trim() === '' ? null : text.trim();
    if (to === name) return;
    const answer = await rename({ id, revision, name: to });
    if ('error' in answer) enqueueSnackbar(messageOf(answer.error), { variant: 'warning' });
  };
  const label = `Name of revision ${revision}`;
  return (
    <TextField
      size="small"
      placeholder="Name it, and it stays"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => void put()}
      onKeyDown={(event) => {
        if (event.key === 'Enter') void put();
        if (event.key === 'Escape' && text !== (name ?? '')) {
          event.stopPropagation();
          setText(name ?? '');
        }
      }}
      slotProps={{ htmlInput: { maxLength: LONGEST_REVISION_NAME, 'aria-label': label } }}
    />
  );
}
