import { switchNumbers, type Rig, type UnitSystem } from '@gullwind/core';
import { Box, useTheme } from '@mui/material';
import { memo, useMemo } from 'react';
import { HatchPattern } from '../../../ui/HatchPattern';
import { useElementWidth } from '../../../ui/useElementWidth';
import type { AnalysedWays } from '../../../workers/useAnalysis';
import { BAND_BOTTOM_Y } from './runGeometry';
import { RunThread } from './RunThread';
import { RunWater } from './RunWater';
import { drawWays, postsOf } from '../model/runWays';

interface Props {
  readonly rig: Rig;
  readonly rowId: string;
  readonly analysed: AnalysedWays | null;
  readonly units: UnitSystem;
}

/** From below the posts' names and the line to the end of the water, px. */
const TOP_Y = 134;
const HEIGHT = BAND_BOTTOM_Y - TOP_Y;

/** The Run without its posts: water, thread and soundings, where another drawing needs the room. */
export const RunStrip = memo(function RunStrip({ rig, rowId, analysed, units }: Props) {
  const { chart } = useTheme();
  const [box, width] = useElementWidth<HTMLDivElement>(820);
  const ways = useMemo(() => drawWays(rig, rowId, width), [rig, rowId, width]);
  const numbers = useMemo(() => switchNumbers(rig), [rig]);
  return (
    <Box ref={box} role="img" aria-label="Treble left along the way" sx={{ overflow: 'hidden' }}>
      <HatchPattern />
      <svg
        width={width}
        height={HEIGHT}
        viewBox={`0 ${TOP_Y} ${width} ${HEIGHT}`}
        style={{ display: 'block' }}
      >
        {ways.map((way) => {
          const analysis = analysed?.analyses[way.rowId];
          if (analysis?.stops.length !== way.stops.length) return null;
          return (
            <g key={way.rowId}>
              <RunWater rig={rig} layout={way.layout} analysis={analysis} units={units} />
              <RunThread layout={way.layout} analysis={analysis} />
              {spacedOut(postsOf(way)).map(({ deviceId, x, isNumbered }) => (
                <g key={deviceId}>
                  <line x1={x} x2={x} y1={TOP_Y + 14} y2={TOP_Y + 34} stroke={chart.ink} />
                  {isNumbered && (
                    <text x={x} y={TOP_Y + 11} textAnchor="middle" fontSize={11.5} fill={chart.ink}>
                      {numbers.get(deviceId)}
                    </text>
                  )}
                </g>
              ))}
            </g>
          );
        })}
      </svg>
    </Box>
  );
});

/** From one number to the next, px. */
const NUMBER_PX = 15;

/** Posts, each with whether there is room for its number. */
function spacedOut(posts: readonly { readonly deviceId: string; readonly x: number }[]) {
  let last = -Infinity;
  return posts.map((post) => {
    const isNumbered = post.x - last >= NUMBER_PX;
    if (isNumbered) last = post.x;
    return { ...post, isNumbered };
  });
}
