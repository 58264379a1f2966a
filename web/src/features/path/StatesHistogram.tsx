import { formatSignedDb, type StatesSounding } from '@gullwind/core';
import { useTheme } from '@mui/material';

const WIDTH = 228;
const HEIGHT = 64;
const BASE = HEIGHT - 16;
const LEAST_BARS = 12;

interface Props {
  readonly states: StatesSounding;
  readonly nowDb: number | null;
}

/** How many states lie where, with the one the board stands in marked. */
export function StatesHistogram({ states: { histogram, brightest, dullest }, nowDb }: Props) {
  const { chart } = useTheme();
  const { counts, from, binWidth } = histogram;
  const bars = Math.max(LEAST_BARS, counts.length);
  const start = from - ((bars - counts.length) / 2) * binWidth;
  const x = (db: number) => ((db - start) / (bars * binWidth)) * WIDTH;
  const most = counts.reduce((a, b) => Math.max(a, b), 0);
  const says = `States by treble, in bins of ${binWidth} dB, from ${formatSignedDb(dullest.trebleDb)} to ${formatSignedDb(brightest.trebleDb)} dB`;
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label={says} style={{ display: 'block' }}>
      <title>{says}</title>
      {Array.from(counts, (count, i) => {
        const height = count === 0 ? 0 : Math.max(1.5, (count / most) * (BASE - 8));
        return (
          <rect
            key={i}
            x={x(from + i * binWidth) + 0.5}
            width={WIDTH / bars - 1}
            y={BASE - height}
            height={height}
            fill={chart.sea}
          />
        );
      })}
      <line x1={0} x2={WIDTH} y1={BASE} y2={BASE} stroke={chart.faint} />
      {nowDb !== null && <path d={`M${x(nowDb)} ${BASE + 1} l4 7 h-8 z`} fill={chart.buoy} />}
      <text x={0} y={HEIGHT - 2} fontSize={12} fill={chart.ink}>
        {formatSignedDb(start)}
      </text>
      <text x={WIDTH} y={HEIGHT - 2} fontSize={12} textAnchor="end" fill={chart.ink}>
        {formatSignedDb(start + bars * binWidth)} dB
      </text>
    </svg>
  );
}
