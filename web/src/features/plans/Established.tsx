import {
  chainOf,
  formatSignedDb,
  isEstablished,
  mainRow,
  type Difference,
  type Rig,
} from '@gullwind/core';
import { Typography } from '@mui/material';
import { useMemo } from 'react';
import { useLongWork } from '../../workers/useLongWork';

const DRAWS = 500;

/** Whether the difference that a plan makes is larger than what is not known of the parts. */
export function Established({ rig, after }: { rig: Rig; after: Rig }) {
  const question = useMemo(() => {
    const rowId = mainRow(rig).id;
    return {
      before: { chain: chainOf(rig), rowId },
      after: { chain: chainOf(after), rowId },
      draws: DRAWS,
    };
  }, [rig, after]);
  const { state } = useLongWork('difference', question, { begins: true });
  const difference = state.kind === 'done' ? state.answer : null;
  return (
    <Typography
      variant="body2"
      data-testid="established"
      sx={{ mt: 0.5, minHeight: 20, color: 'text.secondary' }}
    >
      {state.kind === 'failed' && `This could not be drawn: ${state.message}`}
      {difference ? sayDifference(difference) : ' '}
    </Typography>
  );
}

function sayDifference({ draws, figures }: Difference): string {
  const { trebleDb, distanceDb } = figures;
  const band = `${formatSignedDb(trebleDb.low)} to ${formatSignedDb(trebleDb.high)} dB`;
  return isEstablished(trebleDb) || isEstablished(distanceDb)
    ? `As the switches stand treble changes by ${band} in 90 of 100 of ${draws} draws within the tolerances: it is established.`
    : `As the switches stand treble changes by ${band} in 90 of 100 of ${draws} draws within the tolerances: not established. Measure what is assumed, or leave it alone.`;
}
