import { writeMeasurementsCsv } from '@gullwind/contract';
import { JOB_WORDS, type Measurement } from '@gullwind/core';
import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { useListMeasurementsQuery, useStrikeMeasurementMutation } from '../../app/benchApi';
import { saveText } from '../files';

interface Props {
  /** Only of this rig; null shows all. */
  readonly rig: string | null;
}

const NONE: readonly Measurement[] = [];
const SHOWN = 40;

/** Everything that was measured, the latest first; nothing is changed, but what does not count can be struck out. */
export function KeptList({ rig }: Props) {
  const { data } = useListMeasurementsQuery();
  const all = (data?.measurements ?? NONE).filter((one) => rig === null || one.rig === rig);
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Kept
        </Typography>
        <Button
          size="small"
          disabled={all.length === 0}
          onClick={() => saveText('measurements.csv', writeMeasurementsCsv(all), 'text/csv')}
        >
          Export (CSV)
        </Button>
      </Box>
      {data && all.length === 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Nothing was measured yet. What you keep stays here with every reading.
        </Typography>
      )}
      {all.slice(0, SHOWN).map((one) => (
        <Kept key={one.id} one={one} />
      ))}
      {all.length > SHOWN && (
        <Typography variant="body2">{`${all.length - SHOWN} more are in the export.`}</Typography>
      )}
    </>
  );
}

function Kept({ one }: { readonly one: Measurement }) {
  const { subject, job, at, instrument, isSimulated, words, struck } = one;
  return (
    <Box
      component="article"
      aria-label={`${subject}, ${at.slice(0, 10)}`}
      sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}
    >
      <Typography variant="body2" sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
        {subject}
      </Typography>
      <Typography variant="caption" sx={{ display: 'block', color: 'text.secondary' }}>
        {`${at.slice(0, 10)}, ${JOB_WORDS[job]}, ${instrument || 'by hand'}${isSimulated ? ' (simulated)' : ''}`}
      </Typography>
      <Typography
        variant="body2"
        sx={{ textDecoration: struck === null ? 'none' : 'line-through', overflowWrap: 'anywhere' }}
      >
        {words}
      </Typography>
      <Strike one={one} />
    </Box>
  );
}

/** Why it does not count: it stays, with the reason. */
function Strike({ one: { id, struck } }: { readonly one: Measurement }) {
  const [strike] = useStrikeMeasurementMutation();
  const [why, setWhy] = useState<string | null>(null);
  const say = (to: string | null) => {
    setWhy(null);
    void strike({ id, struck: to });
  };
  if (struck !== null)
    return (
      <Typography variant="body2">
        {`Struck out: ${struck} `}
        <Button size="small" onClick={() => say(null)}>
          Count it again
        </Button>
      </Typography>
    );
  if (why === null)
    return (
      <Button size="small" onClick={() => setWhy('')}>
        Strike out
      </Button>
    );
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
      <TextField
        size="small"
        autoFocus
        label="Why it does not count"
        value={why}
        slotProps={{ htmlInput: { maxLength: 200 } }}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && why.trim() !== '') say(why.trim());
          if (event.key === 'Escape') setWhy(null);
        }}
      />
      <Button size="small" disabled={why.trim() === ''} onClick={() => say(why.trim())}>
        Strike out
      </Button>
    </Box>
  );
}
