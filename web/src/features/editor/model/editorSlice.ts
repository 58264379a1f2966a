import type { StoredRig } from '@gullwind/contract';
import {
  applyEdit,
  applyFollowing,
  isSameState,
  keepCounters,
  mergeRigs,
  mergeState,
  type Edit,
  type Rig,
  type SwitchState,
} from '@gullwind/core';
import isEqual from 'fast-deep-equal';
import type { History, Step } from './step';
import type { Unsaved } from '../rigClient';
import { createSlice, original, type Draft, type PayloadAction } from '@reduxjs/toolkit';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'waiting' }
  | { readonly kind: 'saving' }
  /** The server does not answer; edits are kept in this browser and sent when it does. */
  | { readonly kind: 'away' }
  | { readonly kind: 'refused'; readonly message: string };

/** The rig under the user's hands, and how it stands with the server. */
export interface OpenRig {
  readonly id: string;
  readonly rig: Rig;
  /** An edit in the making (a drag): shown, not yet made. */
  readonly preview: Edit | null;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  /** The revision on the server that `rig` starts from. */
  readonly basedOn: number;
  readonly lineage: string;
  /** What the server is known to hold at that revision. */
  readonly acknowledged: Rig;
  readonly save: SaveState;
  /** As it was last seen here: the server was away when it was opened, and has not answered since. */
  readonly isKept: boolean;
  /** The server's rig, where it was changed elsewhere while this one was too. */
  readonly theirs: StoredRig | null;
}

export interface EditorState {
  readonly open: OpenRig | null;
  /** Why the last edit was refused, counted so that the same refusal is told again. */
  readonly refusal: { readonly message: string; readonly count: number } | null;
}

const initialState: EditorState = { open: null, refusal: null };

let lastMade: {
  readonly rig: Rig;
  readonly edit: Edit;
  readonly result: ReturnType<typeof applyFollowing>;
} | null = null;

/** What was shown while the hand moved is what is made when it lets go: the same edit on the same rig is not made twice. */
function applyAsShown(rig: Rig, edit: Edit): ReturnType<typeof applyFollowing> {
  if (lastMade?.rig !== rig || !isEqual(lastMade.edit, edit))
    lastMade = { rig, edit, result: applyFollowing(rig, edit) };
  return lastMade.result;
}

/** What a hand does takes the lengths of cables with it as the board says them; what is taken back has them already. */
function takeStep(
  rig: Rig,
  step: Step,
  apply = applyEdit,
): { rig: Rig; inverse: Step } | { message: string } {
  if (step.kind === 'whole')
    return { rig: keepCounters(step.rig, rig), inverse: { kind: 'whole', rig } };
  const result = apply(rig, step.edit);
  if (result.kind === 'refused') return { message: result.message };
  return { rig: result.rig, inverse: { kind: 'edit', edit: result.inverse } };
}

const refuse = (state: EditorState, message: string): EditorState => ({
  ...state,
  refusal: { message, count: (state.refusal?.count ?? 0) + 1 },
});

const unsaved = (open: OpenRig): SaveState =>
  open.save.kind === 'away' ? open.save : { kind: 'waiting' };

/** Makes a step and puts its inverse on the past; a step that changes nothing leaves no trace. */
function perform(state: EditorState, step: Step): EditorState {
  const { open } = state;
  if (!open) return state;
  const taken = takeStep(open.rig, step, applyAsShown);
  if ('message' in taken)
    return refuse({ ...state, open: { ...open, preview: null } }, taken.message);
  if (taken.rig === open.rig) return { ...state, open: { ...open, preview: null } };
  const past = [...open.past, taken.inverse];
  return {
    ...state,
    open: { ...open, rig: taken.rig, preview: null, past, future: [], save: unsaved(open) },
  };
}

function travel(state: EditorState, from: 'past' | 'future', to: 'past' | 'future'): EditorState {
  const { open } = state;
  const step = open?.[from].at(-1);
  if (!open || !step) return state;
  const taken = takeStep(open.rig, step);
  if ('message' in taken) return refuse(state, taken.message);
  return {
    ...state,
    open: {
      ...open,
      rig: taken.rig,
      preview: null,
      [from]: open[from].slice(0, -1),
      [to]: [...open[to], taken.inverse],
      save: unsaved(open),
    },
  };
}

type Reduce<P> = (state: EditorState, payload: P) => EditorState;

/**
 * Rigs are frozen values compared by identity, so reducers work on the state itself rather than on a
 * draft of it.
 */
const plainly =
  <P>(reduce: Reduce<P>) =>
  (draft: EditorState, { payload }: PayloadAction<P>): EditorState =>
    reduce(original(draft as Draft<EditorState>) as EditorState, payload);

interface Arrival {
  readonly stored: StoredRig;
  /** What this browser kept because it could not be sent. */
  readonly mine: Unsaved | null;
  /** What could be undone before the window was reloaded. */
  readonly history: History;
  readonly isKept?: boolean;
}

function arrive(
  _state: EditorState,
  { stored, mine, history, isKept = false }: Arrival,
): EditorState {
  return {
    refusal: null,
    open: {
      id: stored.id,
      rig: mine?.rig ?? stored.rig,
      preview: null,
      past: history.past,
      future: history.future,
      basedOn: mine?.basedOn ?? stored.revision,
      lineage: mine?.lineage ?? stored.lineage,
      acknowledged: mine?.base ?? stored.rig,
      save: { kind: mine ? 'waiting' : 'saved' },
      isKept,
      theirs: null,
    },
  };
}

