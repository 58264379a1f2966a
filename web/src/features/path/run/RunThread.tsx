import { formatSignedDb, type Analysis } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../../app/theme';
import { SOUNDING_Y, THREAD_Y } from './runGeometry';
import { chooseSoundings, layThread, threadWidth, type WayLayout } from './runLayout';

const LEAST_SOUNDING_PX = 42;

/** The thread, whose width is the treble left, and the soundings under it. */
export function RunThread({ layout, analysis }: { layout: WayLayout; analysis: Analysis }) {
  const { chart } = useTheme();
  if (analysis.points.length === 0) return null;
  const thread = layThread(layout, analysis.points);
  const edge = (sign: 1 | -1) =>
    thread.map(
      ({ x, trebleDb }) =>
        `${x.toFixed(1)},${(THREAD_Y + (sign * threadWidth(trebleDb)) / 2).toFixed(1)}`,
    );
  return (
    <g aria-hidden>
      <polygon
        data-thread=""
        points={[...edge(-1), ...edge(1).reverse()].join(' ')}
        fill={chart.sea}
        fillOpacity={0.92}
      />
      {chooseSoundings(thread, LEAST_SOUNDING_PX).map(({ x, trebleDb }) => (
        <text
          key={x}
          x={x}
          y={SOUNDING_Y}
          textAnchor="middle"
          fontSize={15}
          fontFamily={SOUNDING_FONT}
          fontStyle="italic"
          fill={chart.ink}
          stroke={chart.paper}
          strokeWidth={3.5}
          paintOrder="stroke"
        >
          {formatSignedDb(trebleDb)}
        </text>
      ))}
    </g>
  );
}
