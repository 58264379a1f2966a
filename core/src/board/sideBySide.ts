import type { RoutePoint } from './routing/terrain';
import type { Wire } from './wires';

/// Cables that share a way lie beside each other on it: where each is drawn, in mm on the stage.

/** From one cable to the next beside it, mm. */
const PITCH_MM = 6;

interface Stretch {
  readonly wire: string;
  readonly index: number;
  /** Which line it lies on, and between which places of it. */
  readonly line: string;
  readonly from: number;
  readonly to: number;
}

const isFlat = (a: RoutePoint, b: RoutePoint): boolean => a.y === b.y && a.x !== b.x;
const isUpright = (a: RoutePoint, b: RoutePoint): boolean => a.x === b.x && a.y !== b.y;

function stretchesOf({ connection, route }: Wire): readonly Stretch[] {
  return (route?.points ?? []).flatMap((b, index, all) => {
    const a = all[index - 1];
    if (!a || a.layer !== b.layer || (!isFlat(a, b) && !isUpright(a, b))) return [];
    const [along, at] = isFlat(a, b) ? (['x', a.y] as const) : (['y', a.x] as const);
    return [
      {
        wire: connection.id,
        index,
        line: `${a.layer} ${along} ${at}`,
        from: Math.min(a[along], b[along]),
        to: Math.max(a[along], b[along]),
      },
    ];
  });
}

const overlaps = (a: Stretch, b: Stretch): boolean =>
  Math.min(a.to, b.to) - Math.max(a.from, b.from) > 1;

/** Stretches of one line that hang together by overlapping, each with its slot. */
function* slotsOf(stretches: readonly Stretch[]): Generator<readonly [Stretch, number, number]> {
  const waiting = stretches.toSorted((a, b) => a.from - b.from);
  while (waiting.length > 0) {
    const bundle = [waiting.shift()!];
    for (let i = 0; i < waiting.length; i++)
      if (bundle.some((one) => overlaps(one, waiting[i]!))) bundle.push(...waiting.splice(i--, 1));
    const slots: Stretch[][] = [];
    for (const one of bundle) {
      const free = slots.find((slot) => !slot.some((other) => overlaps(one, other)));
      if (free) free.push(one);
      else slots.push([one]);
    }
    for (const [slot, all] of slots.entries())
      for (const one of all) yield [one, slot, slots.length];
  }
}

/** By cable, the points along which it is drawn, from end to end. */
export function drawnBeside(wires: readonly Wire[]): ReadonlyMap<string, readonly RoutePoint[]> {
  const byLine = new Map<string, Stretch[]>();
  for (const stretch of wires.flatMap(stretchesOf))
    byLine.set(stretch.line, [...(byLine.get(stretch.line) ?? []), stretch]);
  const offsets = new Map<string, number>();
  for (const stretches of byLine.values())
    for (const [{ wire, index }, slot, count] of slotsOf(stretches))
      offsets.set(`${wire} ${index}`, (slot - (count - 1) / 2) * PITCH_MM);
  return new Map(
    wires.flatMap(({ connection: { id }, route }) =>
      route ? [[id, shifted(id, route.points, offsets)] as const] : [],
    ),
  );
}

function shifted(
  id: string,
  points: readonly RoutePoint[],
  offsets: ReadonlyMap<string, number>,
): readonly RoutePoint[] {
  const offset = (index: number) => offsets.get(`${id} ${index}`) ?? 0;
  const moved = points.map((point, i): RoutePoint => {
    let { x, y } = point;
    for (const [a, b, index] of [
      [points[i - 1], point, i],
      [point, points[i + 1], i + 1],
    ] as const) {
      if (!a || !b || a.layer !== b.layer) continue;
      if (isFlat(a, b)) y = point.y + offset(index);
      if (isUpright(a, b)) x = point.x + offset(index);
    }
    return { ...point, x, y };
  });
  // It leaves its plugs where they are.
  const [first, last] = [points[0], points.at(-1)];
  return first && last ? [first, ...moved, last] : moved;
}
