import { formatQuantity, type Standing, type UnitSystem } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { SOUNDING_FONT } from '../../../app/theme';
import { rectOn, type Projection, type Side } from '../model/projection';

interface Props {
  readonly standing: Standing;
  readonly on: Projection;
  readonly side: Side;
  readonly units: UnitSystem;
  /** Of its foot-switches, in order. */
  readonly numbers: readonly (number | undefined)[];
  readonly isSelected: boolean;
  readonly id: string;
  /** What makes it draggable. */
  readonly grip: object;
}

const PX_PER_LETTER = 6.9;

/** As many lines as it takes, shortened where even one word is too wide. */
function linesOf(name: string, width: number): readonly string[] {
  const most = Math.max(2, Math.floor(width / PX_PER_LETTER));
  const lines: string[] = [];
  for (const word of name.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  const cut = (line: string) => (line.length <= most ? line : `${line.slice(0, most - 1)}…`);
  return lines.length <= 2
    ? lines.map(cut)
    : [cut(lines[0]!), `${cut(lines[1]!).slice(0, most - 1)}…`];
}

const sayCase = (standing: Standing, units: UnitSystem): string => {
  const { widthM, depthM } = standing.thing.body;
  const size = (m: number) => formatQuantity(m, 'size', units, 2).split('\u00a0')[0]!;
  return `${size(widthM.value)} × ${size(depthM.value)}`;
};

/** A case as a quay: a line drawing with words. What lies on the other side of the board is dashed. */
export function CaseShape(props: Props) {
  const { standing, on, side, units, numbers, isSelected, id, grip } = props;
  const { thing, switches } = standing;
  const isBehind = (standing.layer === 'under') !== (side === 'below');
  return (
    <g
      id={id}
      role="option"
      aria-selected={isSelected}
      aria-label={`${thing.name}, ${sayCase(standing, units)}`}
      data-thing={thing.id}
      opacity={isBehind ? 0.6 : 1}
      style={{ cursor: 'grab', touchAction: 'none' }}
      {...grip}
    >
      <Outline {...props} isBehind={isBehind} />
      <Words {...props} isBehind={isBehind} />
      {switches.map((at, i) => (
        <Switch key={i} at={on.toPage(at)} number={numbers[i]} />
      ))}
    </g>
  );
}

interface SideProps extends Props {
  /** On the other side of the board. */
  readonly isBehind: boolean;
}

function Outline({ standing, on, isSelected, isBehind }: SideProps) {
  const { chart } = useTheme();
  const box = rectOn(on, standing.rect);
  return (
    <>
      <rect
        {...box}
        fill={isBehind ? 'none' : chart.paper}
        stroke={isSelected ? chart.sea : chart.ink}
        strokeWidth={isSelected ? 3.2 : 1.6}
        strokeDasharray={isBehind ? '6 4' : undefined}
        pointerEvents="all"
      />
      {!isBehind && box.width > 20 && (
        <rect
          x={box.x + 3.5}
          y={box.y + 3.5}
          width={box.width - 7}
          height={Math.max(0, box.height - 7)}
          fill="none"
          stroke={chart.faint}
          strokeWidth={0.8}
          strokeDasharray={standing.thing.isAssumed ? '2 3' : undefined}
        />
      )}
    </>
  );
}

/** Its name, its size, and what lifts it. */
function Words({ standing, on, units, isBehind }: SideProps) {
  const { chart } = useTheme();
  const box = rectOn(on, standing.rect);
  const { riserM } = standing.placement;
  const middle = box.x + box.width / 2;
  const lines = box.width < LEAST_NAMED_PX ? [] : linesOf(standing.thing.name, box.width - 8);
  // What is on the other side is named in its middle: at its head lies what is on this side.
  const nameY = isBehind ? box.y + box.height / 2 : box.y + 19;
  return (
    <>
      {lines.map((line, i) => (
        <text key={i} x={middle} y={nameY + i * 14} {...NAME} fill={chart.ink}>
          {line}
        </text>
      ))}
      {box.height > 62 && box.width > 58 && (
        <text x={middle} y={nameY + 1 + lines.length * 14} {...SIZE} fill={chart.faint}>
          {sayCase(standing, units)}
        </text>
      )}
      {riserM > 0 && (
        <text x={box.x + 6} y={box.y + box.height - 7} fontSize={11} fill={chart.faint}>
          {`+${formatQuantity(riserM, 'size', units)}`}
        </text>
      )}
    </>
  );
}

/** In less there is only room for the number of its switch. */
const LEAST_NAMED_PX = 46;

const NAME = { textAnchor: 'middle', fontSize: 13, fontWeight: 600 } as const;
const SIZE = {
  textAnchor: 'middle',
  fontSize: 12,
  fontFamily: SOUNDING_FONT,
  fontStyle: 'italic',
} as const;

function Switch({ at, number }: { at: { x: number; y: number }; number: number | undefined }) {
  const { chart } = useTheme();
  return (
    <>
      <circle cx={at.x} cy={at.y} r={8.5} fill={chart.paper} stroke={chart.ink} strokeWidth={1.5} />
      {number !== undefined && (
        <text
          x={at.x}
          y={at.y + 4}
          textAnchor="middle"
          fontSize={11.5}
          fontWeight={600}
          fill={chart.ink}
        >
          {number}
        </text>
      )}
    </>
  );
}
