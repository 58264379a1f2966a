import { cableTable, type BuildCable, type CableState, type UnitSystem } from '@gullwind/core';
import { Box, Table, TableBody, TableCell, TableHead, TableRow } from '@mui/material';

interface Props {
  readonly cables: readonly BuildCable[];
  readonly states: ReadonlyMap<string, CableState>;
  readonly units: UnitSystem;
  readonly onCable: (cable: string) => void;
}

/** Every cable with its label, from jack to jack. */
export function CableTable({ cables, states, units, onCable }: Props) {
  const { columns, rows } = cableTable(cables, states, units);
  return (
    <Table size="small" aria-label="Cables">
      <TableHead>
        <TableRow>
          {columns.map((column) => (
            <TableCell key={column}>{column}</TableCell>
          ))}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(([label, ...rest], i) => (
          <TableRow key={cables[i]!.id} hover>
            <TableCell component="th" scope="row">
              <Box
                component="button"
                type="button"
                onClick={() => onCable(cables[i]!.id)}
                sx={LABEL}
              >
                {label}
              </Box>
            </TableCell>
            {rest.map((cell, k) => (
              <TableCell key={k}>{cell}</TableCell>
            ))}
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

const LABEL = {
  border: 0,
  background: 'none',
  font: 'inherit',
  fontWeight: 600,
  color: 'inherit',
  minWidth: 44,
  minHeight: 36,
  cursor: 'pointer',
  textAlign: 'left',
  p: 0,
  textDecoration: 'underline dotted',
} as const;
