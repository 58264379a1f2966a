import type { StoredRig, UpdatedRig, UpdateRig, UpdateState } from '@gullwind/contract';
import { mergeState, upgradeRig, type Rig, type SwitchState } from '@gullwind/core';
import isEqual from 'fast-deep-equal';
import {
  closedWindows,
  findEdits,
  forgetEdits,
  keepEdits,
  windowId,
  type KeptEdits,
} from '../../app/browserStore';
import { ask, sayFailed, type Answer } from '../../app/http';
import { takeAhead } from '../../app/rigAhead';

/// The client of a rig: opening, saving, refreshing and following it, and what this browser keeps of it meanwhile.

const ANSWER_WITHIN_MS = 15_000;

export const fetchRig = (id: string, signal?: AbortSignal): Promise<Answer<StoredRig>> =>
  ask<StoredRig>({ path: `/rigs/${id}`, ...(signal ? { signal } : {}) });

/** The rig that was asked for ahead; asked for now where it was not. */
export const fetchFirst = (id: string, signal: AbortSignal): Promise<Answer<StoredRig>> =>
  takeAhead(id) ?? ask<StoredRig>({ path: `/rigs/${id}`, signal, mayBeKept: true });

export type SaveAnswer =
  | ({ readonly kind: 'saved' } & Pick<UpdatedRig, 'revision' | 'lineage' | 'state'>)
  | { readonly kind: 'stale'; readonly theirs: StoredRig }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'away'; readonly signInNeeded: boolean };

/** A rig to send, what it was edited from, and the foot-switches that the server last told of. */
export interface Unsent {
  readonly id: string;
  readonly rig: Rig;
  readonly basedOn: number;
  readonly lineage?: string;
  readonly stateFrom?: SwitchState;
  /** Nothing but foot-switches was changed: a small document of their own. */
  readonly isStateAlone?: boolean;
}

export async function saveRig(unsent: Unsent): Promise<SaveAnswer> {
  const answer = await ask<UpdatedRig>({
    ...questionOf(unsent),
    method: 'PUT',
    signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
  });
  switch (answer.kind) {
    case 'ok':
      return { kind: 'saved', ...answer.data };
    case 'away':
    case 'signInNeeded':
      return { kind: 'away', signInNeeded: answer.kind === 'signInNeeded' };
    case 'refused': {
      const { theirs } = answer.problem;
      return theirs ? { kind: 'stale', theirs } : { kind: 'refused', message: sayFailed(answer) };
    }
  }
}

function questionOf({ id, rig, basedOn, lineage, stateFrom, isStateAlone }: Unsent) {
  if (stateFrom && isStateAlone) {
    const body: UpdateState = { from: stateFrom, state: rig.state };
    return { path: `/rigs/${id}/state`, body };
  }
  const body: UpdateRig = {
    ...{ basedOn, rig },
    ...(lineage && { lineage }),
    ...(stateFrom && { stateFrom }),
  };
  return { path: `/rigs/${id}`, body };
}

/** Keeps edits in this browser until the server has acknowledged them. */
export const keepRig = async ({ id, rig, basedOn, lineage, stateFrom }: Unsent): Promise<void> =>
  keepEdits({
    rigId: id,
    rig,
    basedOn,
    ...(lineage && { lineage }),
    ...(stateFrom && { stateFrom }),
    windowId: await windowId(),
  });

export const forgetRig = async (rigId: string): Promise<void> =>
  forgetEdits(rigId, await windowId());

type Kept = KeptEdits<Rig, SwitchState>;

/** What this window, and those that are closed, kept; what other open windows keep is theirs. */
async function leftBehind(): Promise<readonly Kept[]> {
  const [mine, isClosed, all] = await Promise.all([windowId(), closedWindows(), findEdits()]);
  return all
    .filter((edits) => edits.windowId === mine || isClosed(edits.windowId))
    .map((edits) => ({ ...(edits as Kept), rig: upgradeRig(edits.rig) as Rig }));
}

/** A rig as the server holds it, with what this browser kept of it where that is another. */
export interface OpenedRig {
  readonly stored: StoredRig;
  readonly mine: Rig | null;
  /** Whether `mine` started from what the server holds. */
  readonly isCurrent: boolean;
}

/** What was kept counts only where it differs from what the server holds; from now on it is this window's. */
export async function joinKept(stored: StoredRig): Promise<OpenedRig> {
  const me = await windowId();
  const all = (await leftBehind()).filter(({ rigId }) => rigId === stored.id);
  const kept = all.find((edits) => edits.windowId === me) ?? all[0];
  if (!kept) return { stored, mine: null, isCurrent: true };
  const mine = withStateOf(kept, stored.rig);
  const isSame = isEqual(mine, stored.rig);
  const { basedOn, lineage } = kept;
  const base = { basedOn, ...(lineage && { lineage }), stateFrom: stored.rig.state };
  if (!isSame) await keepRig({ id: stored.id, rig: mine, ...base });
  if (isSame || kept.windowId !== me) await forgetEdits(kept.rigId, kept.windowId);
  const isCurrent = basedOn === stored.revision && (lineage ?? stored.lineage) === stored.lineage;
  return { stored, mine: isSame ? null : mine, isCurrent };
}

/** A kept rig with the foot-switches that others were at meanwhile. */
const withStateOf = ({ rig, stateFrom }: Kept, { state }: Rig): Rig =>
  stateFrom ? { ...rig, state: mergeState(rig, stateFrom, rig.state, state) } : rig;

/**
 * Sends what this browser kept of rigs that are not open (a window closed, or another rig opened,
 * before the server answered). One that was changed elsewhere stays kept until it is opened.
 */
export async function sendLeftBehind(openId: string | null): Promise<void> {
  for (const edits of await leftBehind()) {
    if (edits.rigId === openId) continue;
    const answer = await saveRig({ ...edits, id: edits.rigId });
    if (answer.kind === 'saved') await forgetEdits(edits.rigId, edits.windowId);
    if (answer.kind === 'away') return;
  }
}

/** Windows of one browser tell each other of saves, so that none shows an old rig for long. */
const CHANNEL = 'gullwind-saves';

let channel: BroadcastChannel | null = null;
const saves = () => (channel ??= new BroadcastChannel(CHANNEL));

export const tellSaved = (rigId: string): void => saves().postMessage(rigId);

const followers = new Set<(rigId: string) => void>();

/** An answer has shown that a rig is another by now. */
export const tellNewer = (rigId: string): void => followers.forEach((follow) => follow(rigId));

/** Calls back whenever a rig may be newer: another window or an answer says so, or this one is looked at again. */
export function followRig(id: string, mayBeNewer: () => void): () => void {
  const follow = (rigId: string) => {
    if (rigId === id) mayBeNewer();
  };
  const heard = ({ data }: MessageEvent<string>) => follow(data);
  followers.add(follow);
  saves().addEventListener('message', heard);
  window.addEventListener('focus', mayBeNewer);
  return () => {
    followers.delete(follow);
    saves().removeEventListener('message', heard);
    window.removeEventListener('focus', mayBeNewer);
  };
}
