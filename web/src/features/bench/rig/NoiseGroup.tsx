import { formatNumber, nameCable, type Chain, type UnitSystem } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { Figure } from '../../../ui/Figure';
import { PanelGroup } from '../../../ui/parts/PanelGroup';
import { useLatest } from '../../../workers/useLatest';
import { questionsWorker } from '../../../workers/workers';

const ask = async (chain: Chain) => ({ chain, noise: await questionsWorker().noise(chain) });
const SHOWN = 4;

/** What hisses by nature, and which cable stands most in the open: figures to compare by. */
export function NoiseGroup({ chain }: { readonly chain: Chain; readonly units: UnitSystem }) {
  const answer = useLatest(chain, ask);
  if (!answer?.noise) return null;
  const { totalV, exposures } = answer.noise;
  const most = exposures[0]?.exposureOhmM ?? 0;
  return (
    <PanelGroup title="Noise, to compare by">
      <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: '1fr auto', m: 0 }}>
        <Figure name="Thermal, at the amp" value={`${formatNumber(totalV * 1e6, 2)} µV`} />
        {exposures.slice(0, SHOWN).map(({ cable, exposureOhmM }) => (
          <Figure
            key={cable.id}
            name={nameCable(answer.chain, cable.id)}
            title="|Z| at 1 kHz × its length × what comes after it, as a share of the most exposed cable"
            value={`${formatNumber((100 * exposureOhmM) / most, 0)} %`}
          />
        ))}
      </Box>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        Below the line: how much each cable stands in the open, the most exposed one as 100 %. It
        compares; it does not predict.
      </Typography>
    </PanelGroup>
  );
}
