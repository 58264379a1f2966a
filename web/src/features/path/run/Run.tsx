import type { Analysis, Rig, UnitSystem } from '@gullwind/core';
import { Box } from '@mui/material';
import { useMemo } from 'react';
import { HatchPattern } from '../../../ui/HatchPattern';
import { useElementWidth } from '../../../ui/useElementWidth';
import { isSame, wayStops, writeSelection, type Selection } from '../selection';
import { RunBreaks } from './RunBreaks';
import { layNames, unusedTop } from './nameLabels';
import { RUN_HEIGHT } from './runGeometry';
import { layoutRun } from './runLayout';
import { RunScales } from './RunScales';
import { RunStops } from './RunStops';
import { RunThread } from './RunThread';
import { RunWater } from './RunWater';
import { useRunDrag } from './useRunDrag';

export interface RunProps {
  /** The rig as shown, with the edit in the making. */
  readonly rig: Rig;
  /** Of exactly this rig, or of the one before it while it is being computed. */
  readonly analysed: { readonly rig: Rig; readonly analysis: Analysis } | null;
  readonly selection: Selection;
  readonly units: UnitSystem;
  readonly onSelect: (selection: Selection) => void;
  readonly onStamp: (index: number) => void;
  readonly onLeadDrag: (index: number, lengthM: number, done: boolean) => void;
  readonly onPostDrag: (from: number, to: number, done: boolean) => void;
  readonly onDragGivenUp: () => void;
}

/**
 * The signal's way to scale, left to right: water, thread, leads and posts. A list to a screen reader,
 * with one option for every stop on the way.
 */
export function Run(props: RunProps) {
  const { rig, analysed, selection, units, onSelect } = props;
  const [box, width] = useElementWidth<HTMLDivElement>(1180);
  const layout = useMemo(() => layoutRun(rig, width), [rig, width]);
  const labels = useMemo(() => layNames(rig, layout), [rig, layout]);
  const top = unusedTop(labels);
  const drag = useRunDrag(rig, layout, props);
  const optionId = (stop: Selection) => `run-${writeSelection(rig, stop)}`;
  const isSelected = (stop: Selection) => isSame(stop, selection);
  const shared = { rig, layout, units, optionId, isSelected, onSelect };
  // Water and thread belong to the rig they were computed for; one with other stops must not be drawn on this one.
  const fits = analysed !== null && wayStops(analysed.rig).length === wayStops(rig).length;
  return (
    <Box
      ref={box}
      role="listbox"
      aria-label="The way from guitar to amp"
      aria-orientation="horizontal"
      aria-activedescendant={optionId(selection)}
      tabIndex={0}
      sx={{
        '&:focus-visible': { outline: 2, outlineColor: 'primary.main', outlineOffset: -2 },
        touchAction: 'pan-y',
        userSelect: 'none',
      }}
    >
      <HatchPattern />
      <svg
        width={width}
        height={RUN_HEIGHT - top}
        viewBox={`0 ${top} ${width} ${RUN_HEIGHT - top}`}
        role="presentation"
        style={{ display: 'block' }}
        {...drag.surface}
      >
        {fits && <RunWater rig={rig} layout={layout} analysis={analysed.analysis} units={units} />}
        {fits && <RunThread layout={layout} analysis={analysed.analysis} />}
        <RunBreaks layout={layout} />
        <RunStops
          {...shared}
          labels={labels}
          analysis={fits ? analysed.analysis : null}
          onGripLead={drag.gripLead}
          onGripPost={drag.gripPost}
          onStamp={props.onStamp}
        />
        <RunScales rig={rig} layout={layout} units={units} />
      </svg>
    </Box>
  );
}
