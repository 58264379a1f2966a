import type { StopSummary } from '@gullwind/core';
import { useTheme } from '@mui/material';
import { selectStop } from '../model/selection';
import { CHIP_Y, LINE_Y, shorten, type RunPart } from './runGeometry';
import { RunName } from './RunName';
import { RunOption } from './RunOption';

const MOST_CHARACTERS = 20;

interface Props extends RunPart {
  readonly stop: StopSummary;
  readonly x: number;
  readonly side: 'start' | 'end';
  /** The edge of the drawing its name keeps away from. */
  readonly edgeX: number;
  readonly suffix: string;
}

/** Where a way begins or ends: a guitar, an amp, an effects send or return. */
export function RunDestination({ stop, x, side, edgeX, suffix, ...part }: Props) {
  const { rig, isSelected, onSelect } = part;
  const { chart } = useTheme();
  const selection = selectStop(stop, rig)!;
  const thing = [...rig.electrical.guitars, ...rig.electrical.destinations].find(
    ({ id }) => id === stop.spot.id,
  )!;
  const kind = selection.kind === 'guitar' ? 'guitar' : 'destination';
  const name = `${thing.name}${suffix}`;
  const selected = isSelected(selection);
  const isSecond = suffix !== '';
  const drawing = (
    <g onClick={() => onSelect(selection)} style={{ cursor: 'pointer' }} data-end={thing.id}>
      <title>{name}</title>
      <circle cx={x} cy={LINE_Y} r={16} fill="transparent" />
      <circle
        cx={x}
        cy={LINE_Y}
        r={isSecond ? 6 : 8}
        fill={chart.paper}
        stroke={selected ? chart.sea : chart.ink}
        strokeWidth={selected ? 4 : 2.2}
      />
      <RunName x={edgeX} y={CHIP_Y + 1} anchor={side} selected={selected}>
        {isSecond ? suffix.trim() : shorten(name, MOST_CHARACTERS)}
      </RunName>
    </g>
  );
  // A send or return is the amp once more: one option for each thing.
  if (isSecond) return <g aria-hidden>{drawing}</g>;
  return (
    <RunOption {...part} stop={selection} label={`${kind}, ${name}`}>
      {drawing}
    </RunOption>
  );
}
