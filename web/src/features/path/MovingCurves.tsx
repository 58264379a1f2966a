import { useTheme } from '@mui/material';
import { useContext, useId, useMemo } from 'react';
import { usePlotArea, useXAxisScale, useYAxisScale } from 'recharts';
import type { CurvePoint } from './model/curvePoints';
import { DrawnContext, type Drawn } from './drawn';
import { pinDashes, pinInk } from './PinMark';

type Level = (point: CurvePoint) => number | null | undefined;
type Range = (point: CurvePoint) => readonly [number, number] | undefined;

/** The curves, as plain paths on the axes of the chart: they follow the hand. */
export function MovingCurves() {
  const { points, shows } = useContext(DrawnContext);
  const draw = usePaths(points);
  const plot = usePlotArea();
  const clip = useId();
  if (!draw || !plot) return null;
  return (
    <g clipPath={`url(#${clip})`} fill="none" pointerEvents="none">
      <clipPath id={clip}>
        <rect {...plot} />
      </clipPath>
      <Bands draw={draw} shows={shows} />
      <Lines draw={draw} shows={shows} />
    </g>
  );
}

interface DrawProps {
  readonly draw: NonNullable<ReturnType<typeof usePaths>>;
  readonly shows: Drawn['shows'];
}

/** What all states, or all tolerances, reach. */
function Bands({ draw, shows }: DrawProps) {
  const { chart } = useTheme();
  return (
    <>
      {shows.band && (
        <path
          data-curve="band"
          d={draw.area((at) => at.band)}
          fill={chart.sea}
          fillOpacity={0.22}
        />
      )}
      {shows.tolerance && (
        <path
          data-curve="tolerance"
          d={draw.area((at) => at.tolerance)}
          fill={chart.buoy}
          fillOpacity={0.18}
        />
      )}
    </>
  );
}

/** Straight in, the pins, and now on top of them. */
function Lines({ draw, shows }: DrawProps) {
  const { chart } = useTheme();
  return (
    <>
      <path
        data-curve="reference"
        d={draw.line((at) => at.reference)}
        stroke={chart.faint}
        strokeWidth={1.6}
        strokeDasharray="6 4"
      />
      {shows.pins.map(({ id }, k) => (
        <path
          key={id}
          data-curve="pin"
          d={draw.line((at) => at.pins?.[k])}
          stroke={pinInk(chart, k)}
          strokeWidth={1.8}
          strokeDasharray={pinDashes(k)}
        />
      ))}
      <path
        data-curve="now"
        d={draw.line((at) => at.now)}
        stroke={chart.sea}
        strokeWidth={2.6}
        strokeLinejoin="round"
      />
    </>
  );
}

/** How levels become paths on the axes as they stand; null before there are any. */
function usePaths(points: readonly CurvePoint[]) {
  const [x, y] = [useXAxisScale('hz'), useYAxisScale()];
  return useMemo(() => {
    if (!x || !y) return null;
    const place = (f: number, db: number) => `${x(f)!.toFixed(1)},${y(db)!.toFixed(1)}`;
    const line = (level: Level): string =>
      joined(
        points
          .map((at) => [at.f, level(at)] as const)
          .filter(isThere)
          .map((at) => place(...at)),
      );
    const area = (range: Range): string => {
      const there = points.flatMap((at) => (range(at) ? [{ f: at.f, range: range(at)! }] : []));
      const lower = there.map((at) => place(at.f, at.range[0]));
      const upper = there.map((at) => place(at.f, at.range[1])).reverse();
      return joined([...lower, ...upper], 'Z');
    };
    return { line, area };
  }, [points, x, y]);
}

const isThere = (
  at: readonly [number, number | null | undefined],
): at is readonly [number, number] => at[1] !== null && at[1] !== undefined;

const joined = (places: readonly string[], end = ''): string =>
  places.length === 0 ? '' : `M${places.join('L')}${end}`;
