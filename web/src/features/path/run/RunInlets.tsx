import { findDevice, hasSwitch, isEngaged, nameSpot } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { Selection } from '../model/selection';
import type { InletPiece, LaidInlet } from '../model/inlets';
import { CHIP_RADIUS, LINE_Y, type RunPart } from './runGeometry';
import { RunName } from './RunName';
import { RunOption } from './RunOption';
import { FootSwitch } from './FootSwitch';
import { NumberDisc } from './NumberDisc';
import type { SwitchLink } from '../model/switchLinks';

interface Props extends RunPart {
  readonly inlets: readonly LaidInlet[];
  readonly numbers: ReadonlyMap<string, number>;
  readonly links: ReadonlyMap<string, SwitchLink>;
  /** Null where it is only looked at. */
  readonly onToggle: ((switchId: string) => void) | null;
}

/** What leaves the line at a post: taps, second amps, loops of a switcher, a guitar that is not played. */
export function RunInlets({ inlets, ...rest }: Props) {
  const { chart } = useTheme();
  return (
    <>
      {inlets.map((inlet) => {
        const { key, anchorX, x, y, pieces } = inlet;
        return (
          <g key={key} data-inlet={key}>
            <path
              d={`M${anchorX} ${LINE_Y + 14} V${y - 8} Q${anchorX} ${y} ${anchorX < x[0]! ? anchorX + 8 : anchorX} ${y} ${anchorX < x[0]! ? `H${x[0]!}` : ''}`}
              fill="none"
              stroke={chart.faint}
              strokeWidth={1.2}
              strokeDasharray="1 3"
            />
            {pieces.map((piece, i) => (
              <Piece key={i} piece={piece} x={x[i]!} width={x[i + 1]! - x[i]!} y={y} {...rest} />
            ))}
          </g>
        );
      })}
    </>
  );
}

