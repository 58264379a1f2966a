import {
  formatQuantity,
  type BesidePlace,
  type BoardPlan,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import { boundsOfDecks, type Projection } from '../model/projection';

interface Props {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly on: Projection;
  readonly units: UnitSystem;
}

const WHERE: Readonly<Record<BesidePlace, string>> = {
  floor: 'on the floor',
  rack: 'in the rack',
  amp: 'on the amp',
};

/** What stands beside the boards, at its distance: the cable there counts once, there and back twice. */
export function Beside({ rig, plan, on, units }: Props) {
  const { chart } = useTheme();
  const there = plan.things.flatMap(({ id, name }) => {
    const at = rig.layout.placements[id];
    return at?.at === 'beside' ? [{ id, name, at }] : [];
  });
  if (there.length === 0) return null;
  const bounds = boundsOfDecks(plan.decks);
  const [a, b] = [
    on.toPage({ x: bounds.x0, y: bounds.y0 }),
    on.toPage({ x: bounds.x1, y: bounds.y0 }),
  ];
  const x = Math.max(a.x, b.x);
  return (
    <g aria-hidden pointerEvents="none">
      {there.map(({ id, name, at }, i) => (
        <text
          key={id}
          data-beside={id}
          x={x}
          y={a.y + 34 + 15 * i}
          textAnchor="end"
          fontSize={12.5}
          fill={chart.ink}
        >
          {`${name}, ${WHERE[at.where]}: ${formatQuantity(at.lengthM, 'length', units)} there, ${formatQuantity(2 * at.lengthM, 'length', units)} there and back ⇢`}
        </text>
      ))}
    </g>
  );
}
