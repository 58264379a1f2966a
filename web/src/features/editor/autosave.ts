import type {
  createListenerMiddleware,
  ListenerEffectAPI,
  ThunkDispatch,
  UnknownAction,
} from '@reduxjs/toolkit';
import isEqual from 'fast-deep-equal';
import { api as baseApi } from '../../app/api';
import { editorActions, hasUnsaved, type EditorState, type OpenRig } from './editorSlice';
import { keepHistory } from './history';
import { forgetRig, keepRig, saveRig, tellNewer, tellSaved, type Unsent } from './rigClient';

interface State {
  readonly editor: EditorState;
}

type Listener = ReturnType<typeof createListenerMiddleware>;
type Effect = ListenerEffectAPI<State, ThunkDispatch<State, unknown, UnknownAction>>;

/** How long the hand must rest before a save, and how often a server that is away is asked again. */
const REST_MS = 400;
const ASK_AGAIN_MS = 1500;

/**
 * Keeps every edit in the browser at once and sends it when the hand rests. What the server has
 * acknowledged is let go of; what it has not is kept and sent until it answers.
 */
export function startAutosave(listener: Listener): void {
  const start = listener.startListening.withTypes<
    State,
    ThunkDispatch<State, unknown, UnknownAction>
  >();
  start({
    predicate: (_action, now, before) => now.editor.open !== null && before.editor.open === null,
    effect: (_action, api) => {
      api.unsubscribe();
      keepHistory(() => api.getState().editor.open);
    },
  });
  start({
    predicate: (_action, now, before) => now.editor.open?.rig !== before.editor.open?.rig,
    effect: (_action, api) => keepEdits(api.getState().editor.open),
  });
  start({
    predicate: (_action, now) => isDue(now.editor.open),
    effect: async (_action, api) => {
      api.cancelActiveListeners();
      await api.delay(REST_MS);
      // From here on the save runs to its end: cancelling it would leave its answer unread.
      api.unsubscribe();
      do await saveUntilDone(api);
      while (isDue(api.getState().editor.open));
      api.subscribe();
    },
  });
}

const isDue = (open: OpenRig | null): boolean =>
  open !== null && open.save.kind === 'waiting' && open.theirs === null;

async function keepEdits(open: OpenRig | null): Promise<void> {
  if (open && hasUnsaved(open)) await keepRig(unsentOf(open));
}

const unsentOf = ({ id, rig, basedOn, lineage, acknowledged }: OpenRig): Unsent => ({
  id,
  rig,
  basedOn,
  lineage,
  stateFrom: acknowledged.state,
  isStateAlone: isEqual({ ...rig, state: null }, { ...acknowledged, state: null }),
});

async function saveUntilDone(api: Effect): Promise<void> {
  for (;;) {
    const { open } = api.getState().editor;
    if (!open || open.theirs) return;
    if (!hasUnsaved(open)) return settle(api, open);
    const outcome = await send(open, api);
    if (outcome === 'stop') return;
    if (outcome === 'away') await pause(ASK_AGAIN_MS);
  }
}

/** Everything is with the server: nothing to keep. */
async function settle(api: Effect, open: OpenRig): Promise<void> {
  await forgetRig(open.id);
  if (api.getState().editor.open?.id !== open.id) return;
  api.dispatch(
    editorActions.saveAcknowledged({
      sent: open.rig,
      revision: open.basedOn,
      state: open.rig.state,
    }),
  );
}

async function send(open: OpenRig, api: Effect): Promise<'again' | 'away' | 'stop'> {
  if (open.save.kind !== 'away') api.dispatch(editorActions.saveStarted());
  const unsent = unsentOf(open);
  const answer = await saveRig(unsent);
  if (api.getState().editor.open?.id !== open.id) return 'stop';
  switch (answer.kind) {
    case 'saved': {
      const { revision, lineage, state } = answer;
      // Foot-switches alone are kept whatever the rest has become: it still is what it was edited from.
      const isBase = revision === open.basedOn && lineage === open.lineage;
      const isElsewhere = unsent.isStateAlone && !isBase;
      const known = isElsewhere ? open.basedOn : revision;
      api.dispatch(editorActions.saveAcknowledged({ sent: open.rig, revision: known, state }));
      if (isElsewhere) tellNewer(open.id);
      // The list of rigs shows names and figures of what was just saved.
      api.dispatch(baseApi.util.invalidateTags(['rigs']));
      tellSaved(open.id);
      return 'again';
    }
    case 'stale':
      api.dispatch(editorActions.conflictFound(answer.theirs));
      return 'stop';
    case 'refused':
      api.dispatch(editorActions.saveRefused(answer.message));
      return 'stop';
    case 'away':
      if (answer.signInNeeded) api.dispatch(baseApi.util.invalidateTags(['session']));
      api.dispatch(editorActions.serverAway());
      return 'away';
  }
}

/** Waits, or until the browser is back on the network. */
function pause(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer);
      window.removeEventListener('online', done);
      resolve();
    };
    const timer = setTimeout(done, ms);
    window.addEventListener('online', done);
  });
}
