import {
  formatQuantity,
  formatSignedDb,
  sayStraightIn,
  type Resonance,
  type Rig,
  chainOf,
  type Chain,
  type UnitSystem,
} from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { questionsWorker } from '../../../workers/workers';
import { useLatest } from '../../../workers/useLatest';
import { Figure } from '../../../ui/Figure';

const ask = (rig: Chain) => questionsWorker().sweepSources(rig);

/** The same chain from each guitar of the rig and from every class of pickup, side by side. */
export function SourceSweep({ rig, units }: { readonly rig: Rig; readonly units: UnitSystem }) {
  const swept = useLatest(chainOf(rig), ask);
  if (!swept) return <Typography variant="body2">…</Typography>;
  return (
    <>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Treble against the same source {sayStraightIn(rig, units)}, and where it resonates through
        this chain.
      </Typography>
      <Box
        component="dl"
        data-testid="sweep"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: '1fr auto' }}
      >
        {swept.map(({ name, isOwn, trebleDb, resonance }, i) => (
          <Figure
            key={`${name} ${i}`}
            name={isOwn ? name : `a ${name}`}
            value={`${formatSignedDb(trebleDb)} dB, ${sayResonance(resonance)}`}
          />
        ))}
      </Box>
    </>
  );
}

const sayResonance = (resonance: Resonance): string =>
  resonance.kind === 'resonance'
    ? formatQuantity(resonance.frequencyHz, 'frequency', 'metric')
    : 'none';
