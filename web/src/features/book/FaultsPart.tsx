import { ENDING_WORDS, faultSteps, SYMPTOM_WORDS, type Hunt } from '@gullwind/core';
import { Box, Link, Typography } from '@mui/material';
import { Link as RouterLink } from 'react-router';
import type { BookProps } from './bookProps';
import { Leaf } from './Leaf';
import { PlainTable } from './PlainTable';

/** How a fault is found on this rig, and what was found before. */
export function FaultsPart({ open, rig, hunts }: BookProps) {
  const ended = hunts.filter(({ ending }) => ending !== null);
  return (
    <Leaf
      title="Faults"
      hint="Five steps for who has no page at hand, and every hunt that came to an end."
    >
      <Box
        component="ol"
        aria-label="Five steps"
        sx={{ pl: 3, maxWidth: 820, '& li': { mb: 0.5 } }}
      >
        {faultSteps(rig).map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Box>
      <Typography sx={{ my: 1 }}>
        <Link component={RouterLink} to={`/rigs/${open.id}/trace`}>
          Hunt for a fault with one question at a time
        </Link>
      </Typography>
      {ended.length > 0 && (
        <PlainTable>
          <thead>
            <tr>
              <th scope="col">day</th>
              <th scope="col">what was heard</th>
              <th scope="col">what it was</th>
              <th scope="col">what helped</th>
            </tr>
          </thead>
          <tbody>
            {ended.map((hunt) => (
              <HuntRow key={hunt.id} hunt={hunt} rigId={open.id} />
            ))}
          </tbody>
        </PlainTable>
      )}
    </Leaf>
  );
}

function HuntRow({ hunt, rigId }: { readonly hunt: Hunt; readonly rigId: string }) {
  const { ending, endedAt, symptom, id } = hunt;
  return (
    <tr>
      <td style={{ whiteSpace: 'nowrap' }}>{endedAt!.slice(0, 10)}</td>
      <td>
        <Link component={RouterLink} to={`/rigs/${rigId}/trace?hunt=${id}`} color="inherit">
          {SYMPTOM_WORDS[symptom].label}
        </Link>
      </td>
      <td>{`${ENDING_WORDS[ending!.kind]}. ${ending!.finding}`}</td>
      <td>{[ending!.remedy, ending!.note].filter(Boolean).join(' ')}</td>
    </tr>
  );
}
