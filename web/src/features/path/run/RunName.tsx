import { useTheme } from '@mui/material';
import type { CSSProperties } from 'react';

interface Props {
  readonly x: number;
  readonly y: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly selected: boolean;
  /** Drawn faintly where there is nothing behind it to select. */
  readonly isFaint?: boolean;
  readonly style?: CSSProperties;
  readonly onClick?: (() => void) | undefined;
  readonly children: string;
}

/** A name on the Run, legible on whatever lies behind it. */
export function RunName({
  x,
  y,
  anchor = 'start',
  selected,
  isFaint = false,
  style,
  onClick,
  children,
}: Props) {
  const { chart } = useTheme();
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      fontSize={13}
      fontWeight={selected ? 600 : 400}
      fill={isFaint ? chart.faint : chart.ink}
      textDecoration={selected ? 'underline' : undefined}
      stroke={chart.paper}
      strokeWidth={3}
      paintOrder="stroke"
      style={style}
      onClick={onClick}
    >
      {children}
    </text>
  );
}
