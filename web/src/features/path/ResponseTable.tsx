import { formatNumber } from '@gullwind/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';

interface Props {
  /** What that is called, with its cable. */
  readonly straightIn: string;
  readonly points: readonly {
    readonly f: number;
    readonly reference: number;
    readonly now: number | null;
  }[];
}

/** Four rows an octave are enough to read. */
const EVERY = 3;

/** The curve as numbers. */
export function ResponseTable({ points, straightIn }: Props) {
  return (
    <Box
      tabIndex={0}
      aria-label="Response as a table"
      role="region"
      sx={{ height: '100%', overflow: 'auto' }}
    >
      <Table size="small" stickyHeader>
        <TableHead>
          <TableRow>
            <TableCell>frequency, Hz</TableCell>
            <TableCell align="right">{straightIn}, dB</TableCell>
            <TableCell align="right">now, dB</TableCell>
            <TableCell align="right">difference, dB</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {points
            .filter((_, i) => i % EVERY === 0)
            .map(({ f, reference, now }) => (
              <TableRow key={f}>
                <TableCell>{formatNumber(f, f < 100 ? 1 : 0)}</TableCell>
                <TableCell align="right">{formatNumber(reference, 2)}</TableCell>
                <TableCell align="right">
                  {now === null ? 'silent' : formatNumber(now, 2)}
                </TableCell>
                <TableCell align="right">
                  {now === null ? '' : formatNumber(now - reference, 2)}
                </TableCell>
              </TableRow>
            ))}
        </TableBody>
      </Table>
    </Box>
  );
}
