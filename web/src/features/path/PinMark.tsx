import { useTheme } from '@mui/material';

/** Dash patterns of pinned curves: told apart without colour. */
export const PIN_DASHES = ['9 3', '2 3', '9 3 2 3', '14 4 2 4 2 4'] as const;

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
        stroke={chart.buoy}
        strokeWidth={1.8}
        strokeDasharray={PIN_DASHES[index]}
      />
    </svg>
  );
}
