import {
  DEFAULT_REFERENCE_CABLE,
  assumed,
  destinationOfKind,
  guitarOfClass,
  type ReferenceCable,
} from '../gear';
import { NO_BOOK } from './book';
import { NOTHING_BUILT } from './build';
import { NO_LAYOUT } from './layout';
import { NO_POWER } from './power';
import { RIG_FORMAT, type Rig } from './rig';
import { textsOf } from './texts';
import { usualCable } from './usualLengths';

/** Guitar, one cable, amp: where every rig starts. */
export function newRig(name: string, reference: ReferenceCable = DEFAULT_REFERENCE_CABLE): Rig {
  const cable = usualCable({ electrical: { reference } }, 'l1', 6, 'cable');
  return {
    format: RIG_FORMAT,
    nextIds: { g: 2, r: 2, l: 2, e: 2 },
    electrical: {
      guitars: [guitarOfClass('brightSingle', 'guitar')],
      rows: [{ id: 'r1', at: { kind: 'main' }, devices: [], cables: [cable] }],
      destinations: [destinationOfKind('amp', 'amp')],
      ownDestination: null,
      reference,
      approach: { kind: 'clear', wantedHz: assumed(3000) },
      scenes: [],
      places: [],
      links: [],
    },
    state: { positions: {}, playing: 'g1', unpowered: [] },
    layout: NO_LAYOUT,
    power: NO_POWER,
    build: NOTHING_BUILT,
    book: NO_BOOK,
    texts: textsOf(name),
    pins: [],
  };
}
