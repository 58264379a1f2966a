import { caseOf, connectionsOf, thingsOf } from '../board';
import { nameConnection } from '../figures';
import { allDevices, feedOf, type Rig } from '../rig';
import { consumersOf } from '../power';

/// What is easily forgotten, found from what is connected to what.

export interface Forgotten {
  readonly kind: 'cable' | 'jumper' | 'toAmp' | 'dc' | 'midi' | 'control' | 'junction';
  readonly says: string;
  /** It will not play without; or it is only likely to be missed. */
  readonly isMust: boolean;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Cables that are missing, jacks that want one and have none, and what leaves the board at no junction. */
export function forgottenIn(rig: Rig): readonly Forgotten[] {
  return [
    ...missingCables(rig),
    ...openInserts(rig),
    ...unfed(rig),
    ...openControls(rig),
    ...junction(rig),
  ];
}

function* missingCables(rig: Rig): Generator<Forgotten> {
  for (const row of rig.electrical.rows)
    for (const [i, cable] of row.cables.entries()) {
      if (cable) continue;
      const isLast = i === row.devices.length;
      const isJumper = row.at.kind === 'loop' && row.devices.length === 0;
      const kind = isJumper ? 'jumper' : row.at.kind === 'main' && isLast ? 'toAmp' : 'cable';
      const says = `${capital(nameConnection(rig, row, i))} is missing.`;
      yield { kind, says, isMust: true };
    }
}

/** A pedal's own send and return with nothing between them. */
function* openInserts(rig: Rig): Generator<Forgotten> {
  for (const { id, name, insert } of allDevices(rig)) {
    const isUsed = rig.electrical.rows.some(({ at }) => at.kind === 'loop' && at.device === id);
    if (insert === 'own' && !isUsed)
      yield {
        kind: 'jumper',
        says: `${name} has a send and a return with nothing between them: if it does not switch them through by itself, it wants a jumper.`,
        isMust: false,
      };
  }
}

function* unfed(rig: Rig): Generator<Forgotten> {
  for (const { id, name } of consumersOf(rig))
    if (!feedOf(rig.power, id))
      yield { kind: 'dc', says: `${name} has no DC cable.`, isMust: true };
}

/** Jacks for commands: a foot controller without any cable is of no use. */
function* openControls(rig: Rig): Generator<Forgotten> {
  const ends = connectionsOf(rig)
    .filter(({ carries }) => carries !== 'audio' && carries !== 'dc')
    .flatMap(({ from, to }) => [from, to]);
  for (const { id, name, kind, body } of thingsOf(rig))
    for (const wants of ['midi', 'control'] as const) {
      if (!body.jacks.some((jack) => jack.kind === wants)) continue;
      if (ends.some((end) => end && caseOf(rig, end.thing) === id && end.kind === wants)) continue;
      const word = wants === 'midi' ? 'MIDI' : 'control';
      const says = `The ${word} jack of ${name} has no cable.`;
      yield { kind: wants, says, isMust: kind === 'fixture' };
    }
}

/** Where long cables leave a board, a junction saves its jacks. */
function* junction(rig: Rig): Generator<Forgotten> {
  const { boards, fixtures } = rig.layout;
  const leaves = connectionsOf(rig).some(
    ({ carries, from, to }) => carries === 'audio' && (from === null) !== (to === null),
  );
  if (boards.length > 0 && leaves && !fixtures.some((one) => one.fixtureClass === 'junction'))
    yield {
      kind: 'junction',
      says: 'The long cables end in the pedals themselves: junction jacks at the edge of the board take the pull.',
      isMust: false,
    };
}
