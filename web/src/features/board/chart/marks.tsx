import {
  formatQuantity,
  type BoardPlan,
  type Conflict,
  type Foot,
  type LaneUse,
  type LoomAt,
  type PlugAt,
  type Rig,
  type Rect,
  type UnitSystem,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import { rectOn, type Projection, type Side } from '../model/projection';

/// What lies on the chart beside cases and cables: plugs, feet, lanes, tight spots, what leaves the boards, the scale.

interface On {
  readonly on: Projection;
}

export function PlugShape({ plug, on, side }: On & { readonly plug: PlugAt; readonly side: Side }) {
  const { chart } = useTheme();
  const isBehind = (plug.layer === 'under') !== (side === 'below');
  return (
    <rect
      aria-hidden
      {...rectOn(on, plug.rect)}
      fill={isBehind ? 'none' : chart.paper}
      stroke={chart.ink}
      strokeWidth={1.1}
      strokeDasharray={isBehind ? '4 3' : undefined}
      pointerEvents="none"
    />
  );
}

interface OutletProps extends On {
  readonly side: Side;
  readonly rig: Rig;
  readonly plan: BoardPlan;
}

/** Beside each plug in a supply on this side, the number of its outlet. */
export function OutletNumbers({ rig, plan, on, side }: OutletProps) {
  const { chart } = useTheme();
  return plan.wires.flatMap(({ connection: { id, carries }, from }) => {
    if (carries !== 'dc' || !from || (from.layer === 'under') !== (side === 'below')) return [];
    if (!rig.power.supplies.some((supply) => supply.id === from.thing)) return [];
    const { x, y } = on.toPage(from.jack);
    return (
      <text
        key={id}
        x={x}
        y={y - 3}
        textAnchor="middle"
        fontSize={11}
        fontWeight={600}
        fill={chart.ink}
        stroke={chart.paper}
        strokeWidth={3}
        paintOrder="stroke"
        pointerEvents="none"
      >
        {from.jack.nth + 1}
      </text>
    );
  });
}

/** A shoe on a switch: dotted where it is free, broken where it wants care, a full ring where it meets another. */
export function FootMark({
  foot,
  shoeM,
  on,
}: On & { readonly foot: Foot; readonly shoeM: number }) {
  const { chart } = useTheme();
  const { x, y } = on.toPage(foot.at);
  const dashes = { free: '1.5 4', careful: '7 4', hit: undefined }[foot.freedom];
  return (
    <circle
      aria-hidden
      data-foot={foot.freedom}
      cx={x}
      cy={y}
      r={(shoeM / 2) * on.pxPerM}
      fill="none"
      stroke={foot.freedom === 'hit' ? chart.buoy : chart.sea}
      strokeWidth={1.3}
      strokeDasharray={dashes}
      pointerEvents="none"
    />
  );
}

const LANE_M = 0.014;

export function LaneShape({ lane, on }: On & { readonly lane: LaneUse }) {
  const { chart } = useTheme();
  const { x0, x1, y } = lane;
  const box = rectOn(on, { x0, x1, y0: y - LANE_M / 2, y1: y + LANE_M / 2 });
  return (
    <g aria-hidden pointerEvents="none" data-lane={lane.lane.id}>
      <rect {...box} fill={chart.hatch} fillOpacity={0.35} />
      <line
        x1={box.x}
        x2={box.x + box.width}
        y1={box.y + box.height / 2}
        y2={box.y + box.height / 2}
        stroke={lane.isTooThick ? chart.buoy : chart.faint}
        strokeWidth={0.8}
        strokeDasharray={lane.lane.layer === 'under' ? '10 4 2 4' : '2 6'}
      />
    </g>
  );
}

interface ConflictProps extends On {
  readonly conflict: Conflict;
  readonly units: UnitSystem;
  readonly isLit: boolean;
}

/** A tight spot, ringed; how much is missing beside it. */
export function ConflictMark({ conflict, on, units, isLit }: ConflictProps) {
  const { chart } = useTheme();
  const { x, y } = on.toPage(conflict.at);
  const missing = 'missingM' in conflict ? conflict.missingM : null;
  const colour = conflict.weight === 'note' ? chart.faint : chart.buoy;
  const says = missing !== null && conflict.weight === 'hard';
  return (
    <g aria-hidden pointerEvents="none" data-conflict={conflict.kind}>
      <circle
        cx={x}
        cy={y}
        r={isLit ? 19 : 14}
        fill="none"
        stroke={colour}
        strokeWidth={isLit ? 3 : 2}
        strokeDasharray={conflict.weight === 'foot' ? '4 3' : undefined}
      />
      {says && (
        <text
          x={x}
          y={y - 19}
          textAnchor="middle"
          fontSize={12.5}
          fontWeight={600}
          fill={colour}
          stroke={chart.paper}
          strokeWidth={3.5}
          paintOrder="stroke"
        >
          {`${formatQuantity(Math.ceil(missing * 1000 - 1e-6) / 1000, 'size', units)} missing`}
        </text>
      )}
    </g>
  );
}

/** In loops of this width a cable lies that is longer than its way, m. */
const COIL_M = 0.06;

/** A fixed cable that is too long: the room that its coil takes. */
export function CoilMark({ conflict, on }: On & { readonly conflict: Conflict }) {
  const { chart } = useTheme();
  const { x, y } = on.toPage(conflict.at);
  const radius = (COIL_M / 2) * on.pxPerM;
  return (
    <g aria-hidden pointerEvents="none" data-coil="" fill="none" stroke={chart.ink}>
      <circle cx={x} cy={y} r={radius} strokeWidth={2} />
      <circle cx={x} cy={y} r={radius - 3} strokeWidth={1} />
    </g>
  );
}

interface LeavingProps extends On {
  readonly looms: readonly LoomAt[];
  readonly plan: BoardPlan;
  readonly bounds: Rect;
  readonly name: (cable: string) => string;
}

/** Cables that leave the boards: a line from the plug to the nearer side, and where it goes. */
export function Leaving({ plan, looms, bounds, on, name }: LeavingProps) {
  const { chart } = useTheme();
  const tied = new Set(looms.flatMap(({ loom }) => loom.cables));
  const leaving = plan.wires.flatMap(({ connection, from, to, isOnBoards }) => {
    const plug = from ?? to;
    const isOut = connection.from === null || connection.to === null;
    return plug && !isOnBoards && isOut && !tied.has(connection.id)
      ? [{ id: connection.id, plug }]
      : [];
  });
  const middle = on.toPage({ x: (bounds.x0 + bounds.x1) / 2, y: bounds.y1 });
  const rows = { left: 0, right: 0 };
  return (
    <g aria-hidden pointerEvents="none">
      {leaving.map(({ id, plug }) => {
        const at = on.toPage(plug.exit);
        const isLeft = at.x < middle.x;
        const edge = on.toPage({ x: bounds.x0, y: bounds.y1 });
        const far = on.toPage({ x: bounds.x1, y: bounds.y1 });
        const [low, high] = [Math.min(edge.x, far.x), Math.max(edge.x, far.x)];
        const row = isLeft ? rows.left++ : rows.right++;
        const words = isLeft ? `← ${name(id)}` : `${name(id)} →`;
        return (
          <g key={id} data-leaving={id}>
            <line
              x1={at.x}
              y1={at.y}
              x2={isLeft ? low - 10 : high + 10}
              y2={at.y}
              stroke={chart.ink}
              strokeWidth={1.2}
              strokeDasharray="2 4"
            />
            <text
              x={isLeft ? low : high}
              y={14 + row * 14}
              textAnchor={isLeft ? 'start' : 'end'}
              fontSize={12.5}
              fill={chart.faint}
            >
              {words}
            </text>
          </g>
        );
      })}
    </g>
  );
}

interface ScaleProps extends On {
  readonly bounds: Rect;
  readonly units: UnitSystem;
  readonly side: Side;
}

/** A scale bar in black and white, and which way the player stands. */
export function ScaleBar({ bounds, on, units, side }: ScaleProps) {
  const { chart } = useTheme();
  const step = units === 'metric' ? 0.02 : 0.0254;
  const count = units === 'metric' ? 10 : 8;
  const a = on.toPage({ x: bounds.x0, y: bounds.y0 });
  const b = on.toPage({ x: bounds.x1, y: bounds.y0 });
  const [x, y] = [Math.min(a.x, b.x), a.y + 14];
  const px = step * on.pxPerM;
  const length = formatQuantity(step * count, 'size', units);
  return (
    <g aria-hidden>
      <rect x={x} y={y} width={px * count} height={5} fill="none" stroke={chart.ink} />
      {Array.from({ length: Math.ceil(count / 2) }, (_, i) => (
        <rect key={i} x={x + 2 * i * px} y={y} width={px} height={5} fill={chart.ink} />
      ))}
      <text x={x + px * count + 8} y={y + 7} fontSize={12.5} fill={chart.ink}>
        {length}
      </text>
      <text
        x={Math.max((a.x + b.x) / 2, x + px * count + 70)}
        y={y + 7}
        fontSize={12.5}
        fill={chart.faint}
      >
        {side === 'above'
          ? 'the player stands here'
          : 'from below, turned over to the side: left and right change places'}
      </text>
    </g>
  );
}
