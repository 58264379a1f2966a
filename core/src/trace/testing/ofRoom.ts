import type { Act } from '../faultKinds';
import { CLOSE_AMP, still, type Draft, type TraceTest, type Trying } from './test';

/// What is around the rig.

const ROOM: readonly (readonly [Act, Draft])[] = [
  [
    'turned',
    {
      kind: 'turn',
      minutes: 0.3,
      does: 'Turn slowly on the spot, a quarter at a time, and stay where it is quietest.',
      hold: 'Both hands on the guitar, strings damped.',
      asks: 'Is it still as strong everywhere?',
    },
  ],
  [
    'lampsOff',
    {
      kind: 'lamps',
      minutes: 1,
      does: 'Have dimmers taken to full or off, and lamps near the guitar off.',
      hold: 'Stand where you play.',
    },
  ],
  [
    'radiosOff',
    {
      kind: 'radios',
      minutes: 0.7,
      does: 'Take telephones, transmitters and wireless sets three metres away, one after the other.',
      hold: 'Stay where you play.',
    },
  ],
  [
    'audioIsolated',
    {
      kind: 'isolate',
      minutes: 1.5,
      does: 'An isolating transformer between board and amp, in the audio.',
      hold: 'The box stands on the floor; one cable in, one out.',
      caution: 'Only the audio is isolated. A safety earth is never lifted.',
    },
  ],
  [
    'cablesLaidApart',
    {
      kind: 'layApart',
      minutes: 1,
      does: 'Lay audio cables a hand away from mains and supplies, crossing at right angles, long ones uncoiled.',
      hold: 'Both hands at the cables.',
    },
  ],
  [
    'otherCircuit',
    {
      kind: 'otherCircuit',
      minutes: 3,
      does: 'Amp and board together onto another house circuit, then have circuits switched off one by one.',
      hold: 'Whoever looks after the house does the switching.',
      caution: 'Stage mains follow local electrical codes.',
    },
  ],
  [
    'ampMoved',
    {
      kind: 'moveAmp',
      minutes: 2,
      does: 'Move the amp two metres, away from transformers and dimmer racks, and turn it.',
      hold: 'Two people at a heavy one.',
      caution: CLOSE_AMP,
    },
  ],
];

/** Noises that a room makes, and the acts of theirs. */
const OF_ROOM = ['hum', 'buzz', 'radio', 'squeal'];
/** What a room cannot do about a guitar that sings. */
const AGAINST_SQUEAL: readonly Act[] = ['ampMoved'];

export function* ofRoom(trying: Trying): Generator<TraceTest> {
  if (!OF_ROOM.includes(trying.symptom)) return;
  const isMagnetic = trying.way.front[0]!.guitar?.kind === 'magnetic';
  for (const [act, draft] of ROOM) {
    if (act === 'turned' && !isMagnetic) continue;
    if (trying.symptom === 'squeal' && !AGAINST_SQUEAL.includes(act)) continue;
    yield still(trying, draft, { acts: new Set([act]) });
  }
}
