import type { Point } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { rectOn, type Projection } from '../model/projection';
import type { Drawn } from '../model/asked';

interface Props {
  readonly drawn: Drawn;
  /** Where it is asked what fits. */
  readonly at: Point | null;
  readonly on: Projection;
}

/** An answer on the plan: where something fits, where things would stand, where a hole would be. */
export function AnswerShapes({ drawn: { area, ghosts, hole }, at, on }: Props) {
  const { chart } = useTheme();
  const cross = at && on.toPage(at);
  return (
    <g data-testid="answer" pointerEvents="none">
      {area.map((rect) => (
        <rect
          key={`${rect.x0} ${rect.y0} ${rect.x1}`}
          {...rectOn(on, rect)}
          fill={chart.sea}
          fillOpacity={0.16}
        />
      ))}
      {ghosts.map(({ id, name, rect }) => {
        const box = rectOn(on, rect);
        return (
          <g key={id} data-ghost={id}>
            <rect
              {...box}
              fill={chart.paper}
              fillOpacity={0.72}
              stroke={chart.sea}
              strokeWidth={2.4}
              strokeDasharray="7 5"
            />
            <text
              x={box.x + box.width / 2}
              y={box.y + box.height / 2 + 4}
              textAnchor="middle"
              fontSize={12.5}
              fontWeight={600}
              fill={chart.sea}
              stroke={chart.paper}
              strokeWidth={3}
              paintOrder="stroke"
            >
              {name}
            </text>
          </g>
        );
      })}
      {hole && <Hole hole={hole} on={on} />}
      {cross && (
        <path
          d={`M${cross.x - 11} ${cross.y}h22M${cross.x} ${cross.y - 11}v22`}
          stroke={chart.sea}
          strokeWidth={2}
          data-testid="here"
        />
      )}
    </g>
  );
}

function Hole({
  hole,
  on,
}: {
  readonly hole: NonNullable<Drawn['hole']>;
  readonly on: Projection;
}) {
  const { chart } = useTheme();
  const { x, y } = on.toPage(hole.at);
  const r = (hole.opening.widthM / 2) * on.pxPerM;
  return (
    <>
      <circle cx={x} cy={y} r={r} fill={chart.paper} stroke={chart.sea} strokeWidth={2.4} />
      <path
        d={`M${x - r - 6} ${y}h${2 * r + 12}M${x} ${y - r - 6}v${2 * r + 12}`}
        stroke={chart.sea}
      />
    </>
  );
}
