import { formatQuantity, nameLead } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { PointerEvent } from 'react';
import { LINE_Y, type RunPart } from './runGeometry';
import { RunOption } from './RunOption';

interface Props extends RunPart {
  readonly index: number;
  readonly onGrip: (index: number, event: PointerEvent) => void;
}

/** A lead between two stops, with a grip to draw it longer or shorter. */
export function RunLead({ index, onGrip, ...part }: Props) {
  const { rig, layout, units, isSelected, onSelect } = part;
  const { chart } = useTheme();
  const stop = { kind: 'lead', index } as const;
  const lead = rig.leads[index]!;
  const [x0, x1] = layout.leadX[index]!;
  const selected = isSelected(stop);
  const length = formatQuantity(lead.lengthM.value, 'length', units);
  const isOuter = index === 0 || index === rig.devices.length;
  return (
    <RunOption {...part} stop={stop} label={`${nameLead(rig, index)}, ${lead.name}, ${length}`}>
      <g onClick={() => onSelect(stop)} style={{ cursor: 'pointer' }}>
        <line x1={x0} x2={x1} y1={LINE_Y} y2={LINE_Y} stroke="transparent" strokeWidth={18} />
        <line
          x1={x0}
          x2={x1}
          y1={LINE_Y}
          y2={LINE_Y}
          stroke={selected ? chart.sea : chart.ink}
          strokeWidth={selected ? 5 : 2.4}
        />
        {(isOuter || selected) && (
          <Grip
            x={gripX(x0, x1, index, rig.devices.length)}
            selected={selected}
            onPointerDown={(event) => onGrip(index, event)}
          />
        )}
      </g>
    </RunOption>
  );
}

/** A lead in is held at its far end, a lead out at its near one, a patch in the middle. */
function gripX(x0: number, x1: number, index: number, count: number): number {
  if (index === 0) return x1;
  return index === count ? x0 : (x0 + x1) / 2;
}

interface GripProps {
  readonly x: number;
  readonly selected: boolean;
  readonly onPointerDown: (event: PointerEvent) => void;
}

function Grip({ x, selected, onPointerDown }: GripProps) {
  const { chart } = useTheme();
  const fill = selected ? chart.sea : chart.paper;
  return (
    <g data-grip="" onPointerDown={onPointerDown} style={{ cursor: 'ew-resize' }}>
      <rect x={x - 10} y={LINE_Y - 15} width={20} height={30} fill="transparent" />
      <rect
        x={x - 3}
        y={LINE_Y - 9}
        width={6}
        height={18}
        rx={3}
        fill={fill}
        stroke={chart.ink}
        strokeWidth={1.4}
      />
    </g>
  );
}
