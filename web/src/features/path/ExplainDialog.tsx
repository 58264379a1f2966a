import { mainRow, type Explanation, type Rig, type UnitSystem } from '@gullwind/core';
import {
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  GlobalStyles,
  ThemeProvider,
  Typography,
  useTheme,
} from '@mui/material';
import { useSnackbar } from 'notistack';
import { useEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { useGearItems } from '../../app/useGearItems';
import { useSettings } from '../../app/useSettings';
import { THEMES } from '../../app/theme';
import { useAnalysis } from '../../workers/useAnalysis';
import { questionsWorker } from '../../workers/workers';
import { ResponseChart } from './ResponseChart';
import { StillRun } from './run/StillRun';

interface Props {
  readonly rig: Rig;
  readonly units: UnitSystem;
  readonly onClose: () => void;
}

const PRINTED = (
  <GlobalStyles
    styles={{
      '@media print': {
        // Not gone: drawings use patterns that are defined there.
        'body > *:not(.MuiDialog-root)': {
          visibility: 'hidden !important',
          position: 'absolute !important',
          height: '0 !important',
          overflow: 'hidden !important',
        },
        '.MuiDialogActions-root, .MuiBackdrop-root': { display: 'none !important' },
        '.MuiDialog-container': { height: 'auto !important', display: 'block !important' },
        '.MuiDialog-paper': {
          boxShadow: 'none !important',
          background: 'none !important',
          maxHeight: 'none !important',
          maxWidth: 'none !important',
          margin: '0 !important',
        },
        '.MuiDialogContent-root': { overflow: 'visible !important' },
        // Drawings were made for the screen: on paper they take its width.
        '[data-drawing]': { breakInside: 'avoid' },
        '[data-drawing="run"] svg': { maxWidth: '100%', height: 'auto' },
        '[data-drawing] button': { display: 'none' },
      },
    }}
  />
);

/** While it is printed: on paper it is always day. */
function usePrinting(): boolean {
  const [isPrinting, setPrinting] = useState(false);
  useEffect(() => {
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return isPrinting;
}

/** A rig explained in writing and drawn, to be read aloud, copied into a letter, or printed. */
export function ExplainDialog(props: Props) {
  const theme = useTheme();
  return (
    <ThemeProvider theme={usePrinting() ? THEMES.day : theme}>
      <Explained {...props} />
    </ThemeProvider>
  );
}

function Explained({ rig, units, onClose }: Props) {
  const [found, setFound] = useState<readonly Explanation[] | null>(null);
  const { enqueueSnackbar } = useSnackbar();
  const gear = useGearItems();
  const [{ scale }] = useSettings();
  useEffect(() => {
    if (!gear) return undefined;
    let isWanted = true;
    void questionsWorker()
      .explain(rig, units, gear, scale)
      .then((explained) => isWanted && setFound(explained));
    return () => {
      isWanted = false;
    };
  }, [rig, units, gear, scale]);
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
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="explain-title">
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
        <Drawings rig={rig} units={units} />
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

/** Its Run and its curve as they stand. */
function Drawings({ rig, units }: Pick<Props, 'rig' | 'units'>) {
  const ways = useAnalysis(rig);
  const rowId = mainRow(rig).id;
  const analysis = ways?.analyses[rowId];
  const analysed = useMemo(() => (analysis ? { rig, analysis } : null), [rig, analysis]);
  return (
    <>
      <Box data-drawing="run" sx={{ mt: 2 }}>
        <StillRun rig={rig} rowId={rowId} analysed={ways} name="explained" units={units} />
      </Box>
      <Box data-drawing="curve" sx={CURVE}>
        <ResponseChart analysed={analysed} states={null} pins={NO_PINS} tolerance={null} />
      </Box>
    </>
  );
}

/** As wide as a page of paper has room for. */
const CURVE = {
  height: 260,
  maxWidth: 640,
  display: 'flex',
  '& > *': { flex: 1, height: 'auto !important' },
} as const;

const NO_PINS: readonly never[] = [];
