import { formatSignedDb, isEstablished, mainRow, type Difference, type Rig } from '@gullwind/core';
import { Typography } from '@mui/material';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import { toleranceWorker } from '../../workers/workers';

const DRAWS = 500;

/** Whether the difference that a plan makes is larger than what is not known of the parts. */
export function Established({ rig, after }: { rig: Rig; after: Rig }) {
  const [found, setFound] = useState<{ after: Rig; difference: Difference | null } | null>(null);
  useEffect(() => {
    let isWanted = true;
    const rowId = mainRow(rig).id;
    void toleranceWorker()
      .difference(
        { rig, rowId },
        { rig: after, rowId },
        DRAWS,
        proxy(() => undefined),
      )
      .then((difference) => isWanted && setFound({ after, difference }));
    return () => {
      isWanted = false;
    };
  }, [rig, after]);
  const difference = found?.after === after ? found.difference : null;
  return (
    <Typography
      variant="body2"
      data-testid="established"
      sx={{ mt: 0.5, minHeight: 20, color: 'text.secondary' }}
    >
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
