import { USUAL_EFFICIENCY, assumed, type Supply } from '../gear';
import { feedOf, freshId, USUAL_DC_M, type Edit, type PowerFeed, type Rig } from '../rig';

/// Edits of what feeds what: one for each thing that a hand does.

/** Where a thing is hung: everything of a feed that is not its cable. */
export type Hanging = Pick<PowerFeed, 'supply' | 'outlet'> &
  Partial<Pick<PowerFeed, 'volts' | 'second' | 'after' | 'via' | 'isFixed'>>;

const newFeed = (id: string, consumer: string, to: Hanging): PowerFeed => ({
  id,
  consumer,
  volts: null,
  second: null,
  after: null,
  via: 'straight',
  efficiency: assumed(USUAL_EFFICIENCY),
  lengthM: assumed(USUAL_DC_M),
  isFixed: false,
  ...to,
});

/** Things that hang behind this one in its chain, nearest first. */
export function behindOf(feeds: readonly PowerFeed[], consumer: string): readonly string[] {
  const found: string[] = [];
  for (let next = [consumer]; next.length > 0;) {
    next = feeds
      .filter(
        ({ after, consumer: one }) =>
          after !== null && next.includes(after) && !found.includes(one),
      )
      .map(({ consumer: one }) => one);
    found.push(...next);
  }
  return found;
}

const replaced = (rig: Rig, at: number, insert: readonly PowerFeed[]): Edit => ({
  kind: 'list',
  of: 'feeds',
  at,
  remove: insert.length === 0 || at < rig.power.feeds.length ? 1 : 0,
  insert,
});

/** One feed as another; what hangs behind it in a chain goes with it. */
export function changeFeed(rig: Rig, consumer: string, to: Partial<PowerFeed>): Edit | null {
  const { feeds } = rig.power;
  const feed = feedOf(rig.power, consumer);
  if (!feed) return null;
  const own = replaced(rig, feeds.indexOf(feed), [{ ...feed, ...to }]);
  const { supply = feed.supply, outlet = feed.outlet } = to;
  const volts = to.volts === undefined ? feed.volts : to.volts;
  const moves = supply !== feed.supply || outlet !== feed.outlet || volts !== feed.volts;
  const behind = moves ? behindOf(feeds, consumer) : [];
  const edits = behind.map((one) => {
    const follower = feedOf(rig.power, one)!;
    return replaced(rig, feeds.indexOf(follower), [{ ...follower, supply, outlet, volts }]);
  });
  return edits.length === 0 ? own : { kind: 'group', edits: [own, ...edits] };
}

/** Hangs a thing on an outlet, or on the plug of another thing. Null where it would hang behind itself. */
export function hang(rig: Rig, consumer: string, to: Hanging): Edit | null {
  const { feeds } = rig.power;
  const { after = null } = to;
  if (after === consumer || (after !== null && behindOf(feeds, consumer).includes(after)))
    return null;
  const feed = feedOf(rig.power, consumer);
  if (!feed)
    return {
      kind: 'list',
      of: 'feeds',
      at: feeds.length,
      remove: 0,
      insert: [newFeed(freshId(rig, 'k'), consumer, to)],
    };
  const { via = 'straight', volts = null, second = null } = to;
  return changeFeed(rig, consumer, { ...to, after, via, volts, second });
}

/** A thing without a feed. What hung behind it hangs where it hung. */
export function unhang(rig: Rig, consumer: string): Edit | null {
  const { feeds } = rig.power;
  const feed = feedOf(rig.power, consumer);
  if (!feed) return null;
  const edits: Edit[] = feeds
    .filter(({ after }) => after === consumer)
    .map((one) => replaced(rig, feeds.indexOf(one), [{ ...one, after: feed.after }]));
  return { kind: 'group', edits: [...edits, replaced(rig, feeds.indexOf(feed), [])] };
}

/** A supply of the gear list for the rig. */
export const addSupply = (rig: Rig, supply: Omit<Supply, 'id'>): Edit => ({
  kind: 'list',
  of: 'supplies',
  at: rig.power.supplies.length,
  remove: 0,
  insert: [{ ...supply, id: freshId(rig, 'u') }],
});

/** Takes a supply out of the rig, with its place and all that it feeds. */
export function removeSupply(rig: Rig, id: string): Edit {
  const { supplies, feeds, oneBox } = rig.power;
  const edits: Edit[] = feeds
    .map((feed, i) => ({ feed, i }))
    .filter(({ feed }) => feed.supply === id)
    .map(({ i }, gone) => ({ kind: 'list', of: 'feeds', at: i - gone, remove: 1, insert: [] }));
  const { [id]: _, ...others } = oneBox;
  if (id in oneBox) edits.push({ kind: 'assign', field: 'oneBox', to: others });
  if (id in rig.layout.placements) edits.push({ kind: 'place', id, to: null });
  const at = supplies.findIndex((supply) => supply.id === id);
  return {
    kind: 'group',
    edits: [...edits, { kind: 'list', of: 'supplies', at, remove: 1, insert: [] }],
  };
}

/** Another supply under the same id: what it feeds hangs where it hung, outlet by outlet. */
export function tradeSupply(rig: Rig, id: string, supply: Omit<Supply, 'id'>): Edit {
  const { supplies } = rig.power;
  const at = supplies.findIndex((one) => one.id === id);
  return { kind: 'list', of: 'supplies', at, remove: 1, insert: [{ ...supply, id }] };
}
