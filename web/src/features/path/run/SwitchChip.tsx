import { useTheme } from '@mui/material';
import { CHIP_RADIUS } from './runGeometry';

interface Props {
  readonly number: number;
  readonly x: number;
  readonly y: number;
  readonly switchId: string;
  readonly canToggle: boolean;
  readonly engaged: boolean;
  readonly selected: boolean;
  readonly onToggle: (switchId: string) => void;
}

/** Round for a foot-switch, square for a device without one; filled while it is on. */
export function SwitchChip(props: Props) {
  const { number, x, y, switchId, canToggle, engaged, selected, onToggle } = props;
  const { chart } = useTheme();
  const r = CHIP_RADIUS;
  const look = {
    fill: engaged ? chart.ink : chart.paper,
    stroke: selected ? chart.sea : chart.ink,
    strokeWidth: selected ? 2.6 : 1.3,
  };
  return (
    <g
      onClick={() => onToggle(switchId)}
      style={{ cursor: canToggle ? 'pointer' : 'default' }}
      data-switch={switchId}
      data-on={engaged}
    >
      {canToggle ? (
        <circle cx={x} cy={y} r={r} {...look} />
      ) : (
        <rect x={x - r} y={y - r} width={2 * r} height={2 * r} {...look} />
      )}
      <text
        x={x}
        y={y + 4}
        textAnchor="middle"
        fontSize={11.5}
        fontWeight={600}
        fill={engaged ? chart.paper : chart.ink}
        pointerEvents="none"
      >
        {number}
      </text>
    </g>
  );
}
