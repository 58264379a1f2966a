import {
  findDevice,
  formatSignedDb,
  hasSwitch,
  isEngaged,
  type Analysis,
  type Device,
  type Rig,
} from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { NameLabel } from './nameLabels';
import { CHIP_RADIUS, FOOT_SWITCH_Y, LINE_Y, type RunPart } from './runGeometry';
import { RunName } from './RunName';
import { RunOption } from './RunOption';
import type { GripHandlers } from './useRunDrag';
import type { Post } from '../model/runWays';
import { FootSwitch } from './FootSwitch';
import { NumberDisc } from './NumberDisc';
import type { SwitchLink } from '../model/switchLinks';

interface Props extends RunPart {
  readonly post: Post;
  /** Null for a switcher, whose loops have numbers of their own. */
  readonly number: number | null;
  readonly analysis: Analysis | null;
  /** What is warned of about it; null where nothing is. */
  readonly warning: string | null;
  readonly label: NameLabel;
  readonly chipY: number;
  /** Half as wide again is where the next post's begins. */
  readonly reach: number;
  readonly link: SwitchLink | undefined;
  readonly onGrip: (id: string) => GripHandlers;
  /** Null where it is only looked at. */
  readonly onToggle: ((switchId: string) => void) | null;
}

/** A device as a post on the line: a name and a disc to select and drag, and a foot-switch at its foot. */
export function RunPost(props: Props) {
  const { post, number, analysis, warning, label, chipY, reach, link, onGrip, onToggle, ...part } =
    props;
  const { rig, isSelected, onSelect } = part;
  const { deviceId, x } = post;
  const device = findDevice(rig, deviceId)!;
  const selection = { kind: 'device', id: deviceId } as const;
  const selected = isSelected(selection);
  const drives = isDriver(analysis, deviceId);
  return (
    <RunOption {...part} stop={selection} label={sayPost(props, device)}>
      <g
        onClick={() => onSelect(selection)}
        {...onGrip(deviceId)}
        style={{ cursor: 'grab', touchAction: 'none' }}
        data-post={deviceId}
      >
        <title>{warning ?? device.name}</title>
        <PostLine x={x} chipY={chipY} topY={label.y + 4} selected={selected} drives={drives} />
        <RunName x={label.x} y={label.y} anchor="middle" selected={selected}>
          {label.text}
        </RunName>
        {number !== null && (
          <NumberDisc
            {...{ number, x, selected }}
            y={chipY}
            isRound={hasSwitch(device)}
            engaged={isEngaged(rig, device)}
            link={link?.letter}
          />
        )}
      </g>
      {number !== null && <Foot {...{ rig, device, x, reach, onToggle }} />}
      {warning !== null && <WarningMark x={x + CHIP_RADIUS} y={chipY - CHIP_RADIUS + 1} />}
    </RunOption>
  );
}

interface FootProps extends Pick<Props, 'rig' | 'reach' | 'onToggle'> {
  readonly device: Device;
  readonly x: number;
}

/** The foot-switch, where there is one. */
const Foot = ({ rig, device, x, reach, onToggle }: FootProps) =>
  hasSwitch(device) && (
    <FootSwitch
      {...{ x, reach, onToggle }}
      name={device.name}
      y={FOOT_SWITCH_Y}
      switchId={device.id}
      engaged={isEngaged(rig, device)}
    />
  );

/** A buoy on the post: something is warned of here. */
function WarningMark({ x, y }: { x: number; y: number }) {
  const { chart } = useTheme();
  return (
    <path
      d={`M${x} ${y - 6}L${x + 6} ${y + 5}H${x - 6}Z`}
      fill={chart.buoy}
      stroke={chart.paper}
      strokeWidth={1.5}
      pointerEvents="none"
      data-warned
    />
  );
}

function isDriver(analysis: Analysis | null, deviceId: string): boolean {
  if (analysis === null) return false;
  return analysis.sections.some(({ driver }) => {
    const { spot } = analysis.stops[driver]!;
    return spot.kind === 'device' && spot.id === deviceId;
  });
}

interface LineProps {
  readonly x: number;
  readonly chipY: number;
  /** Up to where it can be taken hold of. */
  readonly topY: number;
  readonly selected: boolean;
  readonly drives: boolean;
}

/** The post itself: stout where the device drives what follows. */
function PostLine({ x, chipY, topY, selected, drives }: LineProps) {
  const { chart } = useTheme();
  return (
    <>
      <line x1={x} x2={x} y1={topY} y2={LINE_Y + 16} stroke="transparent" strokeWidth={14} />
      <line
        x1={x}
        x2={x}
        y1={chipY}
        y2={LINE_Y + 14}
        stroke={selected ? chart.sea : chart.ink}
        strokeWidth={drives ? 5.5 : 2.2}
      />
    </>
  );
}

/** What it is, what it does, and what is warned of about it. */
function sayPost({ rig, number, post, analysis, warning, link }: Props, device: Device): string {
  const said = [
    sayDevice(rig, device, number, post, analysis),
    ...(link ? [`Linked with ${link.others}`] : []),
    ...(warning === null ? [] : [`Warning: ${warning}`]),
  ];
  return said.join('. ');
}

function sayDevice(
  rig: Rig,
  device: Device,
  number: number | null,
  post: Post,
  analysis: Analysis | null,
): string {
  const state = hasSwitch(device) ? (isEngaged(rig, device) ? 'on' : 'off') : sayFixed(device);
  const point = analysis?.points.find(({ spot }) => spot.stop === post.stop && spot.at === 'in');
  const treble = point ? `, ${formatSignedDb(point.treble.trebleDb)} dB of treble here` : '';
  return `${number === null ? '' : `${number}, `}${device.name}, ${state}${treble}`;
}

const sayFixed = ({ bypass, insert }: Device): string =>
  insert === 'switched' ? 'switcher' : bypass === 'passive' ? 'passive' : 'always on';
