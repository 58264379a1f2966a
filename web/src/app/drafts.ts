import { useCallback, useState, useSyncExternalStore, type SetStateAction } from 'react';
import { findDrafts, forgetDraft, keepDraft } from './browserStore';

/// What was begun and is not sent yet: readings being taken, a run of answers, a form half typed. It is kept by what it is
/// about, in this browser, and is there again after another page, a reload, or a closed tab.

const SEPARATOR = '/';
/** What nobody came back to for so long is not wanted any more. */
const DAYS_KEPT = 60;
const DAY_MS = 86_400_000;

const values = new Map<string, unknown>();
const listeners = new Set<() => void>();

const tell = () => {
  for (const listener of [...listeners]) listener();
};

const listen = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};

/** What was kept before is shown as soon as it is known. */
void findDrafts().then((drafts) => {
  const oldest = Date.now() - DAYS_KEPT * DAY_MS;
  for (const { key, value, at } of drafts) {
    if (at < oldest) void forgetDraft(key);
    // What was begun in this window meanwhile is newer.
    else if (!values.has(key)) values.set(key, value);
  }
  tell();
});

/** The subject of a draft: "measure", "cables", "readings". */
export const draftKey = (...words: readonly string[]): string => words.join(SEPARATOR);

/** A state that is kept under a key until it is put aside; elsewhere the same as `useState`. */
export function useDraft<T>(
  key: string,
  initial: T,
): readonly [T, (to: SetStateAction<T>) => void] {
  const [first] = useState(initial);
  const read = () => (values.has(key) ? (values.get(key) as T) : first);
  const value = useSyncExternalStore(listen, read);
  const set = useCallback(
    (to: SetStateAction<T>) => {
      const now = values.has(key) ? (values.get(key) as T) : first;
      const next = typeof to === 'function' ? (to as (before: T) => T)(now) : to;
      values.set(key, next);
      void keepDraft(key, next);
      tell();
    },
    [key, first],
  );
  return [value, set];
}

const under = (subject: string) => (key: string) =>
  key === subject || key.startsWith(subject + SEPARATOR);

/** It was sent: it stays where it is shown, but is not taken up again after a reload. */
export function draftsSent(subject: string): void {
  for (const key of values.keys()) if (under(subject)(key)) void forgetDraft(key);
}

/** Begins afresh. */
export function dropDrafts(subject: string): void {
  for (const key of [...values.keys()].filter(under(subject))) {
    values.delete(key);
    void forgetDraft(key);
  }
  tell();
}
