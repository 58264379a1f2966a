import {
  DESTINATION_KINDS,
  formatStripLength,
  METRES_PER_FOOT,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import { CAPTION_Y, SCALE_Y } from './runGeometry';
import type { Stretch } from './runLayout';
import { postsOf, type DrawnWay } from '../model/runWays';

const BAR_PX = 5;
const LEAST_SEGMENT_PX = 12;

/** A scale bar under every stretch, as on a chart: each segment is one round length. */
export function RunScales({ rig, way, units }: { rig: Rig; way: DrawnWay; units: UnitSystem }) {
  const { chart } = useTheme();
  return (
    <g aria-hidden>
      {way.layout.stretches.map((stretch) => (
        <g key={stretch.kind}>
          <ScaleBar stretch={stretch} units={units} />
          <text
            x={(stretch.x0 + stretch.x1) / 2}
            y={CAPTION_Y}
            textAnchor="middle"
            fontSize={13}
            fill={chart.ink}
          >
            {caption(rig, stretch, way, units)}
          </text>
        </g>
      ))}
    </g>
  );
}

function caption(rig: Rig, { kind, lengthM }: Stretch, way: DrawnWay, units: UnitSystem): string {
  const length = formatStripLength(lengthM, units);
  const posts = postsOf(way).length;
  const { stops } = way;
  const isLoop = stops[0]!.spot.id === stops.at(-1)!.spot.id;
  if (kind === 'board') return posts === 1 ? 'board' : `${length} of patch`;
  if (isLoop) return posts === 0 ? `${length} loom` : length;
  const destination = rig.electrical.destinations.find(({ id }) => id === stops.at(-1)!.spot.id)!;
  const goal = destination.kind === 'amp' ? 'amp' : DESTINATION_KINDS[destination.kind].label;
  if (kind === 'out') return `${length} to the ${goal}`;
  return posts === 0 ? `${length}, guitar to ${goal}` : `${length} cable in`;
}

function ScaleBar({ stretch, units }: { stretch: Stretch; units: UnitSystem }) {
  const { chart } = useTheme();
  const { x0, x1, pxPerM } = stretch;
  const segmentPx = roundLength(pxPerM, units) * pxPerM;
  const count = segmentPx > 0 ? Math.ceil((x1 - x0) / segmentPx - 1e-6) : 0;
  return (
    <>
      {Array.from({ length: count }, (_, k) => {
        const from = x0 + k * segmentPx;
        return (
          <rect
            key={k}
            x={from}
            y={SCALE_Y}
            width={Math.min(segmentPx, x1 - from)}
            height={BAR_PX}
            fill={k % 2 === 0 ? chart.ink : chart.paper}
          />
        );
      })}
      <rect
        x={x0}
        y={SCALE_Y}
        width={x1 - x0}
        height={BAR_PX}
        fill="none"
        stroke={chart.ink}
        strokeWidth={1}
      />
    </>
  );
}

/** The smallest of 1, 2, 5, 10 … (tenths of a unit up) that is wide enough to see, in metres. */
function roundLength(pxPerM: number, units: UnitSystem): number {
  const unitM = units === 'metric' ? 1 : METRES_PER_FOOT;
  for (let decade = 0.01; decade <= 100; decade *= 10) {
    for (const step of [1, 2, 5]) {
      if (step * decade * unitM * pxPerM >= LEAST_SEGMENT_PX) return step * decade * unitM;
    }
  }
  return 0;
}
