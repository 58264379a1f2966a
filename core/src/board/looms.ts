import { formatQuantity, type UnitSystem } from '../quantity';
import type { Loom, Rig } from '../rig';
import { bundleDiameter, DIAMETERS_M } from './lanes';
import type { BoardPlan } from './board';
import type { PlugAt } from './plugs';
import { boundsOf, type Point, type Rect } from './rect';
import type { Wire } from './wires';

/// Looms: cables that leave the boards tied as one, with what each of them goes on alone at both ends.

/** One cable of a loom. */
export interface Breakout {
  readonly cable: string;
  readonly plug: PlugAt;
  /** From its plug to where the loom begins, m. */
  readonly boardM: number;
  /** From where the loom ends to its other plug, m. */
  readonly farM: number;
}

export interface LoomAt {
  readonly loom: Loom;
  readonly breakouts: readonly Breakout[];
  /** Where it leaves the boards, m on the stage. */
  readonly at: Point;
  /** As far as all of its cables go together, m. */
  readonly trunkM: number;
  readonly diameterM: number;
}

/** What the shortest cable goes on alone at the far end, m: as far as the inputs of an amp are from each other. */
const FAR_M = 0.3;

const edges = (bounds: Rect, { x, y }: Point): readonly Point[] => [
  { x: bounds.x0, y },
  { x: bounds.x1, y },
  { x, y: bounds.y1 },
];

const way = (a: Point, b: Point): number => Math.abs(a.x - b.x) + Math.abs(a.y - b.y);

/** Where the edge of the boards is nearest to all of them: at a side or at the back. */
function gather(bounds: Rect, exits: readonly Point[]): Point {
  const sum = exits.reduce((all, { x, y }) => ({ x: all.x + x, y: all.y + y }), { x: 0, y: 0 });
  const middle = { x: sum.x / exits.length, y: sum.y / exits.length };
  const far = (at: Point) => exits.reduce((all, exit) => all + way(exit, at), 0);
  return edges(bounds, middle).reduce((best, at) => (far(at) < far(best) - 1e-9 ? at : best));
}

/** Every loom whose cables leave the boards. */
export function loomsAt({ layout }: Pick<Rig, 'layout'>, plan: BoardPlan): readonly LoomAt[] {
  return layout.looms.flatMap((loom) => {
    const wires = plan.wires.filter(({ connection }) => loom.cables.includes(connection.id));
    const ends = wires.flatMap((wire): readonly (readonly [Wire, PlugAt])[] => {
      const plug = wire.isOnBoards ? null : (wire.from ?? wire.to);
      return plug ? [[wire, plug]] : [];
    });
    if (ends.length === 0) return [];
    const at = gather(
      boundsOf(plan.decks.map(({ rect }) => rect)),
      ends.map(([, { exit }]) => exit),
    );
    const rest = ends.map(([{ connection }, { exit }]) =>
      Math.max(0, connection.lengthM - way(exit, at)),
    );
    const trunkM = Math.max(0, Math.min(...rest) - FAR_M);
    return [
      {
        loom,
        at,
        trunkM,
        diameterM: bundleDiameter(wires.map(({ connection }) => DIAMETERS_M[connection.carries])),
        breakouts: ends.map(([{ connection }, plug], i) => ({
          cable: connection.id,
          plug,
          boardM: connection.lengthM - rest[i]!,
          farM: rest[i]! - trunkM,
        })),
      },
    ];
  });
}

/** "loom 1: 3 cables, 17.5 m together". */
export const sayLoom = ({ loom, breakouts, trunkM }: LoomAt, units: UnitSystem): string =>
  `${loom.name}: ${breakouts.length} ${breakouts.length === 1 ? 'cable' : 'cables'}, ${formatQuantity(trunkM, 'length', units)} together`;
