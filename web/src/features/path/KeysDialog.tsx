import { Box, Dialog, DialogContent, DialogTitle, Typography } from '@mui/material';

const KEYS: readonly (readonly [heading: string, keys: readonly (readonly [string, string])[]])[] =
  [
    [
      'Go',
      [
        ['← →', 'along the way'],
        ['Home End', 'to the guitar, to the amp'],
        ['Enter', 'to the numbers of what is selected'],
        ['Esc', 'back, or give up what was typed'],
      ],
    ],
    [
      'Switch',
      [
        ['1 … 9, 0', 'switch pedal 1 … 10'],
        ['Space', 'switch the selected pedal'],
      ],
    ],
    [
      'Change',
      [
        ['↑ ↓  or  + −', 'selected cable longer, shorter (Shift: larger steps)'],
        ['Alt ← →', 'selected pedal one place on'],
        ['B', 'a buffer after the selection'],
        ['A', 'add a pedal after the selection'],
        ['Del', 'delete the selected pedal'],
        ['Ctrl/⌘ Z', 'undo'],
        ['Ctrl/⌘ Shift Z', 'redo'],
      ],
    ],
    [
      'See',
      [
        ['U', 'metres or feet'],
        ['N', 'day or night'],
        ['?', 'this list'],
      ],
    ],
  ];

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent tabIndex={0} sx={{ columnCount: 2, columnGap: 4 }}>
        {KEYS.map(([heading, keys]) => (
          <Box key={heading} sx={{ breakInside: 'avoid', mb: 2 }}>
            <Typography variant="h2" gutterBottom>
              {heading}
            </Typography>
            <Box
              component="dl"
              sx={{
                m: 0,
                display: 'grid',
                gridTemplateColumns: '92px 1fr',
                rowGap: 0.5,
                columnGap: 1,
              }}
            >
              {keys.map(([key, does]) => (
                <Box key={key} sx={{ display: 'contents' }}>
                  <Typography component="dt" variant="body2" sx={{ fontWeight: 600 }}>
                    {key}
                  </Typography>
                  <Typography component="dd" variant="body2" sx={{ m: 0 }}>
                    {does}
                  </Typography>
                </Box>
              ))}
            </Box>
          </Box>
        ))}
      </DialogContent>
    </Dialog>
  );
}
