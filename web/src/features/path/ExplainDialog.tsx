import type { Explanation, Rig, UnitSystem } from '@gullwind/core';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  GlobalStyles,
  Typography,
} from '@mui/material';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { useGearItems } from '../../app/useGearItems';
import { questionsWorker } from '../../workers/workers';

interface Props {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly onClose: () => void;
}

const PRINTED = (
  <GlobalStyles
    styles={{
      '@media print': {
        'body > *:not(.MuiDialog-root)': { display: 'none !important' },
        '.MuiDialogActions-root, .MuiBackdrop-root': { display: 'none !important' },
        '.MuiDialog-container': { height: 'auto !important', display: 'block !important' },
        '.MuiDialog-paper': { boxShadow: 'none !important', maxHeight: 'none !important' },
      },
    }}
  />
);

/** A rig explained in writing, to be read aloud, copied into a letter, or printed. */
export function ExplainDialog({ rig, units, onClose }: Props) {
  const [found, setFound] = useState<readonly Explanation[] | null>(null);
  const { enqueueSnackbar } = useSnackbar();
  const gear = useGearItems();
  useEffect(() => {
    if (!gear) return undefined;
    let isWanted = true;
    void questionsWorker()
      .explain(rig, units, gear)
      .then((explained) => isWanted && setFound(explained));
    return () => {
      isWanted = false;
    };
  }, [rig, units, gear]);
  const copy = async () => {
    const text = (found ?? []).map((one) => `${one.title}\n${one.text}`).join('\n\n');
    try {
      await navigator.clipboard.writeText(`${rig.texts.name}\n\n${text}\n`);
      enqueueSnackbar('It is on the clipboard.', { variant: 'info' });
    } catch {
      enqueueSnackbar('This browser does not let it be copied; mark it and copy it by hand.', {
        variant: 'warning',
      });
    }
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="explain-title">
      {PRINTED}
      <DialogTitle id="explain-title">{rig.texts.name}, explained</DialogTitle>
      <DialogContent data-testid="explanation">
        {!found && <Typography>Thinking …</Typography>}
        {found?.map(({ title, text }) => (
          <Box key={title} sx={{ mb: 1.5 }}>
            <Typography component="h3" sx={{ fontSize: 15, fontWeight: 600 }}>
              {title}
            </Typography>
            <Typography>{text}</Typography>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button disabled={!found} onClick={() => void copy()}>
          Copy
        </Button>
        <Button disabled={!found} onClick={() => window.print()}>
          Print
        </Button>
        <Button variant="contained" onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
