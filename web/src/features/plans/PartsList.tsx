import type { Effort, Move } from '@gullwind/core';
import { Box, Typography } from '@mui/material';

/** What has to be bought and done, and the caution that belongs to it. */
export function PartsList({ effort, moves }: { effort: Effort; moves: readonly Move[] }) {
  if (moves.length === 0) return null;
  return (
    <Box component="section" aria-label="Parts" sx={{ mt: 1 }}>
      <Typography component="h3" variant="h2">
        Parts
      </Typography>
      {effort.buys.length === 0 ? (
        <Typography variant="body2">Nothing to buy: all of it is at hand.</Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: 14 }}>
          {moves
            .filter(({ effort: own }) => own.buys.length > 0)
            .map(({ key, effort: own }) => (
              <li key={key}>
                {own.buys.join(', ')}: {own.isCostAssumed ? 'about ' : ''}
                {own.cost}
              </li>
            ))}
          <li>
            together {effort.isCostAssumed ? 'about ' : ''}
            {effort.cost}
          </li>
        </Box>
      )}
      {effort.isCostAssumed && (
        <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block' }}>
          Prices that nobody has entered are usual ones, in the money of the gear list.
        </Typography>
      )}
      {effort.solders && (
        <Typography variant="caption" sx={{ color: 'text.secondary', display: 'block' }}>
          Soldering: hot iron, fumes, sharp offcuts. Supply unplugged, eyes covered, air moving.
          Inside a pedal that runs on mains, leave it to a qualified technician.
        </Typography>
      )}
    </Box>
  );
}
