import {
  DEFAULT_REFERENCE_LEAD,
  assumed,
  endOfKind,
  entered,
  guitarOfClass,
  leadOfClass,
  type ReferenceLead,
} from '../gear';
import { NO_BRIEF } from './brief';
import { RIG_FORMAT, type Rig } from './rig';

/** Guitar, one lead, amp: where every rig starts. */
export function newRig(name: string, reference: ReferenceLead = DEFAULT_REFERENCE_LEAD): Rig {
  const lead = leadOfClass('ordinary', 'l1', entered(6), 'lead');
  return {
    format: RIG_FORMAT,
    name,
    player: '',
    note: '',
    guitars: [guitarOfClass('brightSingle', 'guitar')],
    rows: [{ id: 'r1', at: { kind: 'main' }, devices: [], leads: [lead] }],
    ends: [endOfKind('amp', 'amp')],
    reference,
    approach: { kind: 'clear', wantedHz: assumed(3000) },
    standing: { positions: {}, playing: 'g1', powered: true },
    scenes: [],
    situations: [],
    links: [],
    silenced: [],
    brief: NO_BRIEF,
    pins: [],
  };
}
