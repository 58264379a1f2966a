import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from '@mui/material';
import { useState } from 'react';
import { outbox, sayOperation, type Operation } from '../app/outbox';
import { sayOutbox } from '../app/outbox/sayOutbox';
import { useOutbox } from '../app/outbox/useOutbox';

/** What this browser keeps for the server: how much, and on a press what. Nothing where nothing is kept. */
export function OutboxMark() {
  const { kept, absence } = useOutbox();
  const [isOpen, setOpen] = useState(false);
  const { words, notTaken } = sayOutbox(kept, absence);
  // With the last of it the list goes, too.
  if (words === '') return null;
  return (
    <>
      <Button
        size="small"
        color={absence || notTaken > 0 ? 'warning' : 'inherit'}
        onClick={() => setOpen(true)}
        sx={{ fontSize: 13.5, textAlign: 'left', lineHeight: 1.25, px: 0.5, py: 0, minWidth: 0 }}
      >
        {words}
      </Button>
      <KeptDialog kept={kept} isOpen={isOpen} onClose={() => setOpen(false)} />
    </>
  );
}

interface DialogProps {
  readonly kept: readonly Operation[];
  readonly isOpen: boolean;
  readonly onClose: () => void;
}

function KeptDialog({ kept, isOpen, onClose }: DialogProps) {
  return (
    <Dialog open={isOpen} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="outbox-title">
      <DialogTitle id="outbox-title">Waiting to be sent</DialogTitle>
      <DialogContent>
        <Typography variant="body2" gutterBottom>
          {kept.length === 0
            ? 'Nothing: everything is with the server.'
            : 'Kept in this browser, and sent in this order as soon as the server answers.'}
        </Typography>
        <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
          {kept.map((operation) => (
            <Kept key={operation.id} operation={operation} />
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Kept({ operation }: { readonly operation: Operation }) {
  const { id, state, message } = operation;
  return (
    <Box component="li" sx={{ py: 0.5, overflowWrap: 'anywhere' }}>
      {sayOperation(operation)}
      {state !== 'waiting' && (
        <>
          <Typography variant="body2" sx={{ color: 'warning.main' }}>
            {message ??
              'This rig was also changed elsewhere. Open it to choose which version to keep.'}
          </Typography>
          <Button size="small" onClick={() => void outbox.again(id)}>
            Try again
          </Button>
          <Button size="small" onClick={() => void outbox.putAside(id)}>
            Discard
          </Button>
        </>
      )}
    </Box>
  );
}
