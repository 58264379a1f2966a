import { consumersOf } from '../power';
import type { Rig } from '../rig';
import { mountedAt } from './lanesOfRig';
import { MINUTES } from './minutes';
import { placeWord } from './placeWord';
import { BLADE, shortWord, step, type Step } from './step';

/** Everything before the first cable. */
export function beginning(rig: Rig): readonly Step[] {
  return rig.layout.boards.length === 0
    ? [PHOTO, ...clips(rig)]
    : [PHOTO, ...clips(rig), CLEAN, tape(rig), mounts(rig), stand(rig)];
}

const PHOTO = step({
  id: 'photo-before',
  kind: 'photoBefore',
  says: 'Photograph it as it is',
  detail: 'From above and from below, with every setting readable.',
  minutes: MINUTES.photo,
  isSpare: true,
});

const CLEAN = step({
  id: 'clean',
  kind: 'clean',
  says: 'Clean the board and the bottoms of the cases',
  detail: 'Old glue off, grease off; let it dry.',
  minutes: MINUTES.clean,
  caution: 'Solvents: air, gloves, no flame.',
});

function clips(rig: Rig): readonly Step[] {
  if (consumersOf(rig).length === 0) return [];
  const one = step({
    id: 'clips',
    kind: 'clips',
    says: 'Insulate loose battery clips',
    detail: 'Take out batteries that are not used; tape or cap every bare clip.',
    minutes: MINUTES.clips,
    caution: 'A bare clip shorts against the case.',
  });
  return [one];
}

const standing = ({ layout }: Rig) =>
  Object.entries(layout.placements).filter(([, one]) => one.at === 'deck');

const tape = (rig: Rig): Step =>
  step({
    id: 'tape',
    kind: 'tape',
    says: `Put on the ${rig.build.ways.change === 'modular' ? 'tape that comes off again' : 'mounting tape'}`,
    minutes: MINUTES.tapeEach * standing(rig).length,
    pieces: standing(rig).map(([id]) => id),
    tools: ['scissors'],
    caution: BLADE,
    needs: ['clean'],
  });

const mounts = (rig: Rig): Step =>
  step({
    id: 'mounts',
    kind: 'mounts',
    says: 'Fix the tie-down mounts along their lanes',
    detail: 'Along a straight line of tape, from end to end.',
    minutes: Math.round(MINUTES.mountEach * mountedAt(rig).length),
    fingerprint: `mounts ${laneKey(rig)}`,
    pieces: mountedAt(rig).map(({ lane, atM }) => `${lane.id}:${shortWord(`${lane.yM} ${atM}`)}`),
    parts: ['mount'],
    needs: ['clean'],
  });

const stand = (rig: Rig): Step =>
  step({
    id: 'stand',
    kind: 'stand',
    says: standing(rig).some(([, one]) => one.at === 'deck' && one.isUnder)
      ? 'Hang what hangs below, then stand the pedals'
      : 'Stand the pedals',
    detail: 'As on the full-size drawing: plugs in to see the clearance.',
    minutes: MINUTES.standEach * standing(rig).length,
    fingerprint: `stand ${standKey(rig)}`,
    pieces: standing(rig).map(([id]) => `${id}:${placeWord(rig, id)}`),
    needs: ['tape', 'mounts'],
  });

const standKey = ({ layout }: Rig): string =>
  Object.entries(layout.placements)
    .map(([id, one]) =>
      one.at === 'deck'
        ? `${id} ${Math.round(one.xM * 1000)} ${Math.round(one.yM * 1000)} ${one.turn} ${one.isUnder ? 'u' : 't'}`
        : `${id} ${one.at}`,
    )
    .sort()
    .join(';');

const laneKey = ({ layout }: Rig): string =>
  layout.lanes.map(({ id, yM, fromM, toM }) => [id, yM, fromM, toM].join(' ')).join(';');
