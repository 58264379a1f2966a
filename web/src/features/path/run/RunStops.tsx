import { findDevice, type Analysis } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { NameLabel } from './nameLabels';
import { RunDestination } from './RunDestination';
import { CHIP_RADIUS, CHIP_Y, LINE_Y, type RunPart } from './runGeometry';
import { RunCable } from './RunCable';
import { assignRows } from './runLayout';
import { RunPost } from './RunPost';
import { postsOf, type DrawnWay } from './runWays';
import type { GripHandlers } from './useRunDrag';

interface Props extends RunPart {
  readonly way: DrawnWay;
  readonly widthPx: number;
  readonly analysis: Analysis | null;
  readonly labels: readonly NameLabel[];
  readonly numbers: ReadonlyMap<string, number>;
  readonly onGripCable: (id: string) => GripHandlers;
  readonly onGripPost: (id: string) => GripHandlers;
  readonly onToggle: (switchId: string) => void;
}

const CHIP_ROW_PX = 12;
const EDGE_PX = 6;

/** Every stop in the order of the way, which is the order a screen reader goes through them. */
export function RunStops({ way, widthPx, analysis, labels, numbers, ...rest }: Props) {
  const { onGripCable, onGripPost, onToggle, ...part } = rest;
  const { chart } = useTheme();
  const { stops, layout } = way;
  const posts = postsOf(way);
  const chipSpans = posts.map(({ x }) => [x - CHIP_RADIUS, x + CHIP_RADIUS] as const);
  const chipRows = assignRows(chipSpans, 2, 1);
  const isLoop = stops[0]!.spot.id === stops.at(-1)!.spot.id;
  const lastX = layout.spans.at(-1)![1];
  return (
    <>
      <g aria-hidden>
        {labels.map(({ y }, i) => {
          const { x } = posts[i]!;
          return <line key={i} x1={x} x2={x} y1={y + 4} y2={CHIP_Y} stroke={chart.faint} />;
        })}
        {stops.map(({ spot }, i) =>
          spot.kind === 'device' && !posts.some(({ stop }) => stop === i) ? (
            <line
              key={i}
              x1={layout.spans[i]![0]}
              x2={layout.spans[i]![0]}
              y1={LINE_Y - 7}
              y2={LINE_Y + 7}
              stroke={chart.ink}
              strokeWidth={1.4}
            />
          ) : null,
        )}
      </g>
      {stops.map((stop, i) => {
        const span = layout.spans[i]!;
        const key = `${stop.spot.id} ${i}`;
        switch (stop.spot.kind) {
          case 'source':
          case 'destination': {
            const side = stop.spot.kind === 'source' ? 'start' : 'end';
            const isAtEdge = side === 'start' ? span[0] < 80 : lastX > widthPx - 80;
            const edgeX = side === 'start' ? EDGE_PX : widthPx - EDGE_PX;
            const nearX = side === 'start' ? span[0] - 8 : span[1] + 34;
            return (
              <RunDestination
                key={key}
                stop={stop}
                x={side === 'start' ? span[0] : span[1]}
                side={side}
                edgeX={isAtEdge ? edgeX : nearX}
                suffix={isLoop ? (side === 'start' ? ' send' : ' return') : ''}
                {...part}
              />
            );
          }
          case 'cable': {
            const { firstDevice, lastDevice } = layout;
            const stretch =
              firstDevice < 0 || i < firstDevice ? 'in' : i > lastDevice ? 'out' : 'board';
            return (
              <RunCable
                key={key}
                stop={stop}
                span={span}
                stretch={stretch}
                onGrip={onGripCable}
                {...part}
              />
            );
          }
          case 'device': {
            const at = posts.findIndex((post) => post.stop === i);
            if (at < 0) return null;
            const post = posts[at]!;
            const isSwitcher = findDevice(part.rig, post.deviceId)!.insert === 'switched';
            return (
              <RunPost
                key={key}
                post={post}
                number={isSwitcher ? null : numbers.get(post.deviceId)!}
                label={labels[at]!}
                chipY={CHIP_Y - 3 + chipRows[at]! * CHIP_ROW_PX}
                analysis={analysis}
                onGrip={onGripPost}
                onToggle={onToggle}
                {...part}
              />
            );
          }
        }
      })}
    </>
  );
}
