import type { Change, Changes } from '@gullwind/contract';
import { windowId } from '../openWindows';
import { ask, type Answer } from '../http';
import { wakeOutbox } from '../outbox';

/// What others change is heard within a moment. One window of a browser asks the server and tells the others; where
/// the browser cannot say which (a page that was not served securely), each asks by itself, now and then.

const LEADER_LOCK = 'gullwind-changes';
const CHANNEL = 'gullwind-changes';
const WAIT_S = 25;
const NOW_AND_THEN_MS = 3000;
const FIRST_PAUSE_MS = 1500;
const LONGEST_PAUSE_MS = 6000;

/** What has been changed; null: all may have been. */
export type News = readonly Change[] | null;
type Listener = (news: News) => void;

const listeners = new Set<Listener>();
let isFollowing = false;

/** Calls back on what others change; returns what stops it. */
export function hearChanges(listener: Listener): () => void {
  listeners.add(listener);
  if (!isFollowing) {
    isFollowing = true;
    follow();
  }
  return () => void listeners.delete(listener);
}

function follow(): void {
  if (!('locks' in navigator)) {
    void askOn(tell, 0);
    return;
  }
  const channel = new BroadcastChannel(CHANNEL);
  channel.addEventListener('message', ({ data }: MessageEvent<News>) => void tell(data));
  const tellAll = async (news: News) => {
    channel.postMessage(news);
    await tell(news);
  };
  // Held until this window closes; then another one of the browser asks on.
  void navigator.locks.request(LEADER_LOCK, () => askOn(tellAll, WAIT_S)).catch(() => undefined);
}

/** What this window did is no news to it. */
async function tell(news: News): Promise<void> {
  const me = await windowId();
  const ofOthers = news?.filter(({ by }) => by !== me) ?? null;
  if (ofOthers?.length === 0) return;
  for (const listener of [...listeners]) listener(ofOthers);
}

/** Asks and tells for as long as the window lives. */
async function askOn(told: (news: News) => Promise<void>, waitS: number): Promise<never> {
  let at: Pick<Changes, 'feed' | 'cursor'> | null = null;
  let wasAway = false;
  let pauseMs = FIRST_PAUSE_MS;
  for (;;) {
    const answer: Answer<Changes> = await ask<Changes>(questionFrom(at, waitS));
    if (answer.kind !== 'ok') {
      wasAway ||= answer.kind === 'away';
      await rest(pauseMs);
      pauseMs = Math.min(pauseMs * 1.5, LONGEST_PAUSE_MS);
      continue;
    }
    pauseMs = FIRST_PAUSE_MS;
    if (wasAway) wakeOutbox();
    wasAway = false;
    const { feed, cursor, isAll, changes }: Changes = answer.data;
    if (isAll || changes.length > 0) await told(isAll ? null : changes);
    at = { feed, cursor };
    if (waitS === 0) await rest(NOW_AND_THEN_MS);
  }
}

function questionFrom(at: Pick<Changes, 'feed' | 'cursor'> | null, waitS: number) {
  const query = at ? { feed: at.feed, since: at.cursor, waitS: String(waitS) } : {};
  return {
    path: `/changes?${new URLSearchParams(query)}`,
    signal: AbortSignal.timeout((waitS + 10) * 1000),
  };
}

const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
