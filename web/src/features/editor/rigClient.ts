import type { SavedRig, StoredRig } from '@gullwind/contract';
import { upgradeRig, type Rig } from '@gullwind/core';
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

/// The client of a rig: opening, saving, refreshing and following it, and what this browser keeps of it meanwhile.

const ANSWER_WITHIN_MS = 15_000;

export const fetchRig = (id: string, signal?: AbortSignal): Promise<Answer<StoredRig>> =>
  ask<StoredRig>({ path: `/rigs/${id}`, ...(signal ? { signal } : {}) });

export type SaveAnswer =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'stale'; readonly theirs: StoredRig }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'away'; readonly signInNeeded: boolean };

export async function saveRig(id: string, basedOn: number, rig: Rig): Promise<SaveAnswer> {
  const answer = await ask<SavedRig>({
    path: `/rigs/${id}`,
    method: 'PUT',
    body: { basedOn, rig },
    signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
  });
  switch (answer.kind) {
    case 'ok':
      return { kind: 'saved', revision: answer.data.revision };
    case 'away':
    case 'signInNeeded':
      return { kind: 'away', signInNeeded: answer.kind === 'signInNeeded' };
    case 'refused': {
      const { theirs } = answer.problem;
      return theirs ? { kind: 'stale', theirs } : { kind: 'refused', message: sayFailed(answer) };
    }
  }
}

/** Keeps edits in this browser until the server has acknowledged them. */
export const keepRig = async (rigId: string, basedOn: number, rig: Rig): Promise<void> =>
  keepEdits({ rigId, rig, basedOn, windowId: await windowId() });

export const forgetRig = async (rigId: string): Promise<void> =>
  forgetEdits(rigId, await windowId());

/** What this window, and those that are closed, kept; what other open windows keep is theirs. */
async function leftBehind(): Promise<readonly KeptEdits<Rig>[]> {
  const [mine, isClosed, all] = [await windowId(), await closedWindows(), await findEdits()];
  return all
    .filter((edits) => edits.windowId === mine || isClosed(edits.windowId))
    .map((edits) => ({ ...edits, rig: upgradeRig(edits.rig) as Rig }));
}

/** A rig as the server holds it, with what this browser kept of it where that is another. */
export interface OpenedRig {
  readonly stored: StoredRig;
  readonly mine: Rig | null;
  /** The revision that `mine` started from. */
  readonly basedOn: number;
}

/** What was kept counts only where it differs from what the server holds; from now on it is this window's. */
export async function joinKept(stored: StoredRig): Promise<OpenedRig> {
  const me = await windowId();
  const all = (await leftBehind()).filter(({ rigId }) => rigId === stored.id);
  const kept = all.find((edits) => edits.windowId === me) ?? all[0];
  if (!kept) return { stored, mine: null, basedOn: stored.revision };
  const isSame = isEqual(kept.rig, stored.rig);
  if (!isSame) await keepRig(stored.id, kept.basedOn, kept.rig);
  if (isSame || kept.windowId !== me) await forgetEdits(kept.rigId, kept.windowId);
  return { stored, mine: isSame ? null : kept.rig, basedOn: kept.basedOn };
}

/**
 * Sends what this browser kept of rigs that are not open (a window closed, or another rig opened,
 * before the server answered). One that was changed elsewhere stays kept until it is opened.
 */
export async function sendLeftBehind(openId: string | null): Promise<void> {
  for (const edits of await leftBehind()) {
    if (edits.rigId === openId) continue;
    const answer = await saveRig(edits.rigId, edits.basedOn, edits.rig);
    if (answer.kind === 'saved') await forgetEdits(edits.rigId, edits.windowId);
    if (answer.kind === 'away') return;
  }
}

/** Windows of one browser tell each other of saves, so that none shows an old rig for long. */
interface SavedElsewhere {
  readonly rigId: string;
  readonly revision: number;
}

const CHANNEL = 'gullwind-saves';

let channel: BroadcastChannel | null = null;
const saves = () => (channel ??= new BroadcastChannel(CHANNEL));

export const tellSaved = (save: SavedElsewhere): void => saves().postMessage(save);

/** Calls back whenever a rig may be newer: another window has saved it, or this one is looked at again. */
export function followRig(id: string, mayBeNewer: (revision: number | null) => void): () => void {
  const heard = ({ data }: MessageEvent<SavedElsewhere>) => {
    if (data.rigId === id) mayBeNewer(data.revision);
  };
  const looked = () => mayBeNewer(null);
  saves().addEventListener('message', heard);
  window.addEventListener('focus', looked);
  return () => {
    saves().removeEventListener('message', heard);
    window.removeEventListener('focus', looked);
  };
}
