import type { Rig } from '@gullwind/core';
import isEqual from 'fast-deep-equal';
import { keepOverReload, keptOverReload } from '../../app/browserStore';
import type { OpenRig } from './model/editorSlice';
import type { History } from './model/step';

interface KeptHistory extends History {
  readonly id: string;
  /** The rig that it leads to: of another it says nothing. */
  readonly rig: Rig;
}

const NONE: History = { past: [], future: [] };
const MOST_STEPS = 200;

/** When the window is left, what can be undone is kept for the case that it comes again. */
export function keepHistory(read: () => OpenRig | null): void {
  window.addEventListener('pagehide', () => {
    const open = read();
    if (!open) return;
    const { id, rig, past, future } = open;
    const kept: KeptHistory = {
      id,
      rig,
      past: past.slice(-MOST_STEPS),
      future: future.slice(-MOST_STEPS),
    };
    keepOverReload(JSON.stringify(kept));
  });
}

/** What this window could undo of a rig before it was reloaded; nothing where the rig is another by now. */
export function historyOf(id: string, rig: Rig): History {
  const text = keptOverReload();
  if (text === null) return NONE;
  try {
    const kept = JSON.parse(text) as KeptHistory;
    return kept.id === id && isEqual(kept.rig, rig)
      ? { past: kept.past, future: kept.future }
      : NONE;
  } catch {
    return NONE;
  }
}