/** The server's rig in the place of this one, which undo brings back. */
const give = (open: OpenRig, theirs: StoredRig): Partial<OpenRig> => ({
  rig: theirs.rig,
  preview: null,
  past: [...open.past, { kind: 'whole', rig: open.rig }],
  future: [],
  basedOn: theirs.revision,
  lineage: theirs.lineage,
  acknowledged: theirs.rig,
  theirs: null,
  save: { kind: 'saved' },
});

interface Merged {
  /** What was sent. */
  readonly from: Rig;
  /** The same with what was changed elsewhere. */
  readonly rig: Rig;
  readonly theirs: StoredRig;
}

/** What was changed elsewhere comes to what was changed here; steps of before can still be taken back one by one. */
function joinTheirs(open: OpenRig, { from, rig, theirs }: Merged): Partial<OpenRig> {
  const joined = open.rig === from ? rig : mergeRigs(from, open.rig, rig);
  if (!joined) return { theirs };
  const isWhole = ({ kind }: Step) => kind === 'whole';
  return {
    rig: joined,
    past: open.past.slice(open.past.findLastIndex(isWhole) + 1),
    future: [],
    basedOn: theirs.revision,
    lineage: theirs.lineage,
    acknowledged: theirs.rig,
  };
}

interface Acknowledgement {
  readonly sent: Rig;
  readonly revision: number;
  /** The foot-switches as the server holds them, those of other hands among them. */
  readonly state: SwitchState;
}

function acknowledge(open: OpenRig, { sent, revision, state }: Acknowledgement): Partial<OpenRig> {
  const acknowledged = isSameState(sent.state, state) ? sent : { ...sent, state };
  if (open.rig === sent)
    return { basedOn: revision, acknowledged, rig: acknowledged, save: { kind: 'saved' } };
  const mine = { ...open.rig, state: mergeState(open.rig, sent.state, open.rig.state, state) };
  const rig = mine.state === open.rig.state ? open.rig : mine;
  return { basedOn: revision, acknowledged, rig, save: { kind: 'waiting' } };
}

const onOpen = <P>(change: (open: OpenRig, payload: P) => Partial<OpenRig>) =>
  plainly<P>((state, payload) =>
    state.open ? { ...state, open: { ...state.open, ...change(state.open, payload) } } : state,
  );

export const editorSlice = createSlice({
  name: 'editor',
  initialState: initialState as EditorState,
  reducers: {
    rigOpened: plainly<Arrival>(arrive),
    /** It was taken off the list. */
    rigRemoved: plainly<string>((state, id) =>
      state.open?.id === id ? { ...state, open: null } : state,
    ),
    edited: plainly<Edit>((state, edit) => perform(state, { kind: 'edit', edit })),
    /** A whole rig in the place of this one, as one step. */
    replaced: plainly<Rig>((state, rig) => perform(state, { kind: 'whole', rig })),
    /** An edit in the making; null lets go of it. */
    previewed: onOpen<Edit | null>((_open, preview) => ({ preview })),
    undone: plainly<void>((state) => travel(state, 'past', 'future')),
    redone: plainly<void>((state) => travel(state, 'future', 'past')),
    /** It was made here, and is with the server now. */
    created: onOpen<Pick<StoredRig, 'revision' | 'lineage'>>((_open, { revision, lineage }) => ({
      basedOn: revision,
      lineage,
      isKept: false,
    })),
    saveStarted: onOpen<void>(() => ({ save: { kind: 'saving' } })),
    saveAcknowledged: onOpen<Acknowledgement>(acknowledge),
    /** Another hand was at the foot-switches while nothing here was unsaved. */
    switchesArrived: onOpen<SwitchState>((open, state) => {
      const rig = { ...open.rig, state };
      return { rig, acknowledged: rig };
    }),
    /** It is as the server has it: nothing is left to send. */
    settled: onOpen<void>(() => ({ save: { kind: 'saved' } })),
    /** Others changed other parts of it meanwhile. */
    merged: onOpen<Merged>(joinTheirs),
    /** Another window of this browser had changed it and is closed: its edits go on here. */
    takenUp: onOpen<Unsaved>(({ past, save }, { rig, basedOn, lineage, base }) => ({
      ...{ rig, basedOn, lineage, past, future: [], acknowledged: base },
      save: save.kind === 'away' ? save : { kind: 'waiting' },
    })),
    serverBack: onOpen<void>(() => ({ isKept: false })),
    serverAway: onOpen<void>(() => ({ save: { kind: 'away' } })),
    saveRefused: onOpen<string>((_open, message) => ({ save: { kind: 'refused', message } })),
    conflictFound: onOpen<StoredRig>((_open, theirs) => ({ theirs })),
    /** The rig changed elsewhere while nothing here was unsaved: theirs is simply newer. */
    newerArrived: onOpen<StoredRig>(give),
    mineKept: onOpen<void>(({ theirs }) =>
      theirs
        ? {
            basedOn: theirs.revision,
            lineage: theirs.lineage,
            acknowledged: theirs.rig,
            theirs: null,
            save: { kind: 'waiting' },
          }
        : {},
    ),
    theirsKept: onOpen<void>((open) => (open.theirs ? give(open, open.theirs) : {})),
  },
});

export const editorActions = editorSlice.actions;

/** The rig as shown: with the edit in the making, where it can be made. */
export function shownRig({ rig, preview }: Pick<OpenRig, 'rig' | 'preview'>): Rig {
  if (!preview) return rig;
  const result = applyAsShown(rig, preview);
  return result.kind === 'ok' ? result.rig : rig;
}

export const hasUnsaved = (open: OpenRig): boolean => open.rig !== open.acknowledged;
