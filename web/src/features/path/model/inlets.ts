import {
  DESTINATION_KINDS,
  findDevice,
  formatStripLength,
  loopSwitch,
  type Rig,
  type Row,
  type UnitSystem,
} from '@gullwind/core';
import { selectConnection, type Selection } from './selection';
import { INLET_ROW_PX, INLET_Y, shorten, textWidth } from '../run/runGeometry';
import { assignRows } from '../run/runLayout';
import { postsOf, type DrawnWay } from './runWays';

/** One piece of an inlet, left to right. */
export type InletPiece =
  | { readonly kind: 'text'; readonly text: string; readonly selection: Selection | null }
  | { readonly kind: 'device'; readonly text: string; readonly id: string }
  | {
      readonly kind: 'cable';
      readonly selection: Selection;
      readonly isMissing: boolean;
      readonly says: string;
    }
  | { readonly kind: 'loop'; readonly switchId: string; readonly isClosed: boolean };

/** What hangs on a post and is not part of the way that is drawn: a tap, a switcher's loops, a guitar at rest. */
export interface Inlet {
  readonly key: string;
  /** Where it leaves the line. */
  readonly anchorX: number;
  readonly pieces: readonly InletPiece[];
}

export interface LaidInlet extends Inlet {
  readonly y: number;
  /** Left edge of every piece, and the right edge of the last. */
  readonly x: readonly number[];
}

const CABLE_PX = 22;
/** A disc with its foot-switch beside it. */
const CHIP_PX = 46;
const DEVICE_CHIP_PX = 48;
const GAP_PX = 16;
export const MOST_INLET_ROWS = 4;

/** Everything that leaves the drawn ways and rejoins them, or ends by itself. */
export function findInlets(
  rig: Rig,
  ways: readonly DrawnWay[],
  units: UnitSystem,
): readonly Inlet[] {
  const drawn = new Set(ways.flatMap(({ stops }) => stops.map(({ spot }) => spot.id)));
  const onLine = ({ cables, devices, id }: Row) =>
    drawn.has(id) ||
    cables.some((cable) => cable && drawn.has(cable.id)) ||
    devices.some((device) => drawn.has(device.id));
  const posts = ways.flatMap(postsOf);
  return posts.flatMap(({ deviceId, x }): Inlet[] => {
    const device = findDevice(rig, deviceId)!;
    const hanging = rig.electrical.rows.filter(({ at }) => anchorOf(at) === deviceId);
    const loops = hanging.filter(({ at }) => at.kind === 'loop');
    const others = hanging.filter((row) => row.at.kind !== 'loop' && !onLine(row));
    const open = loops.filter((row) => !onLine(row));
    const inlets = others.map((row) => ({
      key: row.id,
      anchorX: x,
      pieces: sidePieces(rig, row, units),
    }));
    if (device.insert === 'switched') {
      const pieces = loops.flatMap((row) => loopPieces(rig, row, onLine(row), units));
      return [...inlets, { key: `${deviceId} loops`, anchorX: x, pieces }];
    }
    const spare = open.map((row) => ({
      key: row.id,
      anchorX: x,
      pieces: [word('send and return:'), ...chain(row, units)],
    }));
    return [...inlets, ...spare];
  });
}

function anchorOf(at: Row['at']): string | null {
  switch (at.kind) {
    case 'guitar':
      return at.selector;
    case 'side':
    case 'loop':
      return at.device;
    default:
      return null;
  }
}

const word = (text: string, selection: Selection | null = null): InletPiece => ({
  kind: 'text',
  text,
  selection,
});

function chain(row: Row, units: UnitSystem): readonly InletPiece[] {
  return row.cables.flatMap((cable, connection): InletPiece[] => {
    const piece: InletPiece = {
      kind: 'cable',
      selection: selectConnection(row, connection),
      isMissing: cable === null,
      says: cable
        ? `${cable.name}, ${formatStripLength(cable.lengthM.value, units)}`
        : 'no cable here yet',
    };
    const device = row.devices[connection];
    if (!device) return [piece];
    return [piece, { kind: 'device', text: shorten(device.name, 14), id: device.id }];
  });
}

function sidePieces(rig: Rig, row: Row, units: UnitSystem): readonly InletPiece[] {
  const { at } = row;
  if (at.kind === 'guitar') {
    const guitar = rig.electrical.guitars.find(({ id }) => id === at.guitar)!;
    const name = word(shorten(guitar.name, 18), { kind: 'guitar', id: guitar.id });
    return [name, ...chain(row, units), word('at rest')];
  }
  if (at.kind !== 'side') return chain(row, units);
  const { to } = at;
  if (to.kind === 'key')
    return [
      ...chain(row, units),
      word(`key of ${shorten(findDevice(rig, to.device)!.name, 14)}`, {
        kind: 'device',
        id: to.device,
      }),
    ];
  const destination = rig.electrical.destinations.find(({ id }) => id === to.destination)!;
  const name =
    destination.kind === 'amp' || destination.kind === 'tuner'
      ? destination.name
      : `${destination.name}, ${DESTINATION_KINDS[destination.kind].label}`;
  return [
    ...chain(row, units),
    word(`○ ${shorten(name, 22)}`, { kind: 'destination', id: destination.id }),
  ];
}

/** A loop by its number; what is in it only where the line does not run through it already. */
function loopPieces(
  rig: Rig,
  row: Row,
  isOnLine: boolean,
  units: UnitSystem,
): readonly InletPiece[] {
  if (row.at.kind !== 'loop') return [];
  const switchId = loopSwitch(row.at.device, row.at.loop);
  const isClosed = rig.state.positions[switchId] === true;
  const head: InletPiece = { kind: 'loop', switchId, isClosed };
  return isOnLine ? [head] : [head, ...chain(row, units)];
}

export function pieceWidth(piece: InletPiece): number {
  switch (piece.kind) {
    case 'text':
      return textWidth(piece.text) + 8;
    case 'device':
      return DEVICE_CHIP_PX + textWidth(piece.text) + 6;
    case 'cable':
      return CABLE_PX;
    case 'loop':
      return CHIP_PX;
  }
}

/** Inlets in rows below the line, each as near under its post as there is room. */
export function layInlets(inlets: readonly Inlet[], widthPx: number): readonly LaidInlet[] {
  const placed = inlets
    .map((inlet) => {
      const width = inlet.pieces.reduce((sum, piece) => sum + pieceWidth(piece), 0);
      const from = Math.max(6, Math.min(inlet.anchorX + 10, widthPx - width - 6));
      return { inlet, from, width };
    })
    .sort((a, b) => a.from - b.from);
  const rows = assignRows(
    placed.map(({ from, width }) => [from, from + width] as const),
    MOST_INLET_ROWS,
    GAP_PX,
  );
  return placed.map(({ inlet, from }, i) => {
    const x = [from];
    for (const piece of inlet.pieces) x.push(x.at(-1)! + pieceWidth(piece));
    return { ...inlet, x, y: INLET_Y + 8 + rows[i]! * INLET_ROW_PX };
  });
}
