import { useTheme } from '@mui/material';
import type { ChartInk } from '../../app/theme';

/** Dash patterns of pinned curves: told apart without colour. */
const DASHES = ['9 3', '2 3', '9 3 2 3', '14 4 2 4 2 4', '5 2', '18 3 3 3'] as const;
export const pinDashes = (index: number): string => DASHES[index % DASHES.length]!;

/** In turn, so that two beside each other are told apart by more than their dashes. */
export const pinInk = ({ buoy, ink }: ChartInk, index: number): string =>
  index % 2 === 0 ? buoy : ink;

/** A short piece of a pin's curve, as a key to the chart. */
export function PinMark({ index }: { readonly index: number }) {
  const { chart } = useTheme();
  return (
    <svg width={30} height={10} aria-hidden>
      <line
        x1={0}
        x2={30}
        y1={5}
        y2={5}
        stroke={pinInk(chart, index)}
        strokeWidth={1.8}
        strokeDasharray={pinDashes(index)}
      />
    </svg>
  );
}
