import type { Point } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { Projection } from '../model/projection';
import type { Size } from '../../../ui/useElementSize';

interface Props {
  readonly on: Projection;
  readonly size: Size;
  readonly marked: readonly Point[];
  readonly onMark: (at: Point) => void;
}

/** While points are marked on a photograph every press is one. */
export function MarkingGround({ on, size, marked, onMark }: Props) {
  const { chart } = useTheme();
  return (
    <g>
      <rect
        data-testid="marking"
        width={size.width}
        height={size.height}
        fill="transparent"
        style={{ cursor: 'crosshair' }}
        onPointerDown={(event) => event.stopPropagation()}
        onPointerUp={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          onMark(on.toStage({ x: event.clientX - box.left, y: event.clientY - box.top }));
        }}
      />
      {marked.map((at, i) => {
        const { x, y } = on.toPage(at);
        return (
          <g key={i} pointerEvents="none">
            <circle cx={x} cy={y} r={7} fill="none" stroke={chart.paper} strokeWidth={4} />
            <circle cx={x} cy={y} r={7} fill="none" stroke={chart.buoy} strokeWidth={2} />
            <text
              x={x + 11}
              y={y - 8}
              fontSize={13}
              fontWeight={600}
              fill={chart.buoy}
              stroke={chart.paper}
              strokeWidth={3}
              paintOrder="stroke"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