interface PieceProps extends Omit<Props, 'inlets'> {
  readonly piece: InletPiece;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

function Piece({ piece, x, y, width, numbers, links, onToggle, ...part }: PieceProps) {
  switch (piece.kind) {
    case 'text':
      return <Word {...part} text={piece.text} selection={piece.selection} x={x} y={y} />;
    case 'cable':
      return <SideCable {...part} piece={piece} x={x} y={y} width={width} />;
    case 'loop':
      return <Loop {...part} {...{ piece, x, y, numbers, links, onToggle }} />;
    case 'device':
      return <OffWayDevice {...part} {...{ piece, x, y, numbers, links, onToggle }} />;
  }
}

type PieceOf<K extends InletPiece['kind']> = Extract<InletPiece, { kind: K }>;

/** Where the foot-switch of an inlet's disc stands beside it. */
const BESIDE_PX = CHIP_RADIUS + 14;

interface LoopProps extends Omit<Props, 'inlets'> {
  readonly piece: PieceOf<'loop'>;
  readonly x: number;
  readonly y: number;
}

/** One loop of a switcher: its number, dark while it is closed, and its switch. */
function Loop({ piece, rig, numbers, links, x, y, onSelect, onToggle }: LoopProps) {
  const { switchId } = piece;
  const [deviceId, loop] = switchId.split('.');
  const number = numbers.get(switchId)!;
  const name = `loop ${Number(loop) + 1} of ${findDevice(rig, deviceId!)?.name}`;
  const link = links.get(switchId);
  const at = x + CHIP_RADIUS + 2;
  return (
    <g role="presentation">
      <g style={{ cursor: 'pointer' }} onClick={() => onSelect({ kind: 'device', id: deviceId! })}>
        <title>
          {`${number}, ${name}, ${piece.isClosed ? 'closed' : 'open'}${link ? `, linked with ${link.others}` : ''}`}
        </title>
        <NumberDisc
          {...{ number, y }}
          x={at}
          isRound
          engaged={piece.isClosed}
          selected={false}
          link={link?.letter}
        />
      </g>
      <FootSwitch
        {...{ name, switchId, y, onToggle }}
        x={at + BESIDE_PX}
        engaged={piece.isClosed}
      />
    </g>
  );
}

interface OffWayProps extends Omit<Props, 'inlets'> {
  readonly piece: PieceOf<'device'>;
  readonly x: number;
  readonly y: number;
}

function OffWayDevice({ piece, x, y, numbers, links, onToggle, ...part }: OffWayProps) {
  const { rig, onSelect } = part;
  const device = findDevice(rig, piece.id)!;
  const selection: Selection = { kind: 'device', id: piece.id };
  const link = links.get(piece.id);
  const at = x + CHIP_RADIUS + 2;
  const words = hasSwitch(device) ? at + BESIDE_PX + 12 : x + 24;
  return (
    <RunOption
      {...part}
      stop={selection}
      label={`${numbers.get(piece.id)}, ${device.name}, not on the way${link ? `. Linked with ${link.others}` : ''}`}
    >
      <g style={{ cursor: 'pointer' }} onClick={() => onSelect(selection)}>
        <NumberDisc
          number={numbers.get(piece.id)!}
          x={at}
          y={y}
          isRound={hasSwitch(device)}
          engaged={isEngaged(rig, device)}
          selected={part.isSelected(selection)}
          link={link?.letter}
        />
      </g>
      {hasSwitch(device) && (
        <FootSwitch
          {...{ y, onToggle }}
          name={device.name}
          switchId={piece.id}
          x={at + BESIDE_PX}
          engaged={isEngaged(rig, device)}
        />
      )}
      <Word {...part} text={piece.text} selection={selection} x={words} y={y} />
    </RunOption>
  );
}

interface WordProps extends RunPart {
  readonly text: string;
  readonly selection: Selection | null;
  readonly x: number;
  readonly y: number;
}

function Word({ text, selection, x, y, isSelected, onSelect, optionId, rig }: WordProps) {
  const selected = selection !== null && isSelected(selection);
  const drawing = (
    <RunName
      x={x}
      y={y + 4.5}
      selected={selected}
      isFaint={!selection}
      style={{ cursor: selection ? 'pointer' : 'default' }}
      onClick={selection ? () => onSelect(selection) : undefined}
    >
      {text}
    </RunName>
  );
  if (selection === null || selection.kind === 'device') return drawing;
  const name =
    selection.kind === 'connection'
      ? text
      : [...rig.electrical.guitars, ...rig.electrical.destinations].find(
          ({ id }) => id === selection.id,
        )?.name;
  return (
    <g
      role="option"
      id={optionId(selection)}
      aria-selected={selected}
      aria-label={`${selection.kind}, ${name ?? text}`}
    >
      {drawing}
    </g>
  );
}

interface SideCableProps extends RunPart {
  readonly piece: PieceOf<'cable'>;
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

function SideCable({ piece, x, y, width, ...part }: SideCableProps) {
  const { chart } = useTheme();
  const { selection, isMissing, says } = piece;
  const selected = part.isSelected(selection);
  const spot =
    selection.kind === 'connection'
      ? {
          kind: 'cable' as const,
          id: selection.row,
          part: 'whole' as const,
          index: selection.connection,
        }
      : { kind: 'cable' as const, id: selection.id, part: 'whole' as const, index: 0 };
  return (
    <RunOption {...part} stop={selection} label={`${nameSpot(part.rig, spot)}, ${says}`}>
      <g onClick={() => part.onSelect(selection)} style={{ cursor: 'pointer' }}>
        <title>{says}</title>
        <rect x={x} y={y - 11} width={width} height={22} fill="transparent" />
        <line
          x1={x + 2}
          x2={x + width - 2}
          y1={y}
          y2={y}
          stroke={isMissing ? chart.buoy : selected ? chart.sea : chart.ink}
          strokeWidth={selected ? 4.5 : 2}
          strokeDasharray={isMissing ? '2 4' : undefined}
        />
      </g>
    </RunOption>
  );
}
