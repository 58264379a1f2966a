import type { LoomAt } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { Projection } from '../model/projection';

interface Props {
  readonly loom: LoomAt;
  readonly on: Projection;
  readonly words: string;
}

/** A loom as the one thing that it is: its breakouts come together at the edge, and it goes on from there. */
export function LoomShape({ loom: { loom, at, breakouts, diameterM }, on, words }: Props) {
  const { chart } = useTheme();
  const from = on.toPage(at);
  const width = Math.max(3, diameterM * on.pxPerM);
  const [first] = breakouts;
  const isFromRight = first ? on.toPage(first.plug.exit).x > from.x : true;
  const to = from.x + (isFromRight ? -26 : 26);
  return (
    <g aria-hidden pointerEvents="none" data-loom={loom.id}>
      {breakouts.map(({ cable, plug }) => {
        const { x, y } = on.toPage(plug.exit);
        return (
          <path
            key={cable}
            d={`M${x} ${y}H${from.x}V${from.y}`}
            fill="none"
            stroke={chart.ink}
            strokeWidth={1.2}
            strokeDasharray="2 4"
          />
        );
      })}
      <line x1={from.x} y1={from.y} x2={to} y2={from.y} stroke={chart.ink} strokeWidth={width} />
      <text
        x={to}
        y={from.y - width / 2 - 5}
        textAnchor={isFromRight ? 'start' : 'end'}
        fontSize={12.5}
        fill={chart.faint}
        stroke={chart.paper}
        strokeWidth={3}
        paintOrder="stroke"
      >
        {words}
      </text>
    </g>
  );
}
