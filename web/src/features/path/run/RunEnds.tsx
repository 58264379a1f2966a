import { useTheme } from '@mui/material';
import { CHIP_Y, LINE_Y, shorten, type RunPart } from './runGeometry';

/** Guitar and amp, where the way begins and ends. */
export function RunEnds({ rig, layout, optionId, isSelected, onSelect }: RunPart) {
  const { chart } = useTheme();
  const ends = [
    {
      stop: { kind: 'guitar', index: 0 } as const,
      name: rig.guitar.name,
      x: layout.guitarX,
      anchor: 'start' as const,
      textX: 6,
    },
    {
      stop: { kind: 'amp', index: 0 } as const,
      name: rig.amp.name,
      x: layout.ampX,
      anchor: 'end' as const,
      textX: layout.widthPx - 6,
    },
  ];
  return ends.map(({ stop, name, x, anchor, textX }) => {
    const selected = isSelected(stop);
    return (
      <g
        key={stop.kind}
        role="option"
        id={optionId(stop)}
        aria-selected={selected}
        aria-label={`${stop.kind}, ${name}`}
        onClick={() => onSelect(stop)}
        style={{ cursor: 'pointer' }}
      >
        <title>{name}</title>
        <circle cx={x} cy={LINE_Y} r={16} fill="transparent" />
        <circle
          cx={x}
          cy={LINE_Y}
          r={8}
          fill={chart.paper}
          stroke={selected ? chart.sea : chart.ink}
          strokeWidth={selected ? 4 : 2.2}
        />
        <text
          x={textX}
          y={CHIP_Y + 1}
          textAnchor={anchor}
          fontSize={13}
          fontWeight={selected ? 600 : 400}
          fill={chart.ink}
          textDecoration={selected ? 'underline' : undefined}
          stroke={chart.paper}
          strokeWidth={3}
          paintOrder="stroke"
        >
          {shorten(name, 20)}
        </text>
      </g>
    );
  });
}
