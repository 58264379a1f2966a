import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../../app/theme';
import { CHIP_RADIUS } from './runGeometry';

interface Props {
  readonly number: number;
  readonly x: number;
  readonly y: number;
  /** Round for what has a foot-switch, square for what has none. */
  readonly isRound: boolean;
  /** Filled while it is on. */
  readonly engaged: boolean;
  readonly selected: boolean;
  /** The letter of the switches that act together with it. */
  readonly link?: string | undefined;
}

/** The number of a device or a loop, by which it is switched from the keyboard. */
export function NumberDisc({ number, x, y, isRound, engaged, selected, link }: Props) {
  const { chart } = useTheme();
  const r = CHIP_RADIUS;
  const look = {
    fill: engaged ? chart.ink : chart.paper,
    stroke: selected ? chart.sea : chart.ink,
    strokeWidth: selected ? 2.6 : 1.3,
  };
  return (
    <>
      {isRound ? (
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
      {link && <LinkMark link={link} x={x - r - 1} y={y + r + 3} />}
    </>
  );
}

interface LinkProps {
  readonly link: string;
  readonly x: number;
  readonly y: number;
}

/** The letter at the foot of a disc whose switch moves others with it. */
function LinkMark({ link, x, y }: LinkProps) {
  const { chart } = useTheme();
  return (
    <text
      data-link={link}
      x={x}
      y={y}
      textAnchor="end"
      fontSize={13}
      fontFamily={SOUNDING_FONT}
      fontStyle="italic"
      fill={chart.ink}
      stroke={chart.paper}
      strokeWidth={3}
      paintOrder="stroke"
      pointerEvents="none"
    >
      {link}
    </text>
  );
}
