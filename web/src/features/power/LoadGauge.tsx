import { useTheme } from '@mui/material';

interface Props {
  /** Of the rating; above 1 it is overloaded. */
  readonly share: number;
  /** Where the line is. */
  readonly fill: number;
  readonly width?: number;
}

const HEIGHT = 10;

/** The bed of an arm, how full it is, and the line across it. */
export function LoadGauge({ share, fill, width = 58 }: Props) {
  const { chart } = useTheme();
  const inner = width - 2;
  const full = Math.min(1, Number.isFinite(share) ? share : 1) * inner;
  const isOver = share > fill + 1e-9;
  return (
    <svg width={width} height={HEIGHT + 4} aria-hidden style={{ display: 'block' }}>
      <rect
        x={0.5}
        y={2.5}
        width={width - 1}
        height={HEIGHT - 1}
        fill={chart.paper}
        stroke={chart.faint}
      />
      <rect
        x={1}
        y={3}
        width={full}
        height={HEIGHT - 2}
        fill={isOver ? chart.buoy : chart.sea}
        fillOpacity={0.6}
      />
      <line
        x1={1 + fill * inner}
        x2={1 + fill * inner}
        y1={0}
        y2={HEIGHT + 4}
        stroke={chart.ink}
        strokeWidth={1.6}
      />
    </svg>
  );
}
