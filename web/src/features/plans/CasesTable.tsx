import { formatSignedDb, type Figures, type PlanCase } from '@gullwind/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { FIGURE_CELL } from './figures';

const SHOWN = [
  ['distance', 'distanceDb'],
  ['treble', 'trebleDb'],
  ['level', 'levelDb'],
] as const satisfies readonly (readonly [string, keyof Figures])[];

/** Figures of every counted scene at every place, now and with the plan. */
export function CasesTable({ cases }: { cases: readonly PlanCase[] }) {
  return (
    <Box sx={{ mt: 2, overflowX: 'auto' }}>
      <Typography component="h3" variant="h2">
        Every scene, everywhere, dB
      </Typography>
      <Table size="small" aria-label="Figures of every scene at every place">
        <TableHead>
          <TableRow>
            <TableCell sx={{ pl: 0 }}>where</TableCell>
            <TableCell>what is on</TableCell>
            {SHOWN.map(([label]) => (
              <TableCell key={label} align="right">
                {label}, now → then
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {cases.map(({ place, scene, before, after }) => (
            <TableRow key={`${place} ${scene}`}>
              <TableCell sx={{ pl: 0 }}>{place ?? 'as it is laid'}</TableCell>
              <TableCell>{scene ?? 'what is left on'}</TableCell>
              {SHOWN.map(([label, key]) => (
                <TableCell key={label} sx={FIGURE_CELL}>
                  {show(key, before)} → {show(key, after)}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

const show = (key: keyof Figures, figures: Figures | null): string => {
  if (!figures) return 'silent';
  return key === 'distanceDb' ? figures[key].toFixed(2) : formatSignedDb(figures[key]);
};
