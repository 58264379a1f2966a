import { findDevice, type Analysis } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { NameLabel } from './nameLabels';
import { RunDestination } from './RunDestination';
import { CHIP_RADIUS, CHIP_Y, LINE_Y, type RunPart } from './runGeometry';
import { RunCable } from './RunCable';
import { assignRows } from './runLayout';
import { RunPost } from './RunPost';
import { postsOf, type DrawnWay, type Post } from '../model/runWays';
import type { SwitchLink } from '../model/switchLinks';
import type { GripHandlers } from './useRunDrag';

interface Props extends RunPart {
  readonly way: DrawnWay;
  readonly widthPx: number;
  readonly analysis: Analysis | null;
  /** What is warned of, by device. */
  readonly warned: ReadonlyMap<string, string>;
  readonly labels: readonly NameLabel[];
  readonly numbers: ReadonlyMap<string, number>;
  readonly links: ReadonlyMap<string, SwitchLink>;
  readonly onGripCable: (id: string) => GripHandlers;
  readonly onGripPost: (id: string) => GripHandlers;
  /** Null where it is only looked at. */
  readonly onToggle: ((switchId: string) => void) | null;
}

const CHIP_ROW_PX = 12;
const EDGE_PX = 6;

/** Every stop in the order of the way, which is the order a screen reader goes through them. */
export function RunStops(props: Props) {
  const { way, labels } = props;
  const { chart } = useTheme();
  const { stops, layout } = way;
  const posts = postsOf(way);
  const chipSpans = posts.map(({ x }) => [x - CHIP_RADIUS, x + CHIP_RADIUS] as const);
  const chipRows = assignRows(chipSpans, 2, 1);
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
      {stops.map(({ spot }, i) => {
        const key = `${spot.id} ${i}`;
        if (spot.kind === 'cable') return <CableStop key={key} {...props} index={i} />;
        if (spot.kind !== 'device') return <EndStop key={key} {...props} index={i} />;
        const at = posts.findIndex((post) => post.stop === i);
        if (at < 0) return null;
        const chipY = CHIP_Y - 3 + chipRows[at]! * CHIP_ROW_PX;
        return (
          <PostStop
            {...props}
            key={key}
            post={posts[at]!}
            label={labels[at]!}
            chipY={chipY}
            reach={reachOf(posts, at)}
          />
        );
      })}
    </>
  );
}

/** One stop of the way, by its place in it. */
type StopProps = Props & { readonly index: number };

/** Where the way begins or ends, named at the edge of the drawing where it is near. */
function EndStop({ way, index, widthPx, ...rest }: StopProps) {
  const { stops, layout } = way;
  const stop = stops[index]!;
  const span = layout.spans[index]!;
  const isLoop = stops[0]!.spot.id === stops.at(-1)!.spot.id;
  if (stop.spot.kind === 'source') {
    const edgeX = span[0] < 80 ? EDGE_PX : span[0] - 8;
    const suffix = isLoop ? ' send' : '';
    return <RunDestination {...rest} {...{ stop, edgeX, suffix }} x={span[0]} side="start" />;
  }
  const lastX = layout.spans.at(-1)![1];
  const edgeX = lastX > widthPx - 80 ? widthPx - EDGE_PX : span[1] + 34;
  const suffix = isLoop ? ' return' : '';
  return <RunDestination {...rest} {...{ stop, edgeX, suffix }} x={span[1]} side="end" />;
}

function CableStop({ way: { stops, layout }, index, onGripCable, ...rest }: StopProps) {
  const { firstDevice, lastDevice, spans } = layout;
  const isIn = firstDevice < 0 || index < firstDevice;
  const stretch = isIn ? 'in' : index > lastDevice ? 'out' : 'board';
  return (
    <RunCable
      {...rest}
      stop={stops[index]!}
      span={spans[index]!}
      stretch={stretch}
      onGrip={onGripCable}
    />
  );
}

interface PostProps extends Props {
  readonly post: Post;
  readonly label: NameLabel;
  readonly chipY: number;
  readonly reach: number;
}

/** To the nearer neighbour. */
function reachOf(posts: readonly Post[], at: number): number {
  const { x } = posts[at]!;
  const others = [posts[at - 1], posts[at + 1]].flatMap((post) => (post ? [post.x] : []));
  return Math.min(...others.map((other) => Math.abs(other - x)));
}

function PostStop({ numbers, links, post, warned, onGripPost, ...rest }: PostProps) {
  const isSwitcher = findDevice(rest.rig, post.deviceId)!.insert === 'switched';
  const number = isSwitcher ? null : numbers.get(post.deviceId)!;
  const warning = warned.get(post.deviceId) ?? null;
  const link = links.get(post.deviceId);
  return <RunPost {...rest} {...{ post, number, warning, link }} onGrip={onGripPost} />;
}
