import { draftsSent } from '../../../app/drafts';
import type { GearItem } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { UsesPanel } from '../../gear';

interface Props {
  /** What was found, in words; nothing is offered while there is nothing. */
  readonly words: string;
  /** Why it is not to be taken; empty where it is. */
  readonly doubt?: string;
  readonly item: GearItem | null;
  /** What it was made of: put aside once it is kept. */
  readonly draft: string;
  readonly onKeep: () => Promise<boolean>;
  /** Null where there is nothing to take into the gear list. */
  readonly onAccept: (() => Promise<boolean>) | null;
}

/** What readings come to, what is done with it, and the rigs that it changes. */
export function Finding({ words, doubt = '', item, draft, onKeep, onAccept }: Props) {
  const [taken, setTaken] = useState<string | null>(null);
  const [kept, setKept] = useState<string | null>(null);
  if (words === '') return null;
  const accept = async () => {
    if (!onAccept || !(await onAccept())) return;
    draftsSent(draft);
    setTaken(words);
    setKept(words);
  };
  const keep = async () => {
    if (!(await onKeep())) return;
    draftsSent(draft);
    setKept(words);
  };
  return (
    <Box component="section" aria-label="What it comes to" sx={{ mt: 1.5 }}>
      <Typography sx={{ fontSize: 17, maxWidth: 640 }}>{words}</Typography>
      {doubt !== '' && <Typography sx={{ color: 'warning.main' }}>{doubt}</Typography>}
      <Box sx={{ display: 'flex', gap: 1, my: 1, flexWrap: 'wrap' }}>
        {onAccept && (
          <Button variant="contained" onClick={() => void accept()}>
            Into the gear list as measured
          </Button>
        )}
        <Button variant="outlined" onClick={() => void keep()}>
          Keep the readings only
        </Button>
      </Box>
      {kept === words && (
        <Typography role="status" variant="body2">
          {taken === words
            ? 'Kept, and in the gear list as measured.'
            : 'Kept, with every reading.'}
        </Typography>
      )}
      {taken !== null && item && <UsesPanel item={item} isChanged />}
    </Box>
  );
}
