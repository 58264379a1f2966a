import { useEffect, useState } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { sayFailed } from '../../app/http';
import { editorActions, type EditorState, type OpenRig } from './model/editorSlice';
import { arrivedFor } from './model/arrivals';
import { historyOf } from './history';
import {
  fetchFirst,
  fetchRig,
  followRig,
  joinKept,
  madeHere,
  tellNewer,
  type OpenedRig,
} from './rigClient';

interface State {
  readonly editor: EditorState;
}

type Waiting =
  { readonly kind: 'opening' | 'away' } | { readonly kind: 'failed'; readonly message: string };

export type Opening = Waiting | { readonly kind: 'open'; readonly open: OpenRig };

const ASK_AGAIN_MS = 1500;

/** Opens a rig in the editor, together with what this browser kept of it, and keeps it current. */
export function useOpenRig(id: string, onNewer: () => void): Opening {
  const dispatch = useDispatch();
  const store = useStore<State>();
  const open = useSelector((state: State) => state.editor.open);
  const [state, setState] = useState<Waiting>({ kind: 'opening' });

  useNewest(id, onNewer);
  useServerBack(open?.id === id && open.isKept ? id : null);
  useEffect(() => {
    // It stays open from one stage to the next, with what can be undone; it may be newer elsewhere.
    if (store.getState().editor.open?.id === id) return tellNewer(id);
    const stop = new AbortController();
    void openUntilThere(id, stop.signal, setState).then((found) => {
      if (!found || stop.signal.aborted) return;
      const history = historyOf(id, found.mine?.rig ?? found.stored.rig);
      dispatch(editorActions.rigOpened({ ...found, history }));
    });
    return () => stop.abort();
  }, [id, dispatch, store]);
  return open?.id === id ? { kind: 'open', open } : state;
}

/** Shows what was saved elsewhere as soon as it may be there, unless something here is unsaved. */
function useNewest(id: string, onNewer: () => void): void {
  const dispatch = useDispatch();
  const store = useStore<State>();
  useEffect(() => {
    const stop = new AbortController();
    const unfollow = followRig(id, () => {
      void fetchRig(id, stop.signal).then((newest) => {
        if (newest.kind !== 'ok') return;
        const arrived = arrivedFor(store.getState().editor.open, newest.data);
        if (arrived?.kind === 'switches') dispatch(editorActions.switchesArrived(arrived.state));
        if (arrived?.kind !== 'newer') return;
        dispatch(editorActions.newerArrived(arrived.stored));
        onNewer();
      });
    });
    return () => {
      stop.abort();
      unfollow();
    };
  }, [id, dispatch, store, onNewer]);
}

/** Asks until the server answers again for a rig that was opened as it was last seen. */
function useServerBack(id: string | null): void {
  const dispatch = useDispatch();
  useEffect(() => {
    if (id === null) return undefined;
    const stop = new AbortController();
    const timer = setInterval(() => {
      void fetchRig(id, stop.signal).then(({ kind }) => {
        if (kind === 'away' || stop.signal.aborted) return;
        dispatch(editorActions.serverBack());
        tellNewer(id);
      });
    }, ASK_AGAIN_MS);
    return () => {
      stop.abort();
      clearInterval(timer);
    };
  }, [id, dispatch]);
}

/** Null where it was given up, or the server says no. */
async function openUntilThere(
  id: string,
  signal: AbortSignal,
  tell: (state: Waiting) => void,
): Promise<(OpenedRig & { readonly isKept: boolean }) | null> {
  tell({ kind: 'opening' });
  for (let fetch = fetchFirst; !signal.aborted; fetch = fetchRig) {
    const answer = await fetch(id, signal);
    if (signal.aborted) return null;
    if (answer.kind === 'ok')
      return { ...(await joinKept(answer.data)), isKept: answer.isKept === true };
    const own = await madeHere(id);
    if (own) return { ...own, isKept: true };
    if (answer.kind === 'refused') {
      tell({ kind: 'failed', message: sayFailed(answer) });
      return null;
    }
    tell({ kind: 'away' });
    await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
  }
  return null;
}
