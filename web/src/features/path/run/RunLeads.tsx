import { formatQuantity, nameLead } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { PointerEvent } from 'react';
import { LINE_Y, type RunPart } from './runGeometry';

interface Props extends RunPart {
  readonly onGrip: (index: number, event: PointerEvent) => void;
}

const BREAK_WAVE = 6;

/** The leads between the stops, each with a grip to draw it longer or shorter, and the scale breaks. */
export function RunLeads({ rig, layout, units, optionId, isSelected, onSelect, onGrip }: Props) {
  const { chart } = useTheme();
  const count = rig.devices.length;
  return (
    <>
      {rig.leads.map((lead, index) => {
        const stop = { kind: 'lead', index } as const;
        const [x0, x1] = layout.leadX[index]!;
        const selected = isSelected(stop);
        const length = formatQuantity(lead.lengthM.value, 'length', units);
        return (
          <g
            key={lead.id}
            role="option"
            id={optionId(stop)}
            aria-selected={selected}
            aria-label={`${nameLead(rig, index)}, ${lead.name}, ${length}`}
            onClick={() => onSelect(stop)}
            style={{ cursor: 'pointer' }}
          >
            <line x1={x0} x2={x1} y1={LINE_Y} y2={LINE_Y} stroke="transparent" strokeWidth={18} />
            <line
              x1={x0}
              x2={x1}
              y1={LINE_Y}
              y2={LINE_Y}
              stroke={selected ? chart.sea : chart.ink}
              strokeWidth={selected ? 5 : 2.4}
            />
            <Grip
              x={gripX(x0, x1, index, count)}
              selected={selected}
              outer={index === 0 || index === count}
              onPointerDown={(event) => onGrip(index, event)}
            />
          </g>
        );
      })}
      {count > 0 && (
        <g aria-hidden>
          <ScaleBreak from={layout.leadX[0]![1]} to={layout.deviceX[0]!} />
          <ScaleBreak from={layout.deviceX[count - 1]!} to={layout.leadX[count]![0]} />
        </g>
      )}
    </>
  );
}

/** A lead in is held at its far end, a lead out at its near one, a patch in the middle. */
function gripX(x0: number, x1: number, index: number, count: number): number {
  if (index === 0) return x1;
  return index === count ? x0 : (x0 + x1) / 2;
}

function Grip({
  x,
  selected,
  outer,
  onPointerDown,
}: {
  x: number;
  selected: boolean;
  outer: boolean;
  onPointerDown: (event: PointerEvent) => void;
}) {
  const { chart } = useTheme();
  if (!outer && !selected) return null;
  return (
    <g data-grip="" onPointerDown={onPointerDown} style={{ cursor: 'ew-resize' }}>
      <rect x={x - 10} y={LINE_Y - 15} width={20} height={30} fill="transparent" />
      <rect
        x={x - 3}
        y={LINE_Y - 9}
        width={6}
        height={18}
        rx={3}
        fill={selected ? chart.sea : chart.paper}
        stroke={chart.ink}
        strokeWidth={1.4}
      />
    </g>
  );
}

/** Here the drawing is not to scale: the lead is one, the drawing of it is cut. */
function ScaleBreak({ from, to }: { from: number; to: number }) {
  const { chart } = useTheme();
  const quarter = (to - from) / 4;
  const d = `M${from} ${LINE_Y} q${quarter / 2} ${-BREAK_WAVE * 2} ${quarter} 0 t${quarter} 0 t${quarter} 0 t${quarter} 0`;
  return <path d={d} fill="none" stroke={chart.ink} strokeWidth={1.3} strokeDasharray="3 3" />;
}
