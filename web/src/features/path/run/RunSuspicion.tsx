import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../../app/theme';
import { LINE_Y } from './runGeometry';
import type { DrawnWay } from '../model/runWays';

const DEEPEST_PX = 96;
const HALF_POST_PX = 11;
/** Less than this is nothing that is drawn. */
const LEAST_DRAWN = 0.005;
const LEAST_SAID = 0.045;
/** Shares keep this distance; the largest win. */
const LEAST_APART_PX = 34;

interface Props {
  readonly way: DrawnWay;
  readonly suspicion: ReadonlyMap<string, number>;
}

/** The search area: under every part a depth for the suspicion that lies on it, with its share where there is much. */
export function RunSuspicion({ way: { stops, layout }, suspicion }: Props) {
  const { chart } = useTheme();
  const spans = new Map<string, readonly [number, number]>();
  for (const [i, { spot }] of stops.entries()) {
    const [x0, x1] = layout.spans[i]!;
    const before = spans.get(spot.id);
    spans.set(spot.id, before ? [Math.min(before[0], x0), Math.max(before[1], x1)] : [x0, x1]);
  }
  const areas = [...spans].flatMap(([id, [x0, x1]]) => {
    const share = suspicion.get(id) ?? 0;
    if (share < LEAST_DRAWN) return [];
    const [from, to] = x1 - x0 < 2 * HALF_POST_PX ? around((x0 + x1) / 2) : ([x0, x1] as const);
    return [{ id, from, to, share, depth: Math.sqrt(share) * DEEPEST_PX }];
  });
  const said = new Set(apart(areas.filter(({ share }) => share >= LEAST_SAID)));
  return (
    <g aria-hidden data-testid="suspicion">
      {areas.map((area) => {
        const { id, from, to, share, depth } = area;
        return (
          <g key={id} data-suspect={id} data-share={share.toFixed(3)}>
            <rect
              x={from}
              y={LINE_Y + 4}
              width={to - from}
              height={depth}
              fill={chart.buoy}
              fillOpacity={0.16 + 0.6 * share}
              stroke={chart.buoy}
              strokeWidth={1}
            />
            {said.has(area) && (
              <text
                x={(from + to) / 2}
                y={LINE_Y + depth + 19}
                textAnchor="middle"
                fontSize={15}
                fontFamily={SOUNDING_FONT}
                fontStyle="italic"
                fill={chart.ink}
                stroke={chart.paper}
                strokeWidth={3.5}
                paintOrder="stroke"
              >
                {`${Math.round(100 * share)} %`}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

/** The largest, and then those that keep their distance to all before them. */
function apart<A extends { readonly from: number; readonly to: number; readonly share: number }>(
  areas: readonly A[],
): readonly A[] {
  const middle = ({ from, to }: A): number => (from + to) / 2;
  const kept: A[] = [];
  for (const area of areas.toSorted((a, b) => b.share - a.share))
    if (kept.every((one) => Math.abs(middle(one) - middle(area)) >= LEAST_APART_PX))
      kept.push(area);
  return kept;
}

const around = (x: number): readonly [number, number] => [x - HALF_POST_PX, x + HALF_POST_PX];
