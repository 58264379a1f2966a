import type { RigListing } from '@gullwind/contract';
import { useTheme } from '@mui/material';

const WIDTH = 420;
const HEIGHT = 46;
const HALF_PX = 15;

/** A rig's thread in small: its width is the treble left, exposed water hatched. */
export function MiniRun({ rig }: { rig: RigListing }) {
  const { chart } = useTheme();
  const totalM = rig.points.at(-1)?.[0] ?? 0;
  if (totalM === 0) return null;
  const x = (metres: number) => 6 + (metres / totalM) * (WIDTH - 12);
  const edge = (sign: 1 | -1) =>
    rig.points.map(([atM, trebleDb]) => {
      const half = Math.min(HEIGHT / 2 - 1, Math.max(1, HALF_PX * 10 ** (trebleDb / 20)));
      return `${x(atM).toFixed(1)},${(HEIGHT / 2 + sign * half).toFixed(1)}`;
    });
  let fromM = 0;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label="Treble left along the way"
      style={{ maxWidth: '100%' }}
    >
      {rig.sections.map((section) => {
        const [x0, x1] = [x(fromM), x(fromM + section.cableM)];
        fromM += section.cableM;
        return (
          <rect
            key={section.driver}
            x={x0}
            width={Math.max(0, x1 - x0)}
            y={0}
            height={HEIGHT}
            fill={section.exposed ? 'url(#exposed-water)' : chart.shelter}
          />
        );
      })}
      <polygon points={[...edge(-1), ...edge(1).reverse()].join(' ')} fill={chart.sea} />
    </svg>
  );
}
