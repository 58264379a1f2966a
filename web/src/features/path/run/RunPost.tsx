import {
  formatSignedDb,
  hasSwitch,
  isEngaged,
  type Analysis,
  type Device,
  type Rig,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { PointerEvent } from 'react';
import type { NameLabel } from './nameLabels';
import { CHIP_RADIUS, LINE_Y, type RunPart } from './runGeometry';
import { RunOption } from './RunOption';

interface Props extends RunPart {
  readonly index: number;
  readonly analysis: Analysis | null;
  readonly label: NameLabel;
  readonly chipY: number;
  readonly onGrip: (index: number, event: PointerEvent) => void;
  readonly onStamp: (index: number) => void;
}

/** A device as a post on the line: a name to select and drag, a number to stamp. */
export function RunPost({ index, analysis, label, chipY, onGrip, onStamp, ...part }: Props) {
  const { rig, layout, isSelected, onSelect } = part;
  const { chart } = useTheme();
  const device = rig.devices[index]!;
  const stop = { kind: 'device', index } as const;
  const x = layout.deviceX[index]!;
  const selected = isSelected(stop);
  const drives = analysis?.sections.some(({ driver }) => driver === index) === true;
  const ink = selected ? chart.sea : chart.ink;
  return (
    <RunOption {...part} stop={stop} label={sayDevice(rig, device, index, analysis)}>
      <g
        onClick={() => onSelect(stop)}
        onPointerDown={(event) => onGrip(index, event)}
        style={{ cursor: 'grab' }}
        data-post={device.id}
      >
        <title>{device.name}</title>
        <line
          x1={x}
          x2={x}
          y1={label.y + 4}
          y2={LINE_Y + 16}
          stroke="transparent"
          strokeWidth={14}
        />
        <line
          x1={x}
          x2={x}
          y1={chipY}
          y2={LINE_Y + 14}
          stroke={ink}
          strokeWidth={drives ? 5.5 : 2.2}
        />
        <text
          x={label.x}
          y={label.y}
          textAnchor="middle"
          fontSize={13}
          fontWeight={selected ? 600 : 400}
          fill={chart.ink}
          textDecoration={selected ? 'underline' : undefined}
          stroke={chart.paper}
          strokeWidth={3}
          paintOrder="stroke"
        >
          {label.text}
        </text>
      </g>
      <Chip
        number={index + 1}
        x={x}
        y={chipY}
        device={device}
        engaged={isEngaged(rig, device)}
        selected={selected}
        onStamp={() => onStamp(index)}
      />
    </RunOption>
  );
}

interface ChipProps {
  readonly number: number;
  readonly x: number;
  readonly y: number;
  readonly device: Device;
  readonly engaged: boolean;
  readonly selected: boolean;
  readonly onStamp: () => void;
}

/** Round for a foot-switch, square for a device without one; filled while it is on. */
function Chip({ number, x, y, device, engaged, selected, onStamp }: ChipProps) {
  const { chart } = useTheme();
  const canStamp = hasSwitch(device);
  const r = CHIP_RADIUS;
  const look = {
    fill: engaged ? chart.ink : chart.paper,
    stroke: selected ? chart.sea : chart.ink,
    strokeWidth: selected ? 2.6 : 1.3,
  };
  return (
    <g
      onClick={onStamp}
      style={{ cursor: canStamp ? 'pointer' : 'default' }}
      data-stamp={device.id}
      data-on={engaged}
    >
      {canStamp ? (
        <circle cx={x} cy={y} r={r} {...look} />
      ) : (
        <rect x={x - r} y={y - r} width={2 * r} height={2 * r} {...look} />
      )}
      <text
        x={x}
        y={y + 4}
        textAnchor="middle"
        fontSize={11.5}
        fontWeight={600}
        fill={engaged ? chart.paper : chart.ink}
        pointerEvents="none"
      >
        {number}
      </text>
    </g>
  );
}

function sayDevice(rig: Rig, device: Device, index: number, analysis: Analysis | null): string {
  const state = !hasSwitch(device) ? 'always on' : isEngaged(rig, device) ? 'on' : 'off';
  const points = analysis && analysis.kind !== 'silent' ? analysis.points : [];
  const point = points.find(({ place }) => place.kind === 'input' && place.index === index);
  const treble = point ? `, ${formatSignedDb(point.treble.trebleDb)} dB of treble here` : '';
  return `${index + 1}, ${device.name}, ${state}${treble}`;
}
