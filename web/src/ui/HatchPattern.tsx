import { useTheme } from '@mui/material';

/** The hatching of exposed water, for any drawing on the page to fill with `url(#exposed-water)`. */
export function HatchPattern() {
  const { chart } = useTheme();
  return (
    <svg width={0} height={0} aria-hidden style={{ position: 'absolute' }}>
      <defs>
        <pattern
          // Where its page is hidden to print something else, others still draw with it.
          visibility="visible"
          id="exposed-water"
          width={9}
          height={9}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(32)"
        >
          <line x1={0} y1={0} x2={0} y2={9} stroke={chart.hatch} strokeWidth={1.4} />
        </pattern>
      </defs>
    </svg>
  );
}
