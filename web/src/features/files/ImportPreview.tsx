import {
  ALL_TARGETS,
  sayTarget,
  targetKey,
  type ColumnTarget,
  type Table,
} from '@gullwind/contract';
import type { GearKind } from '@gullwind/core';
import { Box, NativeSelect, styled, Typography } from '@mui/material';

const SHOWN_ROWS = 8;

const Grid = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  fontSize: 13.5,
  '& th, & td': {
    padding: '2px 10px 2px 0',
    textAlign: 'left',
    fontWeight: 400,
    maxWidth: 220,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
  },
  '& thead th': { verticalAlign: 'bottom', fontWeight: 600 },
  '& tbody tr': { borderTop: `1px solid ${theme.chart.grid}` },
}));

interface Props {
  readonly table: Table;
  readonly columns: readonly ColumnTarget[];
  readonly kind: GearKind;
  readonly onChange: (columns: readonly ColumnTarget[]) => void;
}

/** The first rows, and for each column what it is read as. */
export function ImportPreview({ table, columns, kind, onChange }: Props) {
  const targets = ALL_TARGETS.filter((target) => isFor(kind, target));
  const choose = (at: number, key: string) => {
    const target = ALL_TARGETS.find((one) => targetKey(one) === key)!;
    const before = columns[at]!;
    // A unit that the header names goes on meaning the same.
    const unit = 'unit' in before && 'unit' in target ? { unit: before.unit } : {};
    onChange(columns.with(at, { ...target, ...unit }));
  };
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} aria-label="The first rows" role="region">
      <Grid>
        <thead>
          <tr>
            {table.header.map((header, at) => (
              <th key={at} scope="col">
                <div title={header}>{header || '(no header)'}</div>
                <NativeSelect
                  value={targetKey(columns[at]!)}
                  onChange={(event) => choose(at, event.target.value)}
                  inputProps={{ 'aria-label': `Column ${header || at + 1} is read as` }}
                  sx={{ fontSize: 13, maxWidth: 180 }}
                >
                  {[columns[at]!, ...targets]
                    .filter(
                      (one, i, all) => all.findIndex((x) => targetKey(x) === targetKey(one)) === i,
                    )
                    .map((target) => (
                      <option key={targetKey(target)} value={targetKey(target)}>
                        {sayTarget(target)}
                      </option>
                    ))}
                </NativeSelect>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.slice(0, SHOWN_ROWS).map(({ row, cells }) => (
            <tr key={row}>
              {table.header.map((_, at) => (
                <td key={at}>{(cells[at] ?? '').slice(0, 60)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Grid>
      {table.rows.length > SHOWN_ROWS && (
        <Typography variant="caption" sx={{ color: 'text.secondary' }}>
          and {table.rows.length - SHOWN_ROWS} more rows
        </Typography>
      )}
    </Box>
  );
}

const OF_CABLES: ReadonlySet<string> = new Set([
  'lengthM',
  'cPerMF',
  'plugF',
  'rPerMOhm',
  'lPerMH',
  'coil',
  'addedF',
]);

/** Columns of other kinds are left out where the rows are cables, which most lists are. */
const isFor = (kind: GearKind, target: ColumnTarget): boolean =>
  kind !== 'cable' || target.kind !== 'number' || OF_CABLES.has(target.path);
