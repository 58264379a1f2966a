import type { Analysis } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { PointerEvent } from 'react';
import { wayStops, type Selection } from '../selection';
import type { NameLabel } from './nameLabels';
import { RunEnd } from './RunEnd';
import { CHIP_RADIUS, CHIP_Y, type RunPart } from './runGeometry';
import { RunLead } from './RunLead';
import { assignRows } from './runLayout';
import { RunPost } from './RunPost';

interface Props extends RunPart {
  readonly analysis: Analysis | null;
  readonly labels: readonly NameLabel[];
  readonly onGripLead: (index: number, event: PointerEvent) => void;
  readonly onGripPost: (index: number, event: PointerEvent) => void;
  readonly onStamp: (index: number) => void;
}

const CHIP_ROW_PX = 12;

/** Every stop in the order of the way, which is the order a screen reader goes through them. */
export function RunStops({ analysis, labels, onGripLead, onGripPost, onStamp, ...part }: Props) {
  const { rig, layout } = part;
  const { chart } = useTheme();
  const chipSpans = layout.deviceX.map((x) => [x - CHIP_RADIUS, x + CHIP_RADIUS] as const);
  const chipRows = assignRows(chipSpans, 2, 1);
  const draw = (stop: Selection) => {
    switch (stop.kind) {
      case 'guitar':
      case 'amp':
        return <RunEnd key={stop.kind} end={stop.kind} {...part} />;
      case 'lead':
        return (
          <RunLead
            key={rig.leads[stop.index]!.id}
            index={stop.index}
            onGrip={onGripLead}
            {...part}
          />
        );
      case 'device':
        return (
          <RunPost
            key={rig.devices[stop.index]!.id}
            index={stop.index}
            label={labels[stop.index]!}
            chipY={CHIP_Y - 3 + chipRows[stop.index]! * CHIP_ROW_PX}
            analysis={analysis}
            onGrip={onGripPost}
            onStamp={onStamp}
            {...part}
          />
        );
    }
  };
  return (
    <>
      <g aria-hidden>
        {labels.map(({ y }, index) => {
          const x = layout.deviceX[index]!;
          return <line key={index} x1={x} x2={x} y1={y + 4} y2={CHIP_Y} stroke={chart.faint} />;
        })}
      </g>
      {wayStops(rig).map(draw)}
    </>
  );
}
