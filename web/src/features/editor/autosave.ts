import {
  isAnyOf,
  type createListenerMiddleware,
  type ListenerEffectAPI,
  type ThunkDispatch,
  type UnknownAction,
} from '@reduxjs/toolkit';
import type { SavedRig, UpdatedRig } from '@gullwind/contract';
import isEqual from 'fast-deep-equal';
import { hearRemoved, setOpenRig } from '../../app/openRig';
import { outbox, type Operation, type OutboxEvent, type RigSave } from '../../app/outbox';
import { editorActions, hasUnsaved, type EditorState, type OpenRig } from './model/editorSlice';
import { keepHistory } from './history';
import { subjectOf, tellNewer, unsavedFrom } from './rigClient';

interface State {
  readonly editor: EditorState;
}

type Listener = ReturnType<typeof createListenerMiddleware>;
type Effect = ListenerEffectAPI<State, ThunkDispatch<State, unknown, UnknownAction>>;
type Store = Pick<Effect, 'dispatch' | 'getState'>;

/** How long the hand must rest before a save. */
const REST_MS = 400;

/**
 * Puts every edit into the outbox at once, to be sent when the hand rests, and shows what becomes of it there. While
 * both this window and another changed the rig, nothing is put there: somebody has to decide first.
 */
export function startAutosave(listener: Listener): void {
  const start = listener.startListening.withTypes<
    State,
    ThunkDispatch<State, unknown, UnknownAction>
  >();
  start({
    predicate: (_action, now, before) =>
      now.editor.open !== null && (before.editor?.open ?? null) === null,
    effect: (_action, api) => {
      api.unsubscribe();
      keepHistory(() => api.getState().editor.open);
      outbox.listen((event) => show(api, event));
      hearRemoved((id) => api.dispatch(editorActions.rigRemoved(id)));
    },
  });
  start({
    predicate: (_action, now, before) => now.editor.open?.id !== before.editor?.open?.id,
    effect: (_action, api) => setOpenRig(api.getState().editor.open?.id ?? null),
  });
  start({
    predicate: (action, now, before) =>
      !isFromOutbox(action) && isEdited(now.editor.open, before.editor?.open ?? null),
    effect: async (_action, api) => {
      const { open } = api.getState().editor;
      if (open && !open.theirs) await keep(api, open);
    },
  });
}

const isFromOutbox = isAnyOf(editorActions.merged, editorActions.takenUp);

/** A hand changed it, or decided that its changes stand. What has just been opened is in the outbox already. */
const isEdited = (now: OpenRig | null, before: OpenRig | null): boolean =>
  now !== null &&
  now.id === before?.id &&
  now.theirs === null &&
  (now.rig !== before.rig || before.theirs !== null);

async function keep(api: Store, open: OpenRig): Promise<void> {
  const subject = subjectOf(open.id);
  if (hasUnsaved(open)) return void outbox.ask('saveRig', saveOf(open), REST_MS);
  // Taken back to what the server has: nothing to send.
  await outbox.dropUnsent(subject);
  const { open: now } = api.getState().editor;
  if (now?.id !== open.id || hasUnsaved(now) || outbox.of(subject).length > 0) return;
  if (now.save.kind !== 'saved') api.dispatch(editorActions.settled());
}

const saveOf = ({ id, rig, basedOn, lineage, acknowledged }: OpenRig): RigSave => ({
  id,
  rig,
  basedOn,
  lineage,
  base: acknowledged,
  stateFrom: acknowledged.state,
  isStateAlone: isEqual({ ...rig, state: null }, { ...acknowledged, state: null }),
});

/** What becomes of a save of the open rig. */
function show(api: Store, event: OutboxEvent): void {
  const { open } = api.getState().editor;
  const { operation } = event;
  if (!open || operation.subject !== subjectOf(open.id)) return;
  if (operation.name === 'createRig' && event.kind === 'done')
    api.dispatch(editorActions.created(event.data as SavedRig));
  if (operation.name !== 'saveRig') return;
  switch (event.kind) {
    case 'kept':
    case 'dropped':
    case 'refused':
      return;
    case 'takenUp':
      return takeUp(api, open, operation);
    case 'sending':
      if (open.save.kind !== 'away') api.dispatch(editorActions.saveStarted());
      return;
    case 'away':
      return void api.dispatch(editorActions.serverAway());
    case 'done':
      return acknowledge(api, open, operation.args as RigSave, event.data as UpdatedRig);
    case 'resolved':
      return void api.dispatch(
        editorActions.merged({
          from: (event.before.args as RigSave).rig,
          rig: (operation.args as RigSave).rig,
          theirs: event.problem.theirs!,
        }),
      );
    case 'parked': {
      const { theirs, detail } = event.problem;
      api.dispatch(
        theirs ? editorActions.conflictFound(theirs) : editorActions.saveRefused(detail),
      );
    }
  }
}

/** Its edits are shown here; where somebody had to decide, it is tried again, now that there is somebody who can. */
function takeUp(api: Store, open: OpenRig, { id, args, state }: Operation): void {
  api.dispatch(editorActions.takenUp(unsavedFrom(args as RigSave, open)));
  if (state === 'parked') void Promise.resolve().then(() => outbox.again(id));
}

function acknowledge(api: Store, open: OpenRig, sent: RigSave, data: UpdatedRig): void {
  const { revision, lineage, state } = data;
  // Foot-switches alone are kept whatever the rest has become: it still is what it was edited from.
  const isBase = revision === open.basedOn && lineage === open.lineage;
  const isElsewhere = sent.isStateAlone === true && !isBase;
  const known = isElsewhere ? open.basedOn : revision;
  api.dispatch(editorActions.saveAcknowledged({ sent: sent.rig, revision: known, state }));
  if (isElsewhere) tellNewer(open.id);
  const { open: now } = api.getState().editor;
  if (now && now.id === open.id && hasUnsaved(now) && outbox.of(subjectOf(now.id)).length === 0)
    void keep(api, now);
}
