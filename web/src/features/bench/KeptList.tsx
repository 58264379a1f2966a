import { JOB_WORDS, type MeasurementHead } from '@gullwind/core';
import { Box, Button, TextField, Typography } from '@mui/material';
import { useSnackbar } from 'notistack';
import { useState } from 'react';
import { useListMeasurementsInfiniteQuery, useStrikeMeasurementMutation } from '../../app/benchApi';
import { sayFailed } from '../../app/http';
import { saveText } from '../files';
import { measurementsFile } from './model/measurementsFile';

interface Props {
  /** Only of this rig; null shows all. */
  readonly rig: string | null;
}

/** Everything that was measured, the latest first; nothing is changed, but what does not count can be struck out. */
export function KeptList({ rig }: Props) {
  const { data, hasNextPage, isFetching, fetchNextPage } = useListMeasurementsInfiniteQuery(rig);
  const shown = data?.pages.flatMap(({ measurements }) => measurements) ?? [];
  const total = data?.pages[0]?.total ?? 0;
  return (
    <>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Kept
        </Typography>
        <Export rig={rig} isEmpty={total === 0} />
      </Box>
      {data && total === 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Nothing was measured yet. What you keep stays here with every reading.
        </Typography>
      )}
      {shown.map((one) => (
        <Kept key={one.id} one={one} />
      ))}
      {hasNextPage && (
        <Button size="small" disabled={isFetching} onClick={() => void fetchNextPage()}>
          {`Show more (${total - shown.length} left)`}
        </Button>
      )}
    </>
  );
}

/** All of them with every reading, however many there are. */
function Export({ rig, isEmpty }: Props & { readonly isEmpty: boolean }) {
  const { enqueueSnackbar } = useSnackbar();
  const [isBusy, setBusy] = useState(false);
  const save = async () => {
    setBusy(true);
    const file = await measurementsFile(rig);
    setBusy(false);
    if ('failure' in file) enqueueSnackbar(sayFailed(file.failure), { variant: 'warning' });
    else saveText('measurements.csv', file.parts, 'text/csv');
  };
  return (
    <Button size="small" disabled={isEmpty || isBusy} onClick={() => void save()}>
      Export (CSV)
    </Button>
  );
}

function Kept({ one }: { readonly one: MeasurementHead }) {
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
function Strike({ one: { id, struck } }: { readonly one: MeasurementHead }) {
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
