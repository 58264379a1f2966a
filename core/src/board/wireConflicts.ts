import type { Conflict } from './conflict';
import type { PlugAt } from './plugs';
import type { Point } from './rect';
import { isCoupled, type Wire } from './wires';

/// What is wrong with cables as they lie: no jack, no way, too short, too long, a coupler that does not reach.

/** More than this over what is needed lies in a coil, m. */
export const COIL_FROM_M = 0.06;
const NOISE = 1e-6;

const between = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });

export function* wireConflicts(wires: readonly Wire[]): Generator<Conflict> {
  for (const wire of wires) {
    const { connection, from, to, missing } = wire;
    const { id } = connection;
    if (missing) {
      const at = (from ?? to)?.jack ?? { x: 0, y: 0 };
      yield {
        key: `noJack ${id}`,
        weight: 'hard',
        at,
        kind: 'noJack',
        thing: missing.thing,
        cable: id,
      };
    }
    if (from && to) yield* isCoupled(wire) ? coupled(id, from, to) : laid(wire, from, to);
  }
}

/** A coupler wants two jacks that face each other, as far apart as it is long. */
function* coupled(cable: string, from: PlugAt, to: PlugAt): Generator<Conflict> {
  const { jack: a } = from;
  const { jack: b } = to;
  const isAcross = a.out === 'left' || a.out === 'right';
  const [along, beside] = isAcross
    ? [Math.abs(a.x - b.x), a.y - b.y]
    : [Math.abs(a.y - b.y), a.x - b.x];
  const missingM = Math.max(
    Math.abs(along - from.plug.beyondM.value - to.plug.beyondM.value),
    Math.abs(beside),
  );
  if (missingM > 0.001)
    yield {
      key: `coupler ${cable}`,
      weight: 'hard',
      at: between(a, b),
      kind: 'coupler',
      cable,
      missingM,
    };
}

function* laid({ connection, route, madeM }: Wire, from: PlugAt, to: PlugAt): Generator<Conflict> {
  const one = { cable: connection.id, at: between(from.exit, to.exit) };
  if (!route || madeM === null) {
    const things = [from.thing, to.thing];
    yield { ...one, key: `noWay ${one.cable}`, weight: 'hard', kind: 'noWay', things };
    return;
  }
  if (connection.isLaid) return;
  const spare = connection.lengthM - madeM;
  if (spare < -NOISE)
    yield {
      ...one,
      key: `tooShort ${one.cable}`,
      weight: 'hard',
      kind: 'tooShort',
      missingM: -spare,
    };
  if (spare > COIL_FROM_M)
    yield { ...one, key: `tooLong ${one.cable}`, weight: 'note', kind: 'tooLong', missingM: spare };
}
