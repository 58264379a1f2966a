import type { SwitchState } from '../rig';
import { wireAt, type Link, type OpenWay } from './openWay';
import type { SectionNode } from './sectionTree';

/** One section on the way of one state, and what it ends in. */
export interface Walked {
  readonly node: SectionNode;
  readonly into: Extract<Link, { kind: 'driver' | 'destination' }>;
}

/** The sections of one state of the switches at one place; null where something mutes. */
export function followState(
  { first, root }: OpenWay,
  positions: SwitchState['positions'],
  place: number,
): readonly Walked[] | null {
  const walked: Walked[] = [];
  let node = root;
  let at = first;
  for (;;) {
    switch (at.kind) {
      case 'silence':
        return null;
      case 'wire':
        node = node.then(wireAt(at, place));
        at = at.next;
        break;
      case 'choice':
        at = positions[at.switchId] === true ? at.on : at.off;
        break;
      case 'driver':
        walked.push({ node, into: at });
        node = at.root;
        at = at.next;
        break;
      case 'destination':
        walked.push({ node, into: at });
        return walked;
    }
  }
}
