import { walk, walkThings } from '@gullwind/core';
import { Box, Checkbox, FormControlLabel, TextField, Typography } from '@mui/material';
import { today } from '../../app/today';
import type { BookProps } from './bookProps';
import { Leaf } from './Leaf';

/** The ten things that the owner must have done once, with the builder beside. */
export function WalkPart({ rig, onEdit }: BookProps) {
  const things = walkThings(rig);
  const done = things.filter(({ id }) => id in rig.book.walked).length;
  return (
    <Leaf
      title="Walk-through"
      hint="Ten things that whoever plays it does once, with whoever built it beside. Ticked and dated."
    >
      <Typography data-testid="walked">{`${done} of ${things.length} done`}</Typography>
      <Box component="ol" sx={{ pl: 3, maxWidth: 820 }}>
        {things.map(({ id, says, caution }) => {
          const day = rig.book.walked[id];
          return (
            <Box component="li" key={id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
              <Box sx={{ display: 'flex', alignItems: 'flex-start', gap: 2, flexWrap: 'wrap' }}>
                <FormControlLabel
                  sx={{ flex: '1 1 420px', alignItems: 'flex-start', m: 0 }}
                  label={
                    <>
                      {says}
                      {caution !== '' && (
                        <Typography variant="body2" sx={{ fontWeight: 600 }}>
                          {caution}
                        </Typography>
                      )}
                    </>
                  }
                  control={
                    <Checkbox
                      sx={{ py: 0 }}
                      checked={day !== undefined}
                      onChange={(_, isDone) => onEdit(walk(rig, id, isDone ? today() : null))}
                    />
                  }
                />
                {day !== undefined && (
                  <TextField
                    type="date"
                    size="small"
                    variant="standard"
                    value={day}
                    slotProps={{ htmlInput: { 'aria-label': `Day of: ${says}` } }}
                    onChange={({ target }) =>
                      target.value !== '' && onEdit(walk(rig, id, target.value))
                    }
                  />
                )}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Leaf>
  );
}
