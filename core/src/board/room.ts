import type { Laying } from '../rig';
import type { Conflict, Solid } from './conflict';
import type { PlugAt } from './plugs';
import { isWithin, overlapOf, type Point, type Rect } from './rect';
import type { Standing } from './standing';

/// Room: no case with its plugs where another is, cases a gap apart, everything on its deck and as high as there is room.

/** A case, or a plug in one, as something that takes room. */
export interface Part {
  readonly solid: Solid;
  readonly rect: Rect;
  readonly layer: string;
  readonly isCase: boolean;
}

export const partsOf = (
  standings: readonly Standing[],
  plugs: readonly PlugAt[],
): readonly Part[] => [
  ...standings.map(({ thing, rect, layer }) => ({
    solid: { thing: thing.id, plug: null },
    rect,
    layer,
    isCase: true,
  })),
  ...plugs.map(({ thing, cable, end, rect, layer }) => ({
    solid: { thing, plug: { cable, end } },
    rect,
    layer,
    isCase: false,
  })),
];

/** How far two rectangles are apart, across or along; less than 0 where they overlap. */
const apart = (a: Rect, b: Rect): number =>
  Math.max(a.x0 - b.x1, b.x0 - a.x1, a.y0 - b.y1, b.y0 - a.y1);

const NOISE = 1e-7;

/** What is missing between two parts of different things, m; 0 where there is room. */
export function missingBetween(a: Part, b: Part, gapM: number): number {
  if (a.layer !== b.layer || a.solid.thing === b.solid.thing) return 0;
  if (a.isCase && b.isCase) {
    const missing = gapM - apart(a.rect, b.rect);
    return missing > NOISE ? missing : 0;
  }
  return overlapOf(a.rect, b.rect);
}

const middle = (a: Rect, b: Rect): Point => ({
  x: (Math.max(a.x0, b.x0) + Math.min(a.x1, b.x1)) / 2,
  y: (Math.max(a.y0, b.y0) + Math.min(a.y1, b.y1)) / 2,
});

export const nameOf = ({ thing, plug }: Solid): string =>
  plug ? `${thing}.${plug.cable}.${plug.end}` : thing;

/** Everything that stands where something else is. */
export function* overlapsOf(
  standings: readonly Standing[],
  plugs: readonly PlugAt[],
  gapM: number,
): Generator<Conflict> {
  const parts = partsOf(standings, plugs);
  for (const [i, a] of parts.entries())
    for (let j = i + 1; j < parts.length; j++) {
      const b = parts[j]!;
      const missingM = missingBetween(a, b, gapM);
      if (missingM === 0) continue;
      yield {
        key: `overlap ${nameOf(a.solid)} ${nameOf(b.solid)}`,
        weight: 'hard',
        at: middle(a.rect, b.rect),
        kind: 'overlap',
        one: a.solid,
        other: b.solid,
        missingM,
      };
    }
}

/** How far a rectangle reaches out of another, m. */
const reachesOut = (inner: Rect, outer: Rect): number =>
  Math.max(outer.x0 - inner.x0, inner.x1 - outer.x1, outer.y0 - inner.y0, inner.y1 - outer.y1, 0);

const centre = ({ x0, y0, x1, y1 }: Rect): Point => ({ x: (x0 + x1) / 2, y: (y0 + y1) / 2 });

/** What hangs over the edge, and what is too high to hang below. */
export function* misfitsOf(
  standings: readonly Standing[],
  { allowsOverhang }: Pick<Laying, 'allowsOverhang'>,
): Generator<Conflict> {
  for (const { thing, rect, deck, layer, topM } of standings) {
    const one = { thing: thing.id, at: centre(rect), weight: 'hard' } as const;
    if (!allowsOverhang && !isWithin(rect, deck.rect))
      yield {
        ...one,
        key: `overhang ${thing.id}`,
        kind: 'overhang',
        missingM: reachesOut(rect, deck.rect),
      };
    const missing = topM - deck.board.belowM.value;
    if (layer === 'under' && missing > NOISE)
      yield { ...one, key: `below ${thing.id}`, kind: 'below', missingM: missing };
  }
}

/** Where a case rests on its deck: from the first slat below it to the last, within the deck. Null where it rests on nothing. */
function supportOf({ rect, deck }: Pick<Standing, 'rect' | 'deck'>): Rect | null {
  const { board, rect: on } = deck;
  const x = [Math.max(rect.x0, on.x0), Math.min(rect.x1, on.x1)] as const;
  const slats =
    board.surface === 'rows'
      ? board.slats.map(({ frontM, backM }) => [on.y0 + frontM, on.y0 + backM] as const)
      : [[on.y0, on.y1] as const];
  const met = slats
    .map(([front, back]) => [Math.max(front, rect.y0), Math.min(back, rect.y1)] as const)
    .filter(([front, back]) => back - front > NOISE);
  if (met.length === 0 || x[1] - x[0] <= NOISE) return null;
  return { x0: x[0], y0: met[0]![0], x1: x[1], y1: met.at(-1)![1] };
}

/** Of its switches, or its middle where it has none, the one farthest beside what carries it, and by how much. */
function worstFoot(standing: Pick<Standing, 'rect' | 'deck' | 'switches'>): {
  readonly foot: Point;
  readonly by: number;
} {
  const { switches, rect } = standing;
  const support = supportOf(standing);
  const feet = switches.length > 0 ? switches : [centre(rect)];
  return feet
    .map((foot) => ({
      foot,
      by: support
        ? reachesOut({ x0: foot.x, y0: foot.y, x1: foot.x, y1: foot.y }, support)
        : Math.min(rect.x1 - rect.x0, rect.y1 - rect.y0) / 2,
    }))
    .reduce((most, one) => (one.by > most.by ? one : most));
}

/** Whether it stands when somebody steps on it. */
export const isCarried = (standing: Pick<Standing, 'rect' | 'deck' | 'switches'>): boolean =>
  worstFoot(standing).by <= NOISE;

/** What tips when somebody steps on it. */
export function* tippingOf(standings: readonly Standing[]): Generator<Conflict> {
  for (const standing of standings) {
    if (standing.layer === 'under' || isCarried(standing)) continue;
    const { id } = standing.thing;
    const { foot, by } = worstFoot(standing);
    yield {
      key: `support ${id}`,
      weight: 'hard',
      at: foot,
      kind: 'support',
      thing: id,
      missingM: by,
    };
  }
}
