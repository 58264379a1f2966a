import { findCable, formatStripLength, nameSpot, type StopSummary } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { selectStop } from '../model/selection';
import { LINE_Y, type RunPart } from './runGeometry';
import { RunOption } from './RunOption';
import type { GripHandlers } from './useRunDrag';

interface Props extends RunPart {
  readonly stop: StopSummary;
  readonly span: readonly [x0: number, x1: number];
  /** Which stretch it lies in: a cable in is held at its far end, a cable out at its near one. */
  readonly stretch: 'in' | 'board' | 'out';
  readonly onGrip: (id: string) => GripHandlers;
}

/** A cable between two stops, with a grip to draw it longer or shorter; or the gap where one is missing. */
export function RunCable({ stop, span: [x0, x1], stretch, onGrip, ...part }: Props) {
  const { rig, units, isSelected, onSelect } = part;
  const selection = selectStop(stop, rig)!;
  const cable = stop.role === 'gap' ? undefined : findCable(rig, stop.spot.id);
  const selected = isSelected(selection);
  const what = cable
    ? `${cable.name}, ${formatStripLength(cable.lengthM.value, units)}`
    : 'missing';
  const gripX = stretch === 'in' ? x1 : stretch === 'out' ? x0 : (x0 + x1) / 2;
  return (
    <RunOption {...part} stop={selection} label={`${nameSpot(rig, stop.spot)}, ${what}`}>
      <g onClick={() => onSelect(selection)} style={{ cursor: 'pointer' }}>
        <CableLine x0={x0} x1={x1} isThere={cable !== undefined} selected={selected} />
        {cable && (stretch !== 'board' || selected) && (
          <Grip x={gripX} selected={selected} handlers={onGrip(cable.id)} />
        )}
      </g>
    </RunOption>
  );
}

interface LineProps {
  readonly x0: number;
  readonly x1: number;
  readonly isThere: boolean;
  readonly selected: boolean;
}

function CableLine({ x0, x1, isThere, selected }: LineProps) {
  const { chart } = useTheme();
  return (
    <>
      <line x1={x0} x2={x1} y1={LINE_Y} y2={LINE_Y} stroke="transparent" strokeWidth={18} />
      <line
        x1={x0}
        x2={x1}
        y1={LINE_Y}
        y2={LINE_Y}
        stroke={isThere ? (selected ? chart.sea : chart.ink) : chart.buoy}
        strokeWidth={selected ? 5 : 2.4}
        strokeDasharray={isThere ? undefined : '2 5'}
      />
      {!isThere && (
        <text
          x={(x0 + x1) / 2}
          y={LINE_Y + 17}
          textAnchor="middle"
          fontSize={12.5}
          fill={chart.buoy}
        >
          no cable
        </text>
      )}
    </>
  );
}

interface GripProps {
  readonly x: number;
  readonly selected: boolean;
  readonly handlers: GripHandlers;
}

function Grip({ x, selected, handlers }: GripProps) {
  const { chart } = useTheme();
  const fill = selected ? chart.sea : chart.paper;
  return (
    <g data-grip="" {...handlers} style={{ cursor: 'ew-resize', touchAction: 'none' }}>
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
