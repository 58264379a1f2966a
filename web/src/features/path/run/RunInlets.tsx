import { findDevice, hasSwitch, isEngaged, nameSpot } from '@gullwind/core';
import { useTheme } from '@mui/material';
import type { Selection } from '../selection';
import type { InletPiece, LaidInlet } from './inlets';
import { CHIP_RADIUS, LINE_Y, type RunPart } from './runGeometry';
import { RunName } from './RunName';
import { RunOption } from './RunOption';
import { SwitchChip } from './SwitchChip';

interface Props extends RunPart {
  readonly inlets: readonly LaidInlet[];
  readonly numbers: ReadonlyMap<string, number>;
  readonly onToggle: (switchId: string) => void;
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

function Piece({ piece, x, y, width, numbers, onToggle, ...part }: PieceProps) {
  const { rig } = part;
  switch (piece.kind) {
    case 'text':
      return <Word {...part} text={piece.text} selection={piece.selection} x={x} y={y} />;
    case 'cable':
      return <SideCable {...part} piece={piece} x={x} y={y} width={width} />;
    case 'loop':
      return <LoopChip piece={piece} rig={rig} numbers={numbers} x={x} y={y} onToggle={onToggle} />;
    case 'device':
      return <OffWayDevice {...part} {...{ piece, x, y, numbers, onToggle }} />;
  }
}

type PieceOf<K extends InletPiece['kind']> = Extract<InletPiece, { kind: K }>;

interface LoopProps extends Pick<Props, 'rig' | 'numbers' | 'onToggle'> {
  readonly piece: PieceOf<'loop'>;
  readonly x: number;
  readonly y: number;
}

/** One loop of a switcher: its number, dark while it is closed. */
function LoopChip({ piece, rig, numbers, x, y, onToggle }: LoopProps) {
  const [deviceId, loop] = piece.switchId.split('.');
  const says = `${numbers.get(piece.switchId)}, loop ${Number(loop) + 1} of ${findDevice(rig, deviceId!)?.name}`;
  return (
    <g role="presentation">
      <title>{`${says}, ${piece.isClosed ? 'closed' : 'open'}`}</title>
      <SwitchChip
        number={numbers.get(piece.switchId)!}
        x={x + CHIP_RADIUS + 2}
        y={y}
        switchId={piece.switchId}
        canToggle
        engaged={piece.isClosed}
        selected={false}
        onToggle={onToggle}
      />
    </g>
  );
}

interface OffWayProps extends Omit<Props, 'inlets'> {
  readonly piece: PieceOf<'device'>;
  readonly x: number;
  readonly y: number;
}

function OffWayDevice({ piece, x, y, numbers, onToggle, ...part }: OffWayProps) {
  const { rig } = part;
  const device = findDevice(rig, piece.id)!;
  const selection: Selection = { kind: 'device', id: piece.id };
  return (
    <RunOption
      {...part}
      stop={selection}
      label={`${numbers.get(piece.id)}, ${device.name}, not on the way`}
    >
      <SwitchChip
        number={numbers.get(piece.id)!}
        x={x + CHIP_RADIUS + 2}
        y={y}
        switchId={piece.id}
        canToggle={hasSwitch(device)}
        engaged={isEngaged(rig, device)}
        selected={part.isSelected(selection)}
        onToggle={onToggle}
      />
      <Word {...part} text={piece.text} selection={selection} x={x + 24} y={y} />
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
