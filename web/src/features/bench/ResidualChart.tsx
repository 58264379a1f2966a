import { formatNumber } from '@gullwind/core';
import { useTheme } from '@mui/material';

interface Curve {
  readonly label: string;
  readonly frequencyHz: readonly number[];
  readonly levelDb: readonly number[];
  /** What the fit makes of it; null where there is none. */
  readonly fittedDb: readonly number[] | null;
}

interface Props {
  readonly curves: readonly Curve[];
  /** Measured less model, dB; each with its frequencies. */
  readonly residuals: readonly Pick<Curve, 'frequencyHz' | 'levelDb'>[];
  readonly words: string;
}

const WIDTH = 640;
const PLOT = { x: 44, y: 10, width: WIDTH - 56, height: 150 };
const BELOW = { x: 44, y: 176, width: WIDTH - 56, height: 70 };
const FROM_HZ = 40;
const TO_HZ = 20_000;
const TICKS_HZ = [50, 100, 200, 500, 1000, 2000, 5000, 10_000];

const xOf = (hz: number) =>
  PLOT.x + (PLOT.width * Math.log(hz / FROM_HZ)) / Math.log(TO_HZ / FROM_HZ);

type Frame = typeof PLOT;

const yIn =
  ({ y, height }: Frame, low: number, high: number) =>
  (db: number) =>
    y + height * (1 - (Math.min(high, Math.max(low, db)) - low) / (high - low));

const pathOf = (hz: readonly number[], db: readonly number[], y: (db: number) => number) =>
  hz.map((f, i) => `${i === 0 ? 'M' : 'L'}${xOf(f).toFixed(1)},${y(db[i]!).toFixed(1)}`).join('');

/** Measured points and the fit above, what is left between them below, on one axis of frequency. */
export function ResidualChart({ curves, residuals, words }: Props) {
  const [low, high] = rangeOf(
    curves.flatMap(({ levelDb }) => levelDb),
    6,
  );
  const most = Math.max(1, ...residuals.flatMap(({ levelDb }) => levelDb.map(Math.abs)));
  const reach = Math.ceil(Math.min(most, 40));
  const [above, below] = [yIn(PLOT, low, high), yIn(BELOW, -reach, reach)];
  return (
    <svg
      role="img"
      aria-label={words}
      viewBox={`0 0 ${WIDTH} 272`}
      style={{ width: '100%', maxWidth: WIDTH, display: 'block' }}
    >
      <Frames low={low} high={high} reach={reach} />
      {curves.map((curve, i) => (
        <Points key={curve.label} curve={curve} y={above} isSecond={i > 0} />
      ))}
      {residuals.map(({ frequencyHz, levelDb }, i) => (
        <Residual key={`${i} ${frequencyHz.length}`} {...{ frequencyHz, levelDb }} y={below} />
      ))}
    </svg>
  );
}

const rangeOf = (values: readonly number[], step: number): readonly [number, number] => {
  const there = values.filter(Number.isFinite);
  const low = Math.floor(Math.min(0, ...there) / step) * step;
  return [Math.max(-90, low), Math.max(step, Math.ceil(Math.max(...there, 0) / step) * step)];
};

function Points({
  curve: { frequencyHz, levelDb, fittedDb },
  y,
  isSecond,
}: {
  readonly curve: Curve;
  readonly y: (db: number) => number;
  readonly isSecond: boolean;
}) {
  const { chart } = useTheme();
  return (
    <g fill="none">
      {frequencyHz.map((hz, i) =>
        isSecond ? (
          <path
            key={hz}
            d={`M${xOf(hz) - 2.5} ${y(levelDb[i]!)}h5m-2.5 -2.5v5`}
            stroke={chart.ink}
          />
        ) : (
          <circle key={hz} cx={xOf(hz)} cy={y(levelDb[i]!)} r={2.4} stroke={chart.ink} />
        ),
      )}
      {fittedDb && (
        <path d={pathOf(frequencyHz, fittedDb, y)} stroke={chart.sea} strokeWidth={2.2} />
      )}
    </g>
  );
}

function Residual({
  frequencyHz,
  levelDb,
  y,
}: Pick<Curve, 'frequencyHz' | 'levelDb'> & { readonly y: (db: number) => number }) {
  const { chart } = useTheme();
  return (
    <g stroke={chart.buoy} strokeWidth={1.4}>
      {frequencyHz.map((hz, i) => (
        <path key={hz} d={`M${xOf(hz).toFixed(1)},${y(0)}V${y(levelDb[i]!).toFixed(1)}`} />
      ))}
    </g>
  );
}

function Frames({ low, high, reach }: { low: number; high: number; reach: number }) {
  const { chart } = useTheme();
  const [above, below] = [yIn(PLOT, low, high), yIn(BELOW, -reach, reach)];
  const label = { fontSize: 12.5, fill: chart.ink } as const;
  const levels = Array.from({ length: (high - low) / 6 + 1 }, (_, i) => low + 6 * i).filter(
    (_, i) => high - low <= 42 || i % 3 === 0,
  );
  return (
    <g>
      {TICKS_HZ.map((hz) => (
        <g key={hz}>
          <path
            d={`M${xOf(hz)} ${PLOT.y}V${PLOT.y + PLOT.height}M${xOf(hz)} ${BELOW.y}V${BELOW.y + BELOW.height}`}
            stroke={chart.grid}
          />
          <text x={xOf(hz)} y={264} textAnchor="middle" {...label}>
            {hz >= 1000 ? `${hz / 1000}k` : hz}
          </text>
        </g>
      ))}
      {levels.map((db) => (
        <Level key={db} y={above(db)} says={formatNumber(db, 0)} />
      ))}
      {[-reach, 0, reach].map((db) => (
        <Level key={`r${db}`} y={below(db)} says={formatNumber(db, 0)} />
      ))}
    </g>
  );
}

function Level({ y, says }: { readonly y: number; readonly says: string }) {
  const { chart } = useTheme();
  return (
    <>
      <path d={`M${PLOT.x} ${y}h${PLOT.width}`} stroke={chart.grid} />
      <text x={PLOT.x - 6} y={y + 4} textAnchor="end" fontSize={12.5} fill={chart.ink}>
        {says}
      </text>
    </>
  );
}
