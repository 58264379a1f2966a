import { formatQuantity, type FieldRule, type UnitSystem } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../app/theme';

interface Props {
  readonly quantity: FieldRule['quantity'];
  readonly units: UnitSystem;
  readonly values: readonly number[];
  readonly median: number | null;
  /** What the model leads one to expect; null where nothing does. */
  readonly expected: number | null;
}

const WIDTH = 330;
const HEIGHT = 150;
const LINE_X = 150;
const TOP = 20;
const BOTTOM = HEIGHT - 16;
/** Beside each other in one row. */
const IN_ROW = 9;

/** Readings as soundings on a plumb line: the larger the deeper, and what was expected across it. */
export function PlumbLine({ quantity, units, values, median, expected }: Props) {
  const { chart } = useTheme();
  const there = values.filter(Number.isFinite);
  const mark = expected !== null && Number.isFinite(expected) ? expected : null;
  const all = mark === null ? there : [...there, mark];
  if (all.length === 0) return null;
  const at = scaleOf(all);
  const say = (value: number) => formatQuantity(value, quantity, units, 4);
  const words = `${there.length} readings: ${there.map(say).join(', ')}${mark === null ? '' : `; expected ${say(mark)}`}`;
  return (
    <svg
      role="img"
      aria-label={words}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      style={{ maxWidth: '100%' }}
    >
      <path d={`M${LINE_X} 6V${HEIGHT - 12}`} stroke={chart.ink} strokeWidth={1.2} />
      <path d={`M${LINE_X - 5} ${HEIGHT - 13}h10l-5 12z`} fill={chart.ink} />
      {mark !== null && <Expected y={at(mark)} says={say(mark)} />}
      {there.map((value, i) => (
        <circle
          key={`${i} ${value}`}
          cx={LINE_X + 14 + 9 * (i % IN_ROW)}
          cy={at(value)}
          r={3.2}
          fill="none"
          stroke={chart.ink}
          strokeWidth={1.4}
        />
      ))}
      {median !== null && Number.isFinite(median) && (
        <text
          x={LINE_X + 22 + 9 * Math.min(IN_ROW, there.length)}
          y={at(median) + 5}
          fontFamily={SOUNDING_FONT}
          fontStyle="italic"
          fontSize={18}
          fill={chart.ink}
        >
          {say(median)}
        </text>
      )}
    </svg>
  );
}

function Expected({ y, says }: { readonly y: number; readonly says: string }) {
  const { chart } = useTheme();
  return (
    <>
      <path d={`M10 ${y}H${LINE_X + 10}`} stroke={chart.sea} strokeDasharray="5 4" />
      <text x={10} y={y - 4} fontSize={12.5} fill={chart.sea}>
        expected {says}
      </text>
    </>
  );
}

function scaleOf(all: readonly number[]): (value: number) => number {
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const room = (high - low || Math.abs(high) || 1) * 0.25;
  return (value) => TOP + ((value - (low - room)) / (high - low + 2 * room)) * (BOTTOM - TOP);
}
