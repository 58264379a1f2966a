import {
  DRAW_GRID,
  ENVELOPE_EVERY,
  formatNumber,
  formatQuantity,
  sayStraightIn,
  type Tolerance,
} from '@gullwind/core';
import { Box, Button, useTheme } from '@mui/material';
import { memo, useMemo, useState } from 'react';
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { useSettings } from '../../app/useSettings';
import type { Analysed } from '../../workers/useAnalysis';
import type { AnalysedStates } from '../../workers/useStates';
import { CurveKey, type PinnedCurve, type Shows } from './CurveKey';
import { PIN_DASHES, pinInk } from './PinMark';
import { ResponseTable } from './ResponseTable';

interface CurvePoint {
  readonly f: number;
  readonly reference: number;
  readonly now: number | null;
  /** Lowest and highest level over all counted states. */
  readonly band?: readonly [number, number];
  /** 5 and 95 % of what it may be within the tolerances. */
  readonly tolerance?: readonly [number, number];
  /** Levels of the pins, in their order. */
  readonly pins?: readonly (number | null)[];
}

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
const Y_STEP = 6;
const FROM_HZ = 40;
/** One point further out, so that a line begins at the frame. */
const LEFTMOST_HZ = 37;
const TO_HZ = 20000;

const sayHz = (hz: number): string =>
  hz >= 1000 ? `${formatNumber(hz / 1000, 2)}k` : formatNumber(hz, 0);
const sayPoint = (point: CurvePoint | undefined): string =>
  point ? formatQuantity(point.f, 'frequency', 'metric') : '';
const sayNote = (hz: number): string => NOTE_TICKS.find(([f]) => f === hz)?.[1] ?? '';

interface Props {
  readonly analysed: Analysed | null;
  /** Where the envelope of all states is to be drawn. */
  readonly states: AnalysedStates | null;
  readonly pins: readonly PinnedCurve[];
  readonly tolerance: Tolerance | null;
  /** What the curve is called: "now" unless named. */
  readonly nowName?: string;
}

/** Level over frequency, straight in and now: hertz below, notes above. A table of it is one press away. */
export const ResponseChart = memo(function ResponseChart(props: Props) {
  const { analysed, states, pins, tolerance, nowName = 'now' } = props;
  const [asTable, setAsTable] = useState(false);
  const points = useMemo(
    () => curvePoints({ analysed, states, pins, tolerance }),
    [analysed, states, pins, tolerance],
  );
  const [{ units }] = useSettings();
  const straightIn = analysed ? sayStraightIn(analysed.rig, units) : 'straight in';
  const [hasBand, hasTolerance] = [states !== null, tolerance !== null];
  const shows = useMemo(
    () => ({ band: hasBand, tolerance: hasTolerance, pins, now: nowName, straightIn }),
    [hasBand, hasTolerance, pins, nowName, straightIn],
  );
  return (
    <Box
      component="section"
      aria-label="Response"
      sx={{
        position: 'relative',
        minWidth: 0,
        height: { xs: 340, lg: 'auto' },
        minHeight: 0,
        gridColumn: { md: 'span 2', lg: 'auto' },
        p: 1,
      }}
    >
      <Button
        size="small"
        color="inherit"
        aria-pressed={asTable}
        onClick={() => setAsTable(!asTable)}
        sx={{ position: 'absolute', right: 8, top: 2, zIndex: 1, py: 0 }}
      >
        {asTable ? 'Curve' : 'Table'}
      </Button>
      {asTable ? <ResponseTable points={points} /> : <Curves points={points} shows={shows} />}
    </Box>
  );
});

function curvePoints({ analysed, states, pins, tolerance }: Props): readonly CurvePoint[] {
  if (!analysed || analysed.analysis.kind === 'silent') return [];
  const { analysis } = analysed;
  const points: CurvePoint[] = [];
  const envelope = states?.states.kind === 'states' ? states.states.envelope : null;
  // The envelope's points, twelve an octave, are plenty for a line as well.
  for (let k = 0, i = 0; i < DRAW_GRID.frequencyHz.length; k++, i += ENVELOPE_EVERY) {
    if (DRAW_GRID.frequencyHz[i]! < LEFTMOST_HZ) continue;
    points.push({
      f: DRAW_GRID.frequencyHz[i]!,
      reference: analysis.referenceDb[i]!,
      now: analysis.kind === 'sounding' ? analysis.nowDb[i]! : null,
      ...(envelope ? { band: [envelope.lowDb[k]!, envelope.highDb[k]!] as const } : {}),
      ...(tolerance
        ? { tolerance: [tolerance.curve.lowDb[k]!, tolerance.curve.highDb[k]!] as const }
        : {}),
      ...(pins.length > 0 ? { pins: pins.map(({ nowDb }) => nowDb?.[i] ?? null) } : {}),
    });
  }
  return points;
}

