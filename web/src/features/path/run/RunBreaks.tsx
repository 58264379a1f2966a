import { useTheme } from '@mui/material';
import { LINE_Y } from './runGeometry';
import type { RunLayout } from './runLayout';

const WAVE_PX = 12;

/** Where the drawing is not to scale: the lead is one, the drawing of it is cut. */
export function RunBreaks({ layout: { deviceX, leadX } }: { layout: RunLayout }) {
  if (deviceX.length === 0) return null;
  return (
    <g aria-hidden>
      <ScaleBreak from={leadX[0]![1]} to={deviceX[0]!} />
      <ScaleBreak from={deviceX.at(-1)!} to={leadX.at(-1)![0]} />
    </g>
  );
}

function ScaleBreak({ from, to }: { from: number; to: number }) {
  const { chart } = useTheme();
  const quarter = (to - from) / 4;
  const d = `M${from} ${LINE_Y} q${quarter / 2} ${-WAVE_PX} ${quarter} 0 t${quarter} 0 t${quarter} 0 t${quarter} 0`;
  return <path d={d} fill="none" stroke={chart.ink} strokeWidth={1.3} strokeDasharray="3 3" />;
}
