import type { Opening } from '../../gear';
import type { Edit, Rig } from '../../rig';
import { layBoard, type BoardPlan } from '../board';
import { moved, overlapOf, type Point, type Rect } from '../rect';
import type { Deck } from '../standing';
import type { Wire } from '../wires';

/// Where one more opening in a plate would save the most cable. Places in whole centimetres; of each it is known how much it
/// could save at the most, so that only those are laid out that could still be the best.

export interface OpeningQuestion {
  readonly rig: Rig;
  /** How wide the hole is, m. */
  readonly widthM: number;
}

export interface OpeningFound {
  readonly board: string;
  readonly opening: Opening;
  /** Its middle on the stage, m. */
  readonly at: Point;
  /** Less cable than now, m, of all cables together. */
  readonly savedM: number;
  /** Cables that change by it. */
  readonly cables: readonly string[];
  readonly edit: Edit;
}

export interface OpeningProgress {
  readonly done: number;
  readonly of: number;
  readonly best: OpeningFound | null;
}

const STEP_M = 0.01;
/** Wood between a hole and an edge or another hole, m. */
const EDGE_M = 0.008;

/** The opening that saves most; null where none saves anything. */
export function* bestOpening({
  rig,
  widthM,
}: OpeningQuestion): Generator<OpeningProgress, OpeningFound | null> {
  const plan = layBoard(rig);
  const spots = plan.decks
    .filter(({ board }) => board.surface === 'plate')
    .flatMap((deck) => spotsOn(deck, plan, widthM))
    .map((spot) => ({ ...spot, most: mostSaved(plan, spot) }))
    .filter(({ most }) => most > 1e-6)
    .sort((a, b) => b.most - a.most);
  let best: OpeningFound | null = null;
  for (const [done, spot] of spots.entries()) {
    if (best && spot.most <= best.savedM + 1e-9) break;
    yield { done, of: spots.length, best };
    const found = tried(rig, plan, spot);
    if (found.savedM > (best?.savedM ?? 1e-6)) best = found;
  }
  return best;
}

interface Spot {
  readonly deck: Deck;
  readonly opening: Opening;
  /** The square that a cable may pass, m on the stage. */
  readonly rect: Rect;
}

/** Where a hole may be drilled: in the plate, beside what stands on it and hangs below, and beside other holes. */
function spotsOn(deck: Deck, plan: BoardPlan, widthM: number): readonly Spot[] {
  const { board, rect } = deck;
  const taken = [
    ...plan.standings.map((one) => one.rect),
    ...board.openings.map(({ shape, xM, yM, widthM: w, depthM }) => {
      const d = shape === 'round' ? w : depthM;
      return {
        x0: rect.x0 + xM - w / 2 - EDGE_M,
        x1: rect.x0 + xM + w / 2 + EDGE_M,
        y0: rect.y0 + yM - d / 2 - EDGE_M,
        y1: rect.y0 + yM + d / 2 + EDGE_M,
      };
    }),
  ];
  const half = widthM / 2;
  const spots: Spot[] = [];
  const last = (size: number) => Math.floor((size - half - EDGE_M) / STEP_M + 1e-9);
  const first = Math.ceil((half + EDGE_M) / STEP_M - 1e-9);
  for (let j = first; j <= last(board.depthM.value); j++)
    for (let i = first; i <= last(board.widthM.value); i++) {
      const [xM, yM] = [tidy(i * STEP_M), tidy(j * STEP_M)];
      const hole = moved({ x0: -half, x1: half, y0: -half, y1: half }, rect.x0 + xM, rect.y0 + yM);
      if (taken.some((one) => overlapOf(one, hole) > 0)) continue;
      const within = half / Math.SQRT2;
      spots.push({
        deck,
        opening: { shape: 'round', xM, yM, widthM, depthM: widthM },
        rect: moved(
          { x0: -within, x1: within, y0: -within, y1: within },
          rect.x0 + xM,
          rect.y0 + yM,
        ),
      });
    }
  return spots;
}

const tidy = (m: number): number => Math.round(m * 1000) / 1000;

const outside = (at: number, from: number, to: number): number => Math.max(from - at, at - to, 0);

const wayTo = ({ x, y }: Point, { x0, x1, y0, y1 }: Rect): number =>
  outside(x, x0, x1) + outside(y, y0, y1);

/** What every cable could save at the most: one that goes through is no shorter than straight to the hole and on. */
function mostSaved({ wires }: BoardPlan, { rect }: Spot): number {
  return wires.reduce((sum, { from, to, route }) => {
    if (!from || !to || !route) return sum;
    return sum + Math.max(0, route.length / 1000 - wayTo(from.exit, rect) - wayTo(to.exit, rect));
  }, 0);
}

const madeOf = ({ wires }: BoardPlan): ReadonlyMap<string, number> =>
  new Map(wires.map(({ connection, madeM }: Wire) => [connection.id, madeM ?? 0]));

function tried(rig: Rig, plan: BoardPlan, { deck, opening }: Spot): OpeningFound {
  const { boards } = rig.layout;
  const at = boards.findIndex(({ id }) => id === deck.board.id);
  const board = { ...boards[at]!, openings: [...boards[at]!.openings, opening] };
  const then = layBoard({ ...rig, layout: { ...rig.layout, boards: boards.with(at, board) } });
  const [before, after] = [madeOf(plan), madeOf(then)];
  const changed = [...before].filter(([id, m]) => Math.abs(m - after.get(id)!) > 1e-9);
  return {
    board: deck.board.id,
    opening,
    at: { x: deck.rect.x0 + opening.xM, y: deck.rect.y0 + opening.yM },
    savedM: tidy(changed.reduce((sum, [id, m]) => sum + m - after.get(id)!, 0)),
    cables: changed.map(([id]) => id),
    edit: { kind: 'list', of: 'boards', at, remove: 1, insert: [board] },
  };
}
