import { formatQuantity, type RoutePoint, type UnitSystem, type Wire } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../../app/theme';
import type { Projection, Side } from './projection';

export type Water = 'exposed' | 'sheltered' | null;

interface Props {
  readonly wire: Wire;
  /** In mm on the stage, beside what shares its way. */
  readonly points: readonly RoutePoint[];
  readonly water: Water;
  readonly on: Projection;
  readonly side: Side;
  readonly isSelected: boolean;
  readonly onSelect: (cable: string) => void;
}

const WATER_PX = 9;

interface Piece {
  readonly layer: string;
  readonly d: string;
}

/** A cable layer by layer: what lies on one is one line. */
function piecesOf(points: readonly RoutePoint[], { toPage }: Projection): readonly Piece[] {
  const pieces: { layer: string; d: string }[] = [];
  for (const point of points) {
    const { x, y } = toPage({ x: point.x / 1000, y: point.y / 1000 });
    const at = `${x.toFixed(1)},${y.toFixed(1)}`;
    const last = pieces.at(-1);
    if (last?.layer === point.layer) last.d += ` L${at}`;
    else pieces.push({ layer: point.layer, d: `M${at}` });
  }
  return pieces;
}

/** A cable as a channel: the water it keeps, and the line in it; dashed on the other side of the board. */
export function WireShape({ wire, points, water, on, side, isSelected, onSelect }: Props) {
  const { chart } = useTheme();
  const isAudio = wire.connection.carries === 'audio';
  const pieces = piecesOf(points, on);
  const behind = side === 'above' ? 'under' : 'top';
  return (
    <g
      data-wire={wire.connection.id}
      data-water={water ?? 'none'}
      style={{ cursor: 'pointer' }}
      onClick={() => onSelect(wire.connection.id)}
    >
      {pieces.map(({ layer, d }, i) => (
        <g key={i} opacity={layer === behind ? 0.75 : 1}>
          {water !== null && (
            <path
              d={d}
              fill="none"
              stroke={water === 'exposed' ? 'url(#exposed-water)' : chart.shelter}
              strokeWidth={water === 'exposed' ? WATER_PX + 4 : WATER_PX}
              strokeLinejoin="round"
            />
          )}
          <path
            d={d}
            fill="none"
            stroke={isSelected ? chart.sea : isAudio ? chart.ink : chart.faint}
            strokeWidth={isSelected ? 4 : isAudio ? 2 : 1.4}
            strokeDasharray={layer === behind ? '6 4' : isAudio ? undefined : '1.5 2.5'}
            strokeLinejoin="round"
          />
          <path d={d} fill="none" stroke="transparent" strokeWidth={12} pointerEvents="stroke" />
        </g>
      ))}
      {passagesOf(points).map((point, i) => {
        const { x, y } = on.toPage(point);
        return (
          <circle
            key={i}
            cx={x}
            cy={y}
            r={4}
            fill={chart.paper}
            stroke={chart.ink}
            strokeWidth={1.5}
          />
        );
      })}
    </g>
  );
}

const passagesOf = (points: readonly RoutePoint[]) =>
  points
    .filter((point, i) => i > 0 && points[i - 1]!.layer !== point.layer)
    .map(({ x, y }) => ({ x: x / 1000, y: y / 1000 }));

interface SoundingProps extends Pick<Props, 'wire' | 'points' | 'on'> {
  readonly units: UnitSystem;
}

/** How long a cable is, written on its longest stretch, where there is room for it. */
export function WireSounding({ wire, points, on, units }: SoundingProps) {
  const { chart } = useTheme();
  const place = longestStretch(points, on);
  if (!place || place.lengthPx < 26) return null;
  const text = formatQuantity(wire.connection.lengthM, 'size', units, 3).split('\u00a0')[0]!;
  return (
    <text
      x={place.x}
      y={place.isFlat ? place.y - 5 : place.y + 4}
      textAnchor={place.isFlat ? 'middle' : 'start'}
      dx={place.isFlat ? 0 : 6}
      fontSize={13.5}
      fontFamily={SOUNDING_FONT}
      fontStyle="italic"
      fill={chart.ink}
      stroke={chart.paper}
      strokeWidth={3.5}
      paintOrder="stroke"
      pointerEvents="none"
    >
      {text}
    </text>
  );
}

function longestStretch(points: readonly RoutePoint[], { toPage }: Projection) {
  let best: { x: number; y: number; lengthPx: number; isFlat: boolean } | null = null;
  const at = points.map(({ x, y }) => toPage({ x: x / 1000, y: y / 1000 }));
  for (const [i, b] of at.entries()) {
    const a = at[i - 1];
    if (!a) continue;
    const lengthPx = Math.hypot(a.x - b.x, a.y - b.y);
    const isFlat = Math.abs(a.x - b.x) >= Math.abs(a.y - b.y);
    if (!best || lengthPx > best.lengthPx + 1)
      best = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, lengthPx, isFlat };
  }
  return best;
}
