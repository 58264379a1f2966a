import { useTheme } from '@mui/material';
import { CHIP_Y, LINE_Y, shorten, type RunPart } from './runGeometry';
import { RunOption } from './RunOption';

const MOST_CHARACTERS = 20;
const EDGE_PX = 6;

/** The guitar or the amp, where the way begins or ends. */
export function RunEnd({ end, ...part }: RunPart & { readonly end: 'guitar' | 'amp' }) {
  const { rig, layout, isSelected, onSelect } = part;
  const { chart } = useTheme();
  const stop = { kind: end, index: 0 } as const;
  const { name } = rig[end];
  const selected = isSelected(stop);
  const x = end === 'guitar' ? layout.guitarX : layout.ampX;
  return (
    <RunOption {...part} stop={stop} label={`${end}, ${name}`}>
      <g onClick={() => onSelect(stop)} style={{ cursor: 'pointer' }}>
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
          x={end === 'guitar' ? EDGE_PX : layout.widthPx - EDGE_PX}
          y={CHIP_Y + 1}
          textAnchor={end === 'guitar' ? 'start' : 'end'}
          fontSize={13}
          fontWeight={selected ? 600 : 400}
          fill={chart.ink}
          textDecoration={selected ? 'underline' : undefined}
          stroke={chart.paper}
          strokeWidth={3}
          paintOrder="stroke"
        >
          {shorten(name, MOST_CHARACTERS)}
        </text>
      </g>
    </RunOption>
  );
}
