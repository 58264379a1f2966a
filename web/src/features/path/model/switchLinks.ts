import { nameSwitches, type Rig } from '@gullwind/core';

/** Switches that act together: the letter of their group, and what else is in it, in words. */
export interface SwitchLink {
  readonly letter: string;
  readonly others: string;
}

/** By switch; switches that act alone are not in it. */
export function switchLinks(rig: Rig): ReadonlyMap<string, SwitchLink> {
  const found = new Map<string, SwitchLink>();
  rig.electrical.links
    .filter((link) => link.length > 1)
    .forEach((link, i) => {
      const letter = String.fromCharCode('a'.charCodeAt(0) + (i % 26));
      for (const id of link) {
        const others = link.filter((other) => other !== id);
        found.set(id, { letter, others: nameSwitches(rig, others).join(', ') });
      }
    });
  return found;
}
