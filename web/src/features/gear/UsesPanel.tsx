import { formatNumber, formatSignedDb, isForRigs, type GearItem } from '@gullwind/core';
import { Box, Button, Link, Typography } from '@mui/material';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useListUsesQuery } from '../../app/api';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { useRigUpdates, type RigUpdate } from './useRigUpdates';

interface Props {
  readonly item: GearItem;
  /** Numbers have just been changed: what that would do is shown without being asked. */
  readonly isChanged: boolean;
}

/** Which rigs were built from an entry, with a way there; and what bringing them up to date would do. */
export function UsesPanel({ item, isChanged }: Props) {
  const { currentData } = useListUsesQuery({ gear: item.id });
  const own = currentData?.uses ?? [];
  const [isAsked, setAsked] = useState(false);
  if (own.length === 0) {
    return (
      <PanelGroup title="Where used">
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {currentData ? 'In no rig yet.' : 'Looking …'}
        </Typography>
      </PanelGroup>
    );
  }
  const rigs = [...new Map(own.map((use) => [use.rigId, use])).values()];
  return (
    <PanelGroup title="Where used">
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {rigs.map(({ rigId, rigName, id }) => (
          <li key={rigId}>
            <Link
              component={RouterLink}
              to={`/rigs/${rigId}/path?at=${id}`}
              variant="body2"
              sx={{ display: 'inline-block', py: '3px' }}
            >
              {rigName}
            </Link>
          </li>
        ))}
      </Box>
      {isForRigs(item) &&
        (isAsked || isChanged ? (
          <Updates item={item} rigIds={rigs.map(({ rigId }) => rigId)} />
        ) : (
          <Button size="small" onClick={() => setAsked(true)}>
            What would these values do there?
          </Button>
        ))}
    </PanelGroup>
  );
}

function Updates({
  item,
  rigIds,
}: {
  readonly item: GearItem;
  readonly rigIds: readonly string[];
}) {
  const { updates, update } = useRigUpdates(item, rigIds);
  if (!updates) return <Typography variant="body2">Measuring …</Typography>;
  const changed = updates.filter(({ changes }) => changes.length > 0);
  return (
    <>
      <Typography variant="caption" sx={{ display: 'block', color: 'text.secondary', my: 0.5 }}>
        {changed.length === 0
          ? 'These rigs were planned with the values of the list.'
          : 'Rigs keep the values they were planned with, until you bring them up to date.'}
      </Typography>
      {changed.map((one) => (
        <Box
          key={one.rigId}
          data-update={one.rigId}
          sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}
        >
          <Typography variant="body2" sx={{ fontWeight: 600 }}>
            {one.rig.texts.name}
          </Typography>
          <BeforeAndAfter before={one.before} after={one.after} />
          {one.changes.slice(0, 4).map((change) => (
            <Typography
              key={change}
              variant="caption"
              sx={{ display: 'block', color: 'text.secondary' }}
            >
              {change}
            </Typography>
          ))}
          <Button size="small" variant="outlined" onClick={() => void update(one)} sx={{ mt: 0.5 }}>
            Bring {one.rig.texts.name} up to date
          </Button>
        </Box>
      ))}
    </>
  );
}

const SAID = [
  ['Treble', 'trebleDb', formatSignedDb],
  ['Level', 'levelDb', formatSignedDb],
  ['Distance', 'distanceDb', formatNumber],
] as const;

/** The figures as they are and as they would be. */
function BeforeAndAfter({ before, after }: Pick<RigUpdate, 'before' | 'after'>) {
  if (!before || !after) {
    return <Typography variant="body2">Nothing is heard {before ? 'then' : 'now'}.</Typography>;
  }
  return SAID.map(([word, key, write]) => (
    <Typography key={key} variant="body2">
      {word} {write(before[key], 2)} dB now, {write(after[key], 2)} dB then
    </Typography>
  ));
}
