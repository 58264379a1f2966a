import {
  ampOfClass,
  DEFAULT_REFERENCE_LEAD,
  entered,
  guitarOfClass,
  leadOfClass,
  type ReferenceLead,
} from '../gear';
import { RIG_FORMAT, type Rig } from './rig';

/** Guitar, one lead, amp: where every rig starts. */
export function newRig(name: string, reference: ReferenceLead = DEFAULT_REFERENCE_LEAD): Rig {
  return {
    format: RIG_FORMAT,
    name,
    player: '',
    note: '',
    guitar: guitarOfClass('brightSingle', 'guitar'),
    devices: [],
    leads: [leadOfClass('ordinary', 'l1', entered(6), 'lead')],
    amp: ampOfClass('amp'),
    reference,
    positions: {},
  };
}
