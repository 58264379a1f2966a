import { METRES_PER_FOOT } from '../quantity';
import { remember, type Laying } from '../rig';
import { connectionsOf, type Connection, type Jack } from './connections';
import { terrainOf, toMm } from './ground';
import { jackOn, plugAt, type End, type PlugAt } from './plugs';
import { contains, type Point } from './rect';
import { DirectRouter } from './routing/direct';
import { TidyRouter } from './routing/tidy';
import type { Route } from './routing/terrain';
import type { Deck, Standing } from './standing';
import type { Laid } from './things';

/// Cables as they lie between their plugs, and how long they have to be made.

/** What a cable needs for going through a board, beside its thickness, m. */
const THROUGH_M = 0.02;
const QUARTER_INCH_M = METRES_PER_FOOT / 48;

export interface Wire {
  readonly connection: Connection;
  /** Null where that end is on no board, or its case has no such jack. */
  readonly from: PlugAt | null;
  readonly to: PlugAt | null;
  /** A jack that is wanted of a standing case which has none. */
  readonly missing: Jack | null;
  /** In mm on the stage; null where an end is on no board, or there is no way. */
  readonly route: Route | null;
  /** Both ends stand on boards. */
  readonly isOnBoards: boolean;
  /** From jack to jack, with slack, in the workshop's steps; null without a way. */
  readonly madeM: number | null;
}

const isCoupler = (plug: PlugAt | null): boolean => plug?.plug.shape === 'coupler';

/** A coupler is no cable: from jack to jack, and nothing between. */
export const isCoupled = ({ from, to }: Pick<Wire, 'from' | 'to'>): boolean =>
  isCoupler(from) && isCoupler(to);

/** To which step lengths are rounded up, m: in inches where the rig is kept in feet and nobody said another. */
function stepOf({ stepM }: Laying, isInFeet: boolean): number {
  return stepM.from === 'assumed' && isInFeet ? QUARTER_INCH_M : stepM.value;
}

/** Up to the next step; the noise of sums does not make it one more. */
const roundedUp = (m: number, step: number): number =>
  Number((Math.ceil(m / step - 1e-6) * step).toPrecision(12));

/** What a route takes for going through its boards, m: each as thick as it is. */
function throughM({ points }: Route, decks: readonly Deck[]): number {
  return points.reduce((sum, point, i) => {
    if (i === 0 || points[i - 1]!.layer === point.layer) return sum;
    const at = { x: point.x / 1000, y: point.y / 1000 };
    const deck = decks.find(({ rect }) => contains(rect, at));
    return sum + (deck?.board.thicknessM.value ?? 0) + THROUGH_M;
  }, 0);
}

/** How long a cable has to be made, m: its way, what it takes at both plugs and through the boards, and slack. */
function madeLength(
  route: Route,
  entriesM: number,
  decks: readonly Deck[],
  laying: Laying,
  isInFeet: boolean,
): number {
  const way = route.length / 1000 + entriesM + throughM(route, decks);
  return roundedUp(way + 2 * laying.slackM.value, stepOf(laying, isInFeet));
}

/** A cable with its plugs, before it is laid. */
export interface Plugged {
  readonly connection: Connection;
  readonly from: PlugAt | null;
  readonly to: PlugAt | null;
  readonly missing: Jack | null;
}

export function pluggedOf(rig: Laid, standings: readonly Standing[]): readonly Plugged[] {
  const byThing = new Map(standings.map((standing) => [standing.thing.id, standing]));
  return connectionsOf(rig).map((connection) => {
    const at = (one: Jack | null) => {
      const standing = one ? byThing.get(one.thing) : undefined;
      return standing && { standing, jack: jackOn(standing, one!), wanted: one! };
    };
    const ends = { from: at(connection.from), to: at(connection.to) };
    const plug = (end: End): PlugAt | null => {
      const [one, other] = [ends[end], ends[end === 'from' ? 'to' : 'from']];
      if (!one?.jack) return null;
      const toward: Point | null = other?.jack ?? null;
      return plugAt(rig, connection, end, one.standing, one.jack, toward);
    };
    const missing = [ends.from, ends.to].find((one) => one && !one.jack)?.wanted ?? null;
    return { connection, from: plug('from'), to: plug('to'), missing };
  });
}

/** A router remembers nothing of a rig: it is made for one terrain. */
type Router = Pick<TidyRouter, 'route'>;

const endOf = ({ exit, leaves, layer }: PlugAt) => ({
  x: toMm(exit.x),
  y: toMm(exit.y),
  leaves,
  layer,
});

/** What routes depend on, beside what stands where. */
interface Routed {
  readonly key: string;
  readonly laying: Laying;
  readonly lanes: Laid['layout']['lanes'];
  readonly boards: Laid['layout']['boards'];
  readonly routes: ReadonlyMap<string, Route | null>;
}

/** The last routes for things that stand where they stand: an edit that only makes a cable as long as its way lays none anew. */
const lastRoutes = remember((_: Laid['layout']['placements']): { last: Routed | null } => ({
  last: null,
}));

const keyOf = (plugged: readonly Plugged[], standings: readonly Standing[]): string =>
  JSON.stringify([
    plugged.map(({ connection, from, to }) => [
      connection.id,
      from?.exit,
      to?.exit,
      from?.rect,
      to?.rect,
    ]),
    standings.map(({ rect }) => rect),
  ]);

/** The way of every cable both of whose ends stand on boards. */
function routesOf(
  rig: Laid,
  decks: readonly Deck[],
  standings: readonly Standing[],
  plugged: readonly Plugged[],
): ReadonlyMap<string, Route | null> {
  const { laying, lanes, boards, placements } = rig.layout;
  const memory = lastRoutes(placements);
  const key = keyOf(plugged, standings);
  const { last } = memory;
  if (last?.key === key && last.laying === laying && last.lanes === lanes && last.boards === boards)
    return last.routes;
  const plugs = plugged.flatMap(({ from, to }) => [from, to].filter((one) => one !== null));
  const terrain = terrainOf(rig, decks, standings, plugs);
  const router: Router =
    laying.manner === 'tidy' ? new TidyRouter(terrain) : new DirectRouter(terrain);
  const routes = new Map(
    plugged.flatMap((one) => {
      const { connection, from, to } = one;
      if (!from || !to || isCoupled(one)) return [];
      return [[connection.id, router.route(endOf(from), endOf(to))] as const];
    }),
  );
  memory.last = { key, laying, lanes, boards, routes };
  return routes;
}

/** All cables of a rig as they lie on its boards. @param isInFeet the rig is kept in feet */
export function wiresOf(
  rig: Laid,
  decks: readonly Deck[],
  standings: readonly Standing[],
  plugged: readonly Plugged[],
  isInFeet: boolean,
): readonly Wire[] {
  if (!plugged.some(({ from, to }) => from && to)) return plugged.map(onNoBoard);
  const { laying } = rig.layout;
  const routes = routesOf(rig, decks, standings, plugged);
  return plugged.map((one) => {
    const { from, to } = one;
    if (!from || !to) return onNoBoard(one);
    if (isCoupled(one)) return { ...one, route: null, isOnBoards: true, madeM: 0 };
    const route = routes.get(one.connection.id) ?? null;
    const madeM = route && madeLength(route, from.entryM + to.entryM, decks, laying, isInFeet);
    return { ...one, route, isOnBoards: true, madeM };
  });
}

const onNoBoard = (one: Plugged): Wire => ({
  ...one,
  route: null,
  isOnBoards: false,
  madeM: null,
});
