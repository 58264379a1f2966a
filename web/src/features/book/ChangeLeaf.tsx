import type { RigChange } from '@gullwind/core';
import { Alert, Box, Typography } from '@mui/material';
import type { BookProps } from './bookProps';
import { PlainTable } from './PlainTable';
import type { Side } from './model/sides';
import { useChange, useSide } from './useRevisions';

interface Props extends BookProps {
  readonly from: Side;
  readonly to: Side;
}

/** What is another between two revisions: in words, in figures, and what it costs a built board. */
export function ChangeLeaf({ open, rig, gear, units, from, to }: Props) {
  const [before, after] = [useSide(open.id, from, rig), useSide(open.id, to, rig)];
  const change = useChange(before, after, { gear, units });
  for (const side of [before, after])
    if (side.kind === 'failed') return <Alert severity="warning">{side.says}</Alert>;
  if (!change) return <Typography role="status">Comparing …</Typography>;
  if (change.words.length === 0)
    return <Typography>Nothing is another between the two.</Typography>;
  return (
    <Box data-testid="change" sx={{ maxWidth: 760 }}>
      <Box component="ul" aria-label="What has changed" sx={{ pl: 2.5, my: 1 }}>
        {change.words.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
      <FigureTable change={change} />
      <Typography component="h3" variant="h2" sx={{ mt: 2 }}>
        On a board that is built
      </Typography>
      <Box
        component="ul"
        aria-label="What it costs"
        data-minutes={change.minutes}
        sx={{ pl: 2.5, my: 0.5 }}
      >
        {change.rework.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </Box>
    </Box>
  );
}

const FigureTable = ({ change }: { readonly change: RigChange }) => (
  <Box sx={{ maxWidth: 460, my: 1 }}>
    <PlainTable>
      <thead>
        <tr>
          <th scope="col">against straight in</th>
          <th scope="col">from</th>
          <th scope="col">to</th>
        </tr>
      </thead>
      <tbody>
        {change.figures.map(({ name, before, after }) => (
          <tr key={name}>
            <td>{name}</td>
            <td>{before}</td>
            <td>{after}</td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  </Box>
);
