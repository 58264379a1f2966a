import type { CreateRig, StoredRig } from '@gullwind/contract';
import { mergeState, upgradeRig, type Rig, type SwitchState } from '@gullwind/core';
import isEqual from 'fast-deep-equal';
import { hearChanges } from '../../app/changes/changeFeed';
import { ask, type Answer } from '../../app/http';
import { outbox, type RigSave } from '../../app/outbox';
import { takeAhead } from '../../app/rigAhead';

/// The client of a rig: opening and following it, and what this browser keeps of it meanwhile.

export const fetchRig = (id: string, signal?: AbortSignal): Promise<Answer<StoredRig>> =>
  ask<StoredRig>({ path: `/rigs/${id}`, ...(signal ? { signal } : {}) });

/** The rig that was asked for ahead; asked for now where it was not. */
export const fetchFirst = (id: string, signal: AbortSignal): Promise<Answer<StoredRig>> =>
  takeAhead(id) ?? ask<StoredRig>({ path: `/rigs/${id}`, signal, mayBeKept: true });

/** Of a rig that has just been made. */
const FIRST_REVISION = 1;

export const subjectOf = (rigId: string): string => `rig:${rigId}`;

/** A rig as the server holds it, with what this browser kept of it where that is another. */
export interface OpenedRig {
  readonly stored: StoredRig;
  readonly mine: Unsaved | null;
}

/** Edits that the server has not acknowledged, and what they were made on. */
export interface Unsaved {
  readonly rig: Rig;
  readonly basedOn: number;
  readonly lineage: string;
  readonly base: Rig;
}

/** What was kept counts only where it differs from what the server holds. */
export async function joinKept(stored: StoredRig): Promise<OpenedRig> {
  await outbox.ready;
  const subject = subjectOf(stored.id);
  const last = outbox.of(subject).findLast(({ name }) => name === 'saveRig');
  if (!last) return { stored, mine: null };
  const args = last.args as RigSave;
  const kept: RigSave = { ...args, rig: upgradeRig(args.rig) as Rig };
  const rig = withStateOf(kept, stored.rig);
  // One before it may still reach the server: what is the same now is not when it has.
  const isAlone = outbox.of(subject).length === 1;
  if (isAlone && isEqual(rig, stored.rig)) {
    await outbox.dropUnsent(subject);
    return { stored, mine: null };
  }
  // Nobody has decided yet: it is tried again, now that there is somebody who can.
  if (last.state === 'parked') await outbox.again(last.id);
  return { stored, mine: unsavedFrom({ ...kept, rig }, { ...stored, acknowledged: stored.rig }) };
}

/** A rig that was made in this browser and is not with the server yet; null where it was not. */
export async function madeHere(id: string): Promise<OpenedRig | null> {
  await outbox.ready;
  const made = outbox.of(subjectOf(id)).find(({ name }) => name === 'createRig');
  if (!made) return null;
  const rig = upgradeRig((made.args as CreateRig).rig) as Rig;
  const updatedAt = new Date(made.nth).toISOString();
  return joinKept({ id, rig, revision: FIRST_REVISION, lineage: '', updatedAt });
}

/** What a save that is kept makes of a rig as it is known here; earlier versions kept less. */
export const unsavedFrom = (
  { rig, basedOn, lineage, base }: RigSave,
  known: { readonly lineage: string; readonly acknowledged: Rig },
): Unsaved => ({
  rig: upgradeRig(rig) as Rig,
  basedOn,
  lineage: lineage ?? known.lineage,
  base: base ?? known.acknowledged,
});

/** A kept rig with the foot-switches that others were at meanwhile. */
const withStateOf = ({ rig, stateFrom }: RigSave, { state }: Rig): Rig =>
  stateFrom ? { ...rig, state: mergeState(rig, stateFrom, rig.state, state as SwitchState) } : rig;

const followers = new Set<(rigId: string) => void>();

/** An answer has shown that a rig is another by now. */
export const tellNewer = (rigId: string): void => followers.forEach((follow) => follow(rigId));

/** Calls back whenever a rig may be newer: somebody changed it, an answer says so, or this window is looked at again. */
export function followRig(id: string, mayBeNewer: () => void): () => void {
  const follow = (rigId: string) => {
    if (rigId === id) mayBeNewer();
  };
  const subject = subjectOf(id);
  const unhear = hearChanges((news) => {
    if (news === null || news.some((change) => change.subject === subject)) mayBeNewer();
  });
  followers.add(follow);
  window.addEventListener('focus', mayBeNewer);
  return () => {
    unhear();
    followers.delete(follow);
    window.removeEventListener('focus', mayBeNewer);
  };
}
