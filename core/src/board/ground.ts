import type { Opening } from '../gear';
import type { Layer } from '../rig';
import type { PlugAt } from './plugs';
import { boundsOf, grown, moved, type Rect } from './rect';
import type { Terrain } from './routing/terrain';
import type { Deck, Standing } from './standing';
import type { Laid } from './things';

/// What the cables of a rig are laid through, in mm.

export const toMm = (m: number): number => Math.round(m * 1e5) / 100;

/** In thousandths of a metre: the routers count in hundredths of a unit. */
const inMm = ({ x0, y0, x1, y1 }: Rect): Rect => ({
  x0: toMm(x0),
  y0: toMm(y0),
  x1: toMm(x1),
  y1: toMm(y1),
});

/** No bend is tighter than four diameters of the cable, m: where it turns round it needs twice that and itself. */
const LOOP_M = 0.02;

/** Of a round hole, the square within it. */
const squareIn = ({ shape, xM, yM, widthM, depthM }: Opening): Rect => {
  const [w, d] = shape === 'round' ? [widthM / Math.SQRT2, widthM / Math.SQRT2] : [widthM, depthM];
  return { x0: xM - w / 2, y0: yM - d / 2, x1: xM + w / 2, y1: yM + d / 2 };
};

/** Where cables go through a deck, m from its front left corner. */
function openingsOf({ board }: Deck): readonly Rect[] {
  const [width, depth] = [board.widthM.value, board.depthM.value];
  if (board.surface === 'mesh') return [{ x0: 0, y0: 0, x1: width, y1: depth }];
  if (board.surface === 'plate') return board.openings.map(squareIn);
  const edges = [0, ...board.slats.flatMap(({ frontM, backM }) => [frontM, backM]), depth];
  return Array.from({ length: edges.length / 2 }, (_, i) => ({
    x0: 0,
    y0: edges[2 * i]!,
    x1: width,
    y1: edges[2 * i + 1]!,
  })).filter(({ y0, y1 }) => y1 > y0);
}

/** Where cables go through, on the stage. */
export const openingsOn = (decks: readonly Deck[]): readonly Rect[] =>
  decks.flatMap((deck) =>
    openingsOf(deck).map((opening) => moved(opening, deck.rect.x0, deck.rect.y0)),
  );

/** Below, there is only what is below a deck: the rest of the area, along rows and along columns, so that no edge is left between. */
function besideDecks(area: Rect, decks: readonly Deck[]): readonly Rect[] {
  const lines = (values: readonly number[]) => [...new Set(values)].sort((a, b) => a - b);
  const xs = lines([area.x0, area.x1, ...decks.flatMap(({ rect }) => [rect.x0, rect.x1])]);
  const ys = lines([area.y0, area.y1, ...decks.flatMap(({ rect }) => [rect.y0, rect.y1])]);
  const isDeck = (x: number, y: number) =>
    decks.some(({ rect: r }) => x > r.x0 && x < r.x1 && y > r.y0 && y < r.y1);
  const runs = (
    across: readonly number[],
    along: readonly number[],
    make: (a0: number, a1: number, b0: number, b1: number) => Rect,
    covers: (a: number, b: number) => boolean,
  ): readonly Rect[] =>
    across.slice(1).flatMap((a1, i) => {
      const a0 = across[i]!;
      const found: Rect[] = [];
      let from: number | null = null;
      for (const [j, b0] of along.entries()) {
        const b1 = along[j + 1];
        const isFree = b1 === undefined || covers((a0 + a1) / 2, (b0 + b1) / 2);
        if (isFree && from !== null) found.push(make(a0, a1, from, b0));
        from = isFree ? null : (from ?? b0);
      }
      return found;
    });
  return [
    ...runs(
      ys,
      xs,
      (y0, y1, x0, x1) => ({ x0, y0, x1, y1 }),
      (y, x) => isDeck(x, y),
    ),
    ...runs(xs, ys, (x0, x1, y0, y1) => ({ x0, y0, x1, y1 }), isDeck),
  ];
}

/** All that stands in the way of cables on one layer: cases and plugs, grown by the clearance. */
const obstaclesOn = (
  layer: Layer,
  standings: readonly Standing[],
  plugs: readonly PlugAt[],
  clearanceM: number,
): readonly Rect[] =>
  [...standings, ...plugs]
    .filter((one) => one.layer === layer)
    .map(({ rect }) => grown(rect, clearanceM));

/** What the cables between these plugs are laid through. */
export function terrainOf(
  { layout }: Pick<Laid, 'layout'>,
  decks: readonly Deck[],
  standings: readonly Standing[],
  plugs: readonly PlugAt[],
): Terrain {
  const { laying } = layout;
  const clearance = laying.clearanceM.value;
  const exits = plugs.map(({ exit: { x, y } }) => ({ x0: x, y0: y, x1: x, y1: y }));
  const area = boundsOf([...decks.map(({ rect }) => rect), ...exits]);
  const deckOf = new Map(decks.map((deck) => [deck.board.id, deck]));
  return {
    area: inMm(area),
    obstacles: {
      top: obstaclesOn('top', standings, plugs, clearance).map(inMm),
      under: [
        ...obstaclesOn('under', standings, plugs, clearance),
        ...besideDecks(area, decks),
      ].map(inMm),
    },
    openings: openingsOn(decks).map(inMm),
    lanes: layout.lanes.flatMap(({ board, layer, yM, fromM, toM }) => {
      const deck = deckOf.get(board);
      if (!deck) return [];
      const { x0, y0 } = deck.rect;
      return [{ layer, y: toMm(y0 + yM), x0: toMm(x0 + fromM), x1: toMm(x0 + toM) }];
    }),
    loop: toMm(LOOP_M),
    bend: toMm(laying.bendM.value),
    passage: toMm(laying.passageM.value),
    laneShare: laying.laneShare.value,
  };
}
