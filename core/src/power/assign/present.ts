import { settingsOf } from '../../gear';
import { feedOf, type PowerFeed } from '../../rig';
import type { Choice, Link, OutletClass, Situation } from './choices';

/// What hangs already, as choices of the situation: where nothing is better, nothing moves.

export interface Present {
  readonly choices: readonly Choice[];
  readonly links: readonly Link[];
}

function classOf({ classes }: Situation, feed: PowerFeed, outlet: number): OutletClass | undefined {
  return classes.find(({ supply, group, volts }) => {
    if (supply.id !== feed.supply) return false;
    const first = supply.groups.slice(0, group).reduce((sum, { outlets }) => sum + outlets, 0);
    const isIn = outlet >= first && outlet < first + supply.groups[group]!.outlets;
    const set = outlet === feed.outlet ? feed.volts : null;
    return isIn && volts === (set ?? settingsOf(supply.groups[group]!)[0]!.volts);
  });
}

/** Null where something hangs nowhere, or otherwise than it could be proposed. */
export function presentOf(situation: Situation): Present | null {
  const { rig, free, choices, links } = situation;
  const present = { choices: [] as Choice[], links: [] as Link[] };
  const sockets = new Set<string>();
  for (const [i, { id }] of free.entries()) {
    const feed = feedOf(rig.power, id);
    const on = feed && classOf(situation, feed, feed.outlet);
    if (!feed || !on) return null;
    const isMine = (one: Choice | Link): boolean =>
      one.consumer === i && one.on === on && one.via === feed.via;
    if (feed.after !== null) {
      const link = links.find((one) => isMine(one) && headOf(situation, one) === feed.after);
      if (!link) return null;
      present.links.push(link);
      continue;
    }
    const second = feed.second === null ? null : classOf(situation, feed, feed.second);
    const choice = choices.find((one) => isMine(one) && one.second === second);
    const taken = [feed.outlet, ...(feed.second === null ? [] : [feed.second])];
    if (!choice || taken.some((outlet) => sockets.has(`${feed.supply} ${outlet}`))) return null;
    for (const outlet of taken) sockets.add(`${feed.supply} ${outlet}`);
    present.choices.push(choice);
  }
  return present;
}

const headOf = ({ free }: Situation, { head }: Link): string =>
  typeof head === 'object' ? head.head.id : free[head]!.id;
