import { driveWay, type Rig, type Row, type StopSummary } from '@gullwind/core';
import { MARGIN_PX } from '../run/runGeometry';
import { layoutWay, type WayLayout } from '../run/runLayout';

/** One way that the Run draws, with the place it has. */
export interface DrawnWay {
  readonly rowId: string;
  readonly stops: readonly StopSummary[];
  readonly layout: WayLayout;
}

/** Of the width between the margins, what an amp's effects loop is given beside the way to the amp. */
const LOOP_SHARE = 0.3;
const BETWEEN_PX = 92;

/** The ways a Run shows: the one to an end, and after it that end's effects loop where it has one. */
export function shownRows(rig: Rig, rowId: string): readonly string[] {
  const row = rig.electrical.rows.find(({ id }) => id === rowId) ?? rig.electrical.rows[0]!;
  const { at } = row;
  if (at.kind === 'ampLoop') return [frontOf(rig, at.destination).id, row.id];
  const destination =
    at.kind === 'side' && at.to.kind === 'destination'
      ? at.to.destination
      : rig.electrical.destinations[0]!.id;
  const loop = rig.electrical.rows.find(
    (other) => other.at.kind === 'ampLoop' && other.at.destination === destination,
  );
  return loop ? [row.id, loop.id] : [row.id];
}

/** The row that arrives at an end. */
const frontOf = (rig: Rig, destination: string): Row =>
  rig.electrical.rows.find(
    ({ at }) =>
      at.kind === 'side' && at.to.kind === 'destination' && at.to.destination === destination,
  ) ?? rig.electrical.rows[0]!;

export const stopsOf = (rig: Rig, rowId: string): readonly StopSummary[] =>
  driveWay(rig, rowId).path.stops;

const POST_PX = 26;
/** The long cables at both ends, and the breaks in scale beside them. */
const ENDS_PX = 150;

const leastOf = (stops: readonly StopSummary[]): number => {
  const devices = stops.flatMap(({ spot }) => (spot.kind === 'device' ? [spot.id] : []));
  return ENDS_PX + POST_PX * new Set(devices).size;
};

/** Narrower than this posts and scales would lie on each other, px: the Run is then scrolled. */
export function leastWidth(rig: Rig, rowId: string): number {
  const [main, loop] = shownRows(rig, rowId).map((id) => leastOf(stopsOf(rig, id)));
  const between = loop === undefined ? 0 : BETWEEN_PX;
  const share = loop === undefined ? 1 : 1 - LOOP_SHARE;
  return 2 * MARGIN_PX + Math.max((main! + between) / share, (loop ?? 0) / LOOP_SHARE);
}

export function drawWays(rig: Rig, rowId: string, widthPx: number): readonly DrawnWay[] {
  const rows = shownRows(rig, rowId);
  const right = widthPx - MARGIN_PX;
  const loopPx = rows.length > 1 ? (right - MARGIN_PX) * LOOP_SHARE : 0;
  return rows.map((id, i) => {
    const stops = stopsOf(rig, id);
    const [x0, x1] =
      i === 0
        ? [MARGIN_PX, rows.length > 1 ? right - loopPx - BETWEEN_PX : right]
        : [right - loopPx, right];
    return { rowId: id, stops, layout: layoutWay(stops, x0, x1) };
  });
}

/** A post of a way: the first stop at which a device stands. */
export interface Post {
  readonly deviceId: string;
  readonly stop: number;
  readonly x: number;
}

export function postsOf({ stops, layout }: DrawnWay): readonly Post[] {
  const seen = new Set<string>();
  return stops.flatMap(({ spot }, stop) => {
    if (spot.kind !== 'device' || spot.part === 'pickupSimulator' || seen.has(spot.id)) return [];
    seen.add(spot.id);
    return [{ deviceId: spot.id, stop, x: layout.spans[stop]![0] }];
  });
}
