import type { Brief } from './brief';
import { chainOf, type Chain } from './chain';
import { remember } from './remember';
import type { Rig } from './rig';

const rigs = remember((_: Chain) => new Map<string, Rig>());

/** What of a brief says when and how long it is worked at: no plan is another for it. */
const OF_TIME: ReadonlySet<string> = new Set<keyof Brief>(['deadline', 'hoursADay']);

/**
 * A rig for those who plan: the same one, by identity, as long as neither what the signal feels nor what the
 * player asks of a plan is another.
 */
export function planningOf(rig: Rig): Rig {
  const known = rigs(chainOf(rig));
  const asked = JSON.stringify(rig.texts.brief, (key, value: unknown) =>
    OF_TIME.has(key) ? undefined : value,
  );
  let planned = known.get(asked);
  if (!planned) known.set(asked, (planned = rig));
  return planned;
}
