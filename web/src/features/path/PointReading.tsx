import { formatNumber, formatQuantity } from '@gullwind/core';
import { Box } from '@mui/material';
import { useContext } from 'react';
import { DrawnContext } from './drawn';

interface Props {
  readonly active?: boolean;
  /** The place on the grid that the pointer is at. */
  readonly payload?: readonly { readonly payload?: { readonly f: number } }[];
}

/** What the curves are at where the pointer stands. */
export function PointReading({ active, payload }: Props) {
  const { points, shows } = useContext(DrawnContext);
  const hz = payload?.[0]?.payload?.f;
  const point = active ? points.find(({ f }) => f === hz) : undefined;
  if (!point) return null;
  const levels: readonly (readonly [string, number | null | undefined])[] = [
    [shows.straightIn, point.reference],
    ...shows.pins.map(({ name }, k) => [name, point.pins?.[k]] as const),
    [shows.now, point.now],
  ];
  return (
    <Box
      sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', p: 1, fontSize: 13 }}
    >
      {formatQuantity(point.f, 'frequency', 'metric')}
      {levels.map(
        ([name, db], i) =>
          typeof db === 'number' && (
            <div key={i}>
              {name}: {formatNumber(db, 2)} dB
            </div>
          ),
      )}
    </Box>
  );
}
