import { formatNumber } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useSettings } from '../../app/useSettings';
import { PanelGroup } from '../../ui/parts/PanelGroup';
import { useHearings } from './blind/listener';
import { sayHearing } from './model/sayHearing';

const SHOWN = 20;

/** What was heard, by whom: of this rig, and of no rig in particular. */
export function HeardList({ rigId }: { readonly rigId: string }) {
  const all = useHearings().filter(({ rig }) => rig === null || rig === rigId);
  const [{ scale }, change] = useSettings();
  return (
    <PanelGroup title="What was heard">
      {scale && (
        <Typography variant="body2">
          {`Words of size go by ${scale.listener}’s ears (${formatNumber(scale.thresholdDb, 2)} dB). `}
          <Button size="small" onClick={() => change({ scale: null })}>
            The usual ladder
          </Button>
        </Typography>
      )}
      {all.length === 0 && (
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          Nothing yet. Results stay here by the listener’s name, whatever they are.
        </Typography>
      )}
      {all.slice(0, SHOWN).map((one) => (
        <Box key={one.id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
          <Typography variant="body2" sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
            {`${one.listener}, ${one.at.slice(0, 10)}`}
          </Typography>
          <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
            {sayHearing(one)}
          </Typography>
        </Box>
      ))}
    </PanelGroup>
  );
}
