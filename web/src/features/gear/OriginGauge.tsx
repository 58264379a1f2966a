import { actingValues, countOrigins, type GearItem, type Provenance } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { memo } from 'react';

const HEIGHT = 14;
const STEP = 5;
/** How far each mark stands up: the better a number is known, the higher. */
const TALL: Readonly<Record<Provenance, number>> = {
  assumed: 3,
  entered: 7,
  sheet: 10,
  measured: 14,
  laid: 12,
};

/** A mark for each number of a thing, as high as it is well known. */
export const OriginGauge = memo(function OriginGauge({ item }: { readonly item: GearItem }) {
  const { chart } = useTheme();
  const values = actingValues(item);
  const says = sayOrigins(item);
  return (
    <svg width={values.length * STEP} height={HEIGHT} role="img" aria-label={says}>
      <title>{says}</title>
      {values.map(({ from }, i) => (
        <rect
          key={i}
          x={i * STEP}
          y={HEIGHT - TALL[from]}
          width={STEP - 2}
          height={TALL[from]}
          fill={from === 'assumed' ? 'none' : from === 'measured' ? chart.sea : chart.ink}
          stroke={from === 'assumed' ? chart.faint : 'none'}
          strokeWidth={0.8}
        />
      ))}
    </svg>
  );
});

const WORDS: Readonly<Record<Provenance, string>> = {
  measured: 'measured',
  sheet: 'from a sheet',
  entered: 'entered',
  laid: 'as laid',
  assumed: 'assumed',
};

export function sayOrigins(item: GearItem): string {
  const counts = countOrigins(item);
  return (Object.keys(WORDS) as Provenance[])
    .filter((from) => counts[from] > 0)
    .map((from) => `${counts[from]} ${WORDS[from]}`)
    .join(', ');
}
