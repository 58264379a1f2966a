import { formatNumber } from '@gullwind/core';
import { useTheme } from '@mui/material';
import {
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { memo } from 'react';
import { CHART_GRID, levelTicks } from './model/curvePoints';
import { MovingCurves } from './MovingCurves';
import { PointReading } from './PointReading';

const HZ_TICKS = [50, 100, 200, 500, 1000, 2000, 5000, 10000];
/** Open strings and the same notes octaves up: what a player has in the ear. */
const NOTE_TICKS: readonly (readonly [number, string])[] = [
  [82.41, 'E2'],
  [164.81, 'E3'],
  [329.63, 'E4'],
  [659.26, 'E5'],
  [1318.5, 'E6'],
  [2637, 'E7'],
  [5274, 'E8'],
];
const NOTES = NOTE_TICKS.map(([f]) => f);
const HZ_RANGE: [number, number] = [40, 20000];
const MARGIN = { top: 18, right: 14, bottom: 0, left: -8 };

/** What the pointer finds: a place on the grid. What stands there is read from the curves. */
const PLACES = CHART_GRID.map(({ f }) => ({ f, level: 0 }));

const sayHz = (hz: number): string =>
  hz >= 1000 ? `${formatNumber(hz / 1000, 2)}k` : formatNumber(hz, 0);
const sayNote = (hz: number): string => NOTE_TICKS.find(([f]) => f === hz)?.[1] ?? '';
const sayDb = (db: number): string => formatNumber(db, 0);

interface Props {
  readonly low: number;
  readonly high: number;
}

/** Axes, grid and marks, drawn once for a range of levels; the curves in it move by themselves. */
export const ChartFrame = memo(function ChartFrame({ low, high }: Props) {
  const { chart } = useTheme();
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart data={PLACES} margin={MARGIN} accessibilityLayer={false}>
        <ReferenceArea
          xAxisId="hz"
          x1={2000}
          x2={8000}
          fill={chart.sea}
          fillOpacity={0.09}
          ifOverflow="hidden"
          label={{ value: 'treble', position: 'insideTop', fill: chart.faint, fontSize: 12.5 }}
        />
        <CartesianGrid stroke={chart.grid} xAxisId="hz" />
        <Axes low={low} high={high} />
        <Line
          xAxisId="hz"
          dataKey="level"
          stroke="none"
          dot={false}
          activeDot={false}
          isAnimationActive={false}
        />
        <Tooltip isAnimationActive={false} content={PointReading} />
        <MovingCurves />
      </ComposedChart>
    </ResponsiveContainer>
  );
});

const FREQUENCY = {
  dataKey: 'f',
  type: 'number',
  scale: 'log',
  domain: HZ_RANGE,
  allowDataOverflow: true,
  interval: 0,
} as const;

/** Hertz below, notes above, levels at the side. */
function Axes({ low, high }: Props) {
  const { chart } = useTheme();
  const axis = {
    stroke: chart.faint,
    tick: { fill: chart.ink, fontSize: 12.5 },
    tickLine: false,
  } as const;
  const frequency = { ...axis, ...FREQUENCY };
  return (
    <>
      <XAxis {...frequency} xAxisId="hz" ticks={HZ_TICKS} tickFormatter={sayHz} height={24} />
      <XAxis
        {...frequency}
        xAxisId="notes"
        orientation="top"
        ticks={NOTES}
        tickFormatter={sayNote}
        height={18}
        axisLine={false}
      />
      <YAxis
        {...axis}
        type="number"
        domain={[low, high]}
        ticks={levelTicks(low, high)}
        allowDataOverflow
        width={48}
        tickFormatter={sayDb}
      />
    </>
  );
}
