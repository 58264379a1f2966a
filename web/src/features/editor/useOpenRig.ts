import type { Problem, StoredRig } from '@gullwind/contract';
import isEqual from 'fast-deep-equal';
import { useEffect, useState } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { sendLeftBehind } from './autosave';
import { editorActions, hasUnsaved, type EditorState, type OpenRig } from './editorSlice';
import {
  announceWindow,
  findKeptRig,
  forgetRig,
  keepRig,
  windowId,
  type KeptRig,
} from './keptRigs';
import { hearOtherWindows } from './otherWindows';

interface State {
  readonly editor: EditorState;
}

export type Opening =
  | { readonly kind: 'opening' | 'away' }
  | { readonly kind: 'open'; readonly open: OpenRig }
  | { readonly kind: 'failed'; readonly message: string };

const ASK_AGAIN_MS = 1500;

announceWindowOnce();

function announceWindowOnce() {
  if (typeof navigator !== 'undefined' && 'locks' in navigator) announceWindow();
}

/** Opens a rig in the editor, together with what this browser kept of it, and keeps it current. */
export function useOpenRig(id: string, onNewer: () => void): Opening {
  const dispatch = useDispatch();
  const store = useStore<State>();
  const open = useSelector((state: State) => state.editor.open);
  const [state, setState] = useState<
    { kind: 'opening' | 'away' } | { kind: 'failed'; message: string }
  >({ kind: 'opening' });

  useEffect(() => {
    const stop = new AbortController();
    void openUntilThere(id, stop.signal, setState).then((found) => {
      if (!found || stop.signal.aborted) return;
      dispatch(editorActions.rigOpened(found));
      void sendLeftBehind(id);
    });
    return () => stop.abort();
  }, [id, dispatch]);

  useEffect(() => {
    const stop = new AbortController();
    const refresh = async () => {
      const newest = await fetchRig(id, stop.signal).catch(() => null);
      const now = store.getState().editor.open;
      if (newest?.kind !== 'found' || now?.id !== id || newest.stored.revision <= now.basedOn)
        return;
      if (hasUnsaved(now) || now.preview) return;
      dispatch(editorActions.newerArrived(newest.stored));
      onNewer();
    };
    const unhear = hearOtherWindows((save) => {
      const now = store.getState().editor.open;
      if (save.rigId === id && now && save.revision > now.basedOn) void refresh();
    });
    window.addEventListener('focus', refresh);
    return () => {
      stop.abort();
      unhear();
      window.removeEventListener('focus', refresh);
    };
  }, [id, dispatch, store, onNewer]);

  return open?.id === id ? { kind: 'open', open } : state;
}

type Fetched =
  | { readonly kind: 'found'; readonly stored: StoredRig }
  | { readonly kind: 'failed'; readonly message: string };

/** @throws when the server does not answer */
async function fetchRig(id: string, signal: AbortSignal): Promise<Fetched> {
  const response = await fetch(`/api/rigs/${id}`, { signal });
  if (response.ok) return { kind: 'found', stored: (await response.json()) as StoredRig };
  if (response.status >= 500) throw new Error(`the server answered ${response.status}`);
  return { kind: 'failed', message: ((await response.json()) as Problem).detail };
}

async function openUntilThere(
  id: string,
  signal: AbortSignal,
  tell: (state: { kind: 'opening' | 'away' } | { kind: 'failed'; message: string }) => void,
) {
  tell({ kind: 'opening' });
  while (!signal.aborted) {
    const fetched = await fetchRig(id, signal).catch(() => null);
    if (fetched?.kind === 'found') return joinKept(fetched.stored, await findKeptRig(id));
    if (signal.aborted) return null;
    tell(fetched ?? { kind: 'away' });
    if (fetched) return null;
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
  }
  return null;
}

/** What was kept counts only where it differs from what the server holds. */
async function joinKept(stored: StoredRig, kept: KeptRig | null) {
  if (!kept) return { stored, mine: null, basedOn: stored.revision };
  const same = isEqual(kept.rig, stored.rig);
  if (!same) await keepRig(kept);
  if (same || kept.windowId !== windowId()) await forgetRig(kept.rigId, kept.windowId);
  return { stored, mine: same ? null : kept.rig, basedOn: kept.basedOn };
}
