import {
  findDevice,
  switchNumbers,
  type Analysis,
  type Rig,
  type UnitSystem,
} from '@gullwind/core';
import { Box } from '@mui/material';
import { memo, useCallback, useEffect, useMemo } from 'react';
import { HatchPattern } from '../../../ui/HatchPattern';
import { useElementWidth } from '../../../ui/useElementWidth';
import type { AnalysedWays } from '../../../workers/useAnalysis';
import { isSame, writeSelection, type Selection } from '../model/selection';
import { findInlets, layInlets } from '../model/inlets';
import { RunBreaks } from './RunBreaks';
import { layNames, unusedTop } from './nameLabels';
import { INLET_ROW_PX, RUN_HEIGHT } from './runGeometry';
import { RunInlets } from './RunInlets';
import { RunScales } from './RunScales';
import { RunStops } from './RunStops';
import { RunSuspicion } from './RunSuspicion';
import { RunThread } from './RunThread';
import { RunWater } from './RunWater';
import { drawWays, leastWidth, postsOf, type DrawnWay } from '../model/runWays';
import { switchLinks } from '../model/switchLinks';
import { useRunDrag } from './useRunDrag';

export interface RunProps {
  /** The rig as shown, with the edit in the making. */
  readonly rig: Rig;
  /** The row of the way that is looked at. */
  readonly rowId: string;
  /** Of exactly this rig, or of the one before it while it is being computed. */
  readonly analysed: AnalysedWays | null;
  /** What is warned of, by the part that it speaks of. */
  readonly warned?: ReadonlyMap<string, string>;
  /** How much suspicion lies on each part, 0 to 1: drawn in the place of water and thread. */
  readonly suspicion?: ReadonlyMap<string, number>;
  /** Null: it is only looked at. */
  readonly selection: Selection | null;
  /** Tells two Runs on one page apart. */
  readonly name?: string;
  readonly units: UnitSystem;
  readonly onSelect: (selection: Selection) => void;
  /** Null where it is only looked at. */
  readonly onToggle: ((switchId: string) => void) | null;
  readonly onCableDrag: (id: string, lengthM: number, done: boolean) => void;
  readonly onPostDrag: (id: string, to: number, done: boolean) => void;
  readonly onDragGivenUp: () => void;
}

const NOTHING_WARNED: ReadonlyMap<string, string> = new Map();

const LIST = {
  '&:focus-visible': { outline: 2, outlineColor: 'primary.main', outlineOffset: -2 },
  touchAction: 'pan-x pan-y',
  overflowX: 'auto',
  overflowY: 'hidden',
  userSelect: 'none',
  // What moves in here moves nothing outside.
  contain: 'layout paint style',
} as const;

/**
 * The signal's way to scale, left to right: water, thread, cables and posts; after the amp its effects
 * loop; below the line what leaves it. A list to a screen reader, with one option for everything.
 */
export const Run = memo(function Run(props: RunProps) {
  const { rig, rowId, analysed, selection, name = 'run', units, onSelect, onToggle } = props;
  const optionId = useCallback((stop: Selection) => `${name}-${writeSelection(stop)}`, [name]);
  const { box, width, isScrolled, ways, labels, inlets, numbers, links, top, bottom } = useDrawing(
    rig,
    rowId,
    units,
  );
  useInSight(selection && optionId(selection), isScrolled);
  const drag = useRunDrag(rig, ways, props);
  const isSelected = (stop: Selection) => selection !== null && isSame(stop, selection);
  const shared = { rig, units, optionId, isSelected, onSelect };
  return (
    <Box
      ref={box}
      role="listbox"
      aria-label="The way from guitar to amp"
      aria-orientation="horizontal"
      {...(selection && { 'aria-activedescendant': optionId(selection), tabIndex: 0 })}
      sx={LIST}
    >
      <HatchPattern />
      <svg
        width={width}
        height={bottom - top}
        viewBox={`0 ${top} ${width} ${bottom - top}`}
        role="presentation"
        style={{ display: 'block' }}
      >
        {ways.map((way, i) => (
          <g key={way.rowId} data-way={way.rowId} role="presentation">
            {props.suspicion && <RunSuspicion way={way} suspicion={props.suspicion} />}
            <RunMeasured way={way} analysis={fitting(analysed, way)} rig={rig} units={units} />
            <RunStops
              {...shared}
              way={way}
              widthPx={width}
              labels={labels[i]!}
              numbers={numbers}
              links={links}
              warned={props.warned ?? NOTHING_WARNED}
              analysis={fitting(analysed, way)}
              onGripCable={drag.gripCable}
              onGripPost={drag.gripPost}
              onToggle={onToggle}
            />
            <RunScales rig={rig} way={way} units={units} />
          </g>
        ))}
        <RunInlets {...shared} {...{ inlets, numbers, links, onToggle }} />
      </svg>
    </Box>
  );
});

/** Where everything of a Run lies in the width that there is, or in as much as it needs. */
function useDrawing(rig: Rig, rowId: string, units: UnitSystem) {
  const [box, boxWidth] = useElementWidth<HTMLDivElement>(1180);
  const width = Math.ceil(
    Math.max(
      boxWidth,
      useMemo(() => leastWidth(rig, rowId), [rig, rowId]),
    ),
  );
  const ways = useMemo(() => drawWays(rig, rowId, width), [rig, rowId, width]);
  const labels = useMemo(() => layLabels(rig, ways, width), [rig, ways, width]);
  const inlets = useMemo(
    () => layInlets(findInlets(rig, ways, units), width),
    [rig, ways, units, width],
  );
  const numbers = useMemo(() => switchNumbers(rig), [rig]);
  const links = useMemo(() => switchLinks(rig), [rig]);
  const top = unusedTop(labels.flat());
  const bottom = Math.max(RUN_HEIGHT, ...inlets.map(({ y }) => y + INLET_ROW_PX / 2));
  const isScrolled = width > boxWidth;
  return { box, width, isScrolled, ways, labels, inlets, numbers, links, top, bottom };
}

/** Where the Run is scrolled, what is selected is brought into sight. */
function useInSight(id: string | null, isScrolled: boolean): void {
  useEffect(() => {
    if (id === null || !isScrolled) return;
    document.getElementById(id)?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [id, isScrolled]);
}

interface MeasuredProps extends Pick<RunProps, 'rig' | 'units'> {
  readonly way: DrawnWay;
  readonly analysis: Analysis | null;
}

/** What the analysis says of a way: the water under the line, and the thread on it. */
function RunMeasured({ way: { layout }, analysis, rig, units }: MeasuredProps) {
  return (
    <>
      {analysis && <RunWater rig={rig} layout={layout} analysis={analysis} units={units} />}
      {analysis && <RunThread layout={layout} analysis={analysis} />}
      <RunBreaks layout={layout} />
    </>
  );
}

/** Names of all posts are laid out together, so that those of two ways do not meet. */
function layLabels(rig: Rig, ways: readonly DrawnWay[], width: number) {
  const posts = ways.map(postsOf);
  const named = posts.flat().map(({ deviceId, x }) => ({
    x,
    name: findDevice(rig, deviceId)!.name,
  }));
  const all = layNames(named, width);
  let from = 0;
  return posts.map(({ length }) => all.slice(from, (from += length)));
}

/** Water and thread belong to the rig they were computed for; those of other stops must not be drawn on these. */
function fitting(analysed: AnalysedWays | null, { rowId, stops }: DrawnWay): Analysis | null {
  const analysis = analysed?.analyses[rowId];
  return analysis?.stops.length === stops.length ? analysis : null;
}