const MARGIN = { top: 18, right: 14, bottom: 0, left: -8 };
const NOTES = NOTE_TICKS.map(([f]) => f);
const HZ_RANGE: [number, number] = [FROM_HZ, TO_HZ];
const sayDb = (db: number): string => formatNumber(db, 0);

function Curves({ points, shows }: { points: readonly CurvePoint[]; shows: Shows }) {
  const [low, high] = levelRange(points);
  // The same elements as long as the frame stands still: only the data moves with the hand.
  const frame = useMemo(() => <Frame low={low} high={high} shows={shows} />, [low, high, shows]);
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column' }}>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={points as CurvePoint[]} margin={MARGIN} accessibilityLayer={false}>
            {frame}
          </ComposedChart>
        </ResponsiveContainer>
      </Box>
      <CurveKey shows={shows} />
    </Box>
  );
}

const LINE = { dot: false, isAnimationActive: false, type: 'linear', xAxisId: 'hz' } as const;

const BAND = {
  xAxisId: 'hz',
  type: 'linear',
  stroke: 'none',
  isAnimationActive: false,
  activeDot: false,
  tooltipType: 'none',
} as const;

/** Axes, grid and the look of the curves. */
function Frame({ low, high, shows }: { low: number; high: number; shows: Shows }) {
  const { chart } = useTheme();
  return (
    <>
      <ReferenceArea
        xAxisId="hz"
        x1={2000}
        x2={8000}
        fill={chart.sea}
        fillOpacity={0.09}
        ifOverflow="hidden"
        label={{ value: 'treble', position: 'insideTop', fill: chart.faint, fontSize: 12.5 }}
      />
      {shows.band && (
        <Area {...BAND} dataKey="band" name="over all states" fill={chart.sea} fillOpacity={0.22} />
      )}
      {shows.tolerance && (
        <Area {...BAND} dataKey="tolerance" name="tolerance" fill={chart.buoy} fillOpacity={0.18} />
      )}
      <CartesianGrid stroke={chart.grid} xAxisId="hz" />
      <Axes low={low} high={high} />
      <Tooltip
        isAnimationActive={false}
        // With two axes the label may be the other one's: the point itself knows its frequency.
        labelFormatter={(_label, shown) => sayPoint(shown[0]?.payload as CurvePoint | undefined)}
        formatter={(db) => `${formatNumber(Number(db), 2)} dB`}
        contentStyle={{ background: chart.paper, border: `1px solid ${chart.faint}`, fontSize: 13 }}
      />
      <Lines shows={shows} />
    </>
  );
}

const FREQUENCY = {
  dataKey: 'f',
  type: 'number',
  scale: 'log',
  domain: HZ_RANGE,
  allowDataOverflow: true,
  interval: 0,
} as const;

/** Hertz below, notes above, levels at the side. */
function Axes({ low, high }: { low: number; high: number }) {
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

/** Straight in, the pins, and now on top of them. */
function Lines({ shows }: { shows: Shows }) {
  const { chart } = useTheme();
  return (
    <>
      <Line
        {...LINE}
        dataKey="reference"
        name={shows.straightIn}
        stroke={chart.faint}
        strokeWidth={1.6}
        strokeDasharray="6 4"
      />
      {shows.pins.map(({ id, name }, k) => (
        <Line
          key={id}
          {...LINE}
          dataKey={(point: CurvePoint) => point.pins?.[k] ?? null}
          name={name}
          stroke={pinInk(chart, k)}
          strokeWidth={1.8}
          strokeDasharray={PIN_DASHES[k]!}
        />
      ))}
      <Line {...LINE} dataKey="now" name={shows.now} stroke={chart.sea} strokeWidth={2.6} />
    </>
  );
}

/** Whole steps around everything between 40 Hz and 12 kHz, so that the frame stands still while a hand moves. */
function levelRange(points: readonly CurvePoint[]): readonly [number, number] {
  let low = -2 * Y_STEP;
  let high = Y_STEP;
  for (const { f, reference, now, band, pins = [] } of points) {
    if (f < 40 || f > 12000) continue;
    const levels = [reference, now ?? reference, ...pins.map((db) => db ?? reference)];
    low = Math.min(low, band?.[0] ?? reference, ...levels);
    high = Math.max(high, band?.[1] ?? reference, ...levels);
  }
  return [Math.max(-60, Math.floor(low / Y_STEP) * Y_STEP), Math.ceil(high / Y_STEP) * Y_STEP];
}

function levelTicks(low: number, high: number): number[] {
  const step = high - low > 8 * Y_STEP ? 2 * Y_STEP : Y_STEP;
  return Array.from(
    { length: Math.floor((high - low) / step) + 1 },
    (_, k) => high - k * step,
  ).reverse();
}
