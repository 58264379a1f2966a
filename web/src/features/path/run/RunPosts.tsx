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
import {
  CHIP_Y,
  LINE_Y,
  NAME_BASE_Y,
  NAME_ROW_PX,
  NAME_ROWS,
  shorten,
  textWidth,
  type RunPart,
} from './runGeometry';
import { assignRows, type RunLayout } from './runLayout';

interface Props extends RunPart {
  readonly analysis: Analysis | null;
  readonly onGrip: (index: number, event: PointerEvent) => void;
  readonly onStamp: (index: number) => void;
}

const CHIP_RADIUS = 9.5;

/** The devices as posts on the line: a name to select and drag, a number to stamp. */
export function RunPosts({
  rig,
  layout,
  optionId,
  isSelected,
  onSelect,
  onGrip,
  onStamp,
  analysis,
}: Props) {
  const { chart } = useTheme();
  const labels = layLabels(rig, layout);
  const chipRows = assignRows(
    layout.deviceX.map((x) => [x - CHIP_RADIUS, x + CHIP_RADIUS] as const),
    2,
    1,
  );
  const drivers = new Set(analysis?.sections.map(({ driver }) => driver));
  return rig.devices.map((device, index) => {
    const stop = { kind: 'device', index } as const;
    const x = layout.deviceX[index]!;
    const selected = isSelected(stop);
    const { text, x: labelX, y: labelY } = labels[index]!;
    const chipY = CHIP_Y - 3 + chipRows[index]! * 12;
    return (
      <g
        key={device.id}
        role="option"
        id={optionId(stop)}
        aria-selected={selected}
        aria-label={sayDevice(rig, device, index, analysis)}
      >
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
            y1={labelY + 4}
            y2={LINE_Y + 16}
            stroke="transparent"
            strokeWidth={14}
          />
          <line x1={x} x2={x} y1={labelY + 4} y2={chipY} stroke={chart.faint} strokeWidth={1} />
          <line
            x1={x}
            x2={x}
            y1={chipY}
            y2={LINE_Y + 14}
            stroke={selected ? chart.sea : chart.ink}
            strokeWidth={drivers.has(index) ? 5.5 : 2.2}
          />
          <text
            x={labelX}
            y={labelY}
            textAnchor="middle"
            fontSize={13}
            fontWeight={selected ? 600 : 400}
            fill={chart.ink}
            textDecoration={selected ? 'underline' : undefined}
            stroke={chart.paper}
            strokeWidth={3}
            paintOrder="stroke"
          >
            {text}
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
      </g>
    );
  });
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
  const fill = engaged ? chart.ink : chart.paper;
  const look = {
    fill,
    stroke: selected ? chart.sea : chart.ink,
    strokeWidth: selected ? 2.6 : 1.3,
  };
  const r = CHIP_RADIUS;
  return (
    <g
      onClick={hasSwitch(device) ? onStamp : undefined}
      style={{ cursor: hasSwitch(device) ? 'pointer' : 'default' }}
      data-stamp={device.id}
      data-on={engaged}
    >
      {hasSwitch(device) ? (
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

/** Names in rows above the posts, shortened as the board fills, kept inside the drawing. */
function layLabels(rig: Rig, { deviceX, widthPx }: RunLayout) {
  const most = rig.devices.length > 20 ? 11 : rig.devices.length > 12 ? 15 : 22;
  const texts = rig.devices.map(({ name }) => shorten(name, most));
  const centres = deviceX.map((x, i) => {
    const half = textWidth(texts[i]!) / 2;
    return Math.min(widthPx - half - 4, Math.max(half + 4, x));
  });
  const spans = centres.map(
    (x, i) => [x - textWidth(texts[i]!) / 2, x + textWidth(texts[i]!) / 2] as const,
  );
  const rows = assignRows(spans, NAME_ROWS, 6);
  return texts.map((text, i) => ({
    text,
    x: centres[i]!,
    y: NAME_BASE_Y - rows[i]! * NAME_ROW_PX,
  }));
}

function sayDevice(rig: Rig, device: Device, index: number, analysis: Analysis | null): string {
  const state = !hasSwitch(device) ? 'always on' : isEngaged(rig, device) ? 'on' : 'off';
  const point =
    analysis && analysis.kind !== 'silent'
      ? analysis.points.find(({ place }) => place.kind === 'input' && place.index === index)
      : undefined;
  const treble = point ? `, ${formatSignedDb(point.treble.trebleDb)} dB of treble here` : '';
  return `${index + 1}, ${device.name}, ${state}${treble}`;
}
