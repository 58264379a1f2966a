import { useTheme } from '@mui/material';
import { LINE_Y } from './runGeometry';
import type { WayLayout } from './runLayout';

const WAVE_PX = 12;

/** Where the drawing is not to scale: the cable is one, the drawing of it is cut. */
export function RunBreaks({ layout: { stretches } }: { layout: WayLayout }) {
  return (
    <g aria-hidden>
      {stretches.slice(1).map(({ kind, x0 }, i) => (
        <ScaleBreak key={kind} from={stretches[i]!.x1} to={x0} />
      ))}
    </g>
  );
}

function ScaleBreak({ from, to }: { from: number; to: number }) {
  const { chart } = useTheme();
  const quarter = (to - from) / 4;
  const d = `M${from} ${LINE_Y} q${quarter / 2} ${-WAVE_PX} ${quarter} 0 t${quarter} 0 t${quarter} 0 t${quarter} 0`;
  return <path d={d} fill="none" stroke={chart.ink} strokeWidth={1.3} strokeDasharray="3 3" />;
}
