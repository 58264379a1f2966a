import type { Brief } from './brief';
import { chainOf, type Chain } from './chain';
import { remember } from './remember';
import type { Rig } from './rig';

const rigs = remember((_: Chain) => new WeakMap<Brief, Rig>());

/**
 * A rig for those who plan: the same one, by identity, as long as neither what the signal feels nor what the
 * player asks for is another.
 */
export function planningOf(rig: Rig): Rig {
  const known = rigs(chainOf(rig));
  const { brief } = rig.texts;
  let planned = known.get(brief);
  if (!planned) known.set(brief, (planned = rig));
  return planned;
}
