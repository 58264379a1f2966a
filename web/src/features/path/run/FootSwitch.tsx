import { useTheme } from '@mui/material';

interface Props {
  /** What it switches, as a person would say it. */
  readonly name: string;
  readonly switchId: string;
  readonly x: number;
  readonly y: number;
  readonly engaged: boolean;
  /** How wide it can be taken hold of, px: no wider than its neighbours leave it. */
  readonly reach?: number;
  /** Null where it is only looked at. */
  readonly onToggle: ((switchId: string) => void) | null;
}

const HALF_WIDTH = 8;
const HALF_HEIGHT = 4.5;
const TOUCH_PX = 24;

/** A foot-switch beside its pedal's disc: to the right and dark while it is on. */
export function FootSwitch({ name, switchId, x, y, engaged, reach = TOUCH_PX, onToggle }: Props) {
  const { chart } = useTheme();
  const width = Math.min(TOUCH_PX, reach);
  if (!onToggle) return null;
  return (
    <g
      onClick={(event) => {
        // What stands around it is selected by a click; this is not.
        event.stopPropagation();
        onToggle(switchId);
      }}
      style={{ cursor: 'pointer' }}
      data-switch={switchId}
      data-on={engaged}
    >
      <title>{`Switch ${name} ${engaged ? 'off' : 'on'}`}</title>
      <rect
        x={x - width / 2}
        y={y - TOUCH_PX / 2}
        width={width}
        height={TOUCH_PX}
        fill="transparent"
      />
      <rect
        x={x - HALF_WIDTH}
        y={y - HALF_HEIGHT}
        width={2 * HALF_WIDTH}
        height={2 * HALF_HEIGHT}
        rx={HALF_HEIGHT}
        fill={engaged ? chart.ink : chart.paper}
        stroke={chart.ink}
        strokeWidth={1.2}
      />
      <circle
        cx={x + (engaged ? 1 : -1) * (HALF_WIDTH - HALF_HEIGHT)}
        cy={y}
        r={2.4}
        fill={engaged ? chart.paper : chart.ink}
      />
    </g>
  );
}
