import { formatSignedDb, isEstablished, type Bounds } from '@gullwind/core';
import { styled } from '@mui/material';
import { memo } from 'react';
import { SOUNDING_FONT } from '../app/theme';

interface FigureProps {
  readonly name: string;
  readonly value: string;
  readonly title?: string;
  readonly large?: boolean;
  readonly testId?: string;
}

// Styled once: these are drawn at every step of a drag.
const Name = styled('dt')(({ theme }) => ({
  color: theme.chart.faint,
  fontSize: 14,
  whiteSpace: 'nowrap',
}));
const Value = styled('dd')({
  margin: 0,
  textAlign: 'right',
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
  fontSize: 15,
  lineHeight: 1.32,
  whiteSpace: 'nowrap',
  '&.large': { fontSize: 21 },
});
/** A figure by name, as a pair of a definition list. */
export const Figure = memo(function Figure({ name, value, title, large, testId }: FigureProps) {
  return (
    <>
      <Name title={title}>{name}</Name>
      <Value className={large ? 'large' : undefined} data-testid={testId}>
        {value}
      </Value>
    </>
  );
});

/** Where 90 in 100 draws lie; a difference whose band reaches across nought is not established. */
export function Band({ bounds }: { readonly bounds: Bounds }) {
  return (
    <Figure
      name={isEstablished(bounds) ? '90 in 100' : 'not established'}
      title="90 in 100 draws lie in this band; a difference whose band reaches across nought is not established."
      value={`${formatSignedDb(bounds.low)} … ${formatSignedDb(bounds.high)}`}
    />
  );
}
