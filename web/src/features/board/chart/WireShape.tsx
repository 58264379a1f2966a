import { formatQuantity, type RoutePoint, type UnitSystem, type Wire } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../../app/theme';
import type { Projection, Side } from '../model/projection';
import type { Water } from '../model/waters';

interface Props {
  readonly wire: Wire;
  /** In mm on the stage, beside what shares its way. */
  readonly points: readonly RoutePoint[];
  readonly water: Water | null;
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

interface SoundingsProps {
  readonly wires: readonly Wire[];
  readonly drawn: ReadonlyMap<string, readonly RoutePoint[]>;
  readonly on: Projection;
  readonly units: UnitSystem;
}

interface Sounding {
  readonly id: string;
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly isFlat: boolean;
}

/** On a shorter stretch there is no room for a figure, px. */
const LEAST_STRETCH_PX = 26;
const FIGURE_PX = { width: 34, height: 15 };

/** How long each cable is, on its longest stretch; where figures would lie on each other, the longer cable has its own. */
function soundingsOf({ wires, drawn, on, units }: SoundingsProps): readonly Sounding[] {
  const found: Sounding[] = [];
  const places = wires
    .map((wire) => ({ wire, place: longestStretch(drawn.get(wire.connection.id) ?? [], on) }))
    .toSorted((a, b) => (b.place?.lengthPx ?? 0) - (a.place?.lengthPx ?? 0));
  for (const { wire, place } of places) {
    if (!place || place.lengthPx < LEAST_STRETCH_PX) continue;
    const [x, y] = place.isFlat ? [place.x, place.y - 5] : [place.x + 6, place.y + 4];
    const isCovered = found.some(
      (other) =>
        Math.abs(other.x - x) < FIGURE_PX.width && Math.abs(other.y - y) < FIGURE_PX.height,
    );
    if (isCovered) continue;
    const { id, lengthM } = wire.connection;
    const text = formatQuantity(lengthM, 'size', units, 3).split('\u00a0')[0]!;
    found.push({ id, text, x, y, isFlat: place.isFlat });
  }
  return found;
}

/** The lengths of cables as soundings. */
export function Soundings(props: SoundingsProps) {
  const { chart } = useTheme();
  return soundingsOf(props).map(({ id, text, x, y, isFlat }) => (
    <text
      key={id}
      x={x}
      y={y}
      textAnchor={isFlat ? 'middle' : 'start'}
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
  ));
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
