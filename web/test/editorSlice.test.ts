import type { StoredRig } from '@gullwind/contract';
import {
  deviceOfClass,
  insertDevice,
  mainRow,
  newRig,
  setCableLength,
  toggleSwitch,
  type Rig,
} from '@gullwind/core';
import {
  editorActions,
  editorSlice,
  hasUnsaved,
  shownRig,
  type EditorState,
  type OpenRig,
} from '../src/features/editor/model/editorSlice';

const stored = (rig: Rig, revision = 1): StoredRig => ({
  ...{ id: 'rig', revision, lineage: 'l', updatedAt: '' },
  rig,
});
const reduce = (
  state: EditorState,
  ...actions: Parameters<typeof editorSlice.reducer>[1][]
): EditorState => actions.reduce(editorSlice.reducer, state);

const rig = newRig('board');
const NONE = { past: [], future: [] };
const opened = (mine: Rig | null = null, basedOn = 1, revision = 1): EditorState =>
  reduce(
    editorSlice.getInitialState(),
    editorActions.rigOpened({
      stored: stored(rig, revision),
      mine: mine && { rig: mine, basedOn, lineage: stored(rig).lineage, base: rig },
      history: NONE,
    }),
  );
const openOf = (state: EditorState): OpenRig => state.open!;
const length = (state: EditorState) => mainRow(openOf(state).rig).cables[0]!.lengthM.value;

const longer = editorActions.edited(setCableLength('l1', 9));
const longest = editorActions.edited(setCableLength('l1', 12));

test('what a closed window had edited is unsaved here; undo goes back over it to what was done before', () => {
  const theirs = newRig('theirs');
  const edited = reduce(opened(), longer, editorActions.undone());
  const state = reduce(
    edited,
    editorActions.takenUp({ rig: theirs, basedOn: 3, lineage: 'm', base: rig }),
  );
  const { rig: shown, basedOn, lineage, save, past, future } = openOf(state);
  expect([shown, basedOn, lineage, save.kind]).toEqual([theirs, 3, 'm', 'waiting']);
  expect([past, future, hasUnsaved(openOf(state))]).toEqual([openOf(edited).past, [], true]);
});

test('edits, undo and redo without limit', () => {
  let state = opened();
  for (let k = 1; k <= 200; k++)
    state = reduce(state, editorActions.edited(setCableLength('l1', k / 10)));
  for (let k = 0; k < 200; k++) state = reduce(state, editorActions.undone());
  expect(openOf(state).rig).toEqual(rig);
  expect(reduce(state, editorActions.undone())).toEqual(state);
  for (let k = 0; k < 200; k++) state = reduce(state, editorActions.redone());
  expect(length(state)).toBe(20);
});

test('what was shown while the hand moved is what is made when it lets go', () => {
  const edit = setCableLength('l1', 7);
  const shown = shownRig(openOf(reduce(opened(), editorActions.previewed(edit))));
  expect(shownRig(openOf(reduce(opened(), editorActions.previewed(edit))))).toBe(shown);
  const made = reduce(opened(), editorActions.previewed(edit), editorActions.edited({ ...edit }));
  expect(openOf(made).rig).toBe(shown);
  // Another rig, or another edit, is another result.
  const further = reduce(made, editorActions.edited(setCableLength('l1', 8)));
  expect(length(further)).toBe(8);
  expect(length(reduce(opened(), editorActions.edited(setCableLength('l1', 8))))).toBe(8);
});

test('a new edit after undo lets go of what was undone', () => {
  const state = reduce(opened(), longer, editorActions.undone(), longest);
  expect(openOf(state).future).toEqual([]);
  expect(length(state)).toBe(12);
});

test('an edit that changes nothing leaves no trace, a refused one a message', () => {
  const same = reduce(opened(), editorActions.edited(switchAll(opened())));
  expect(openOf(same).past).toEqual([]);
  const refused = reduce(opened(), editorActions.edited(setCableLength('l1', -3)));
  expect(refused.refusal).toEqual({
    message: 'Cable length: −3\u00a0m, at least 0\u00a0m.',
    count: 1,
  });
  expect(openOf(refused).rig).toBe(rig);
  expect(reduce(refused, editorActions.edited(setCableLength('l1', -3))).refusal!.count).toBe(2);
});

const switchAll = (state: EditorState) =>
  ({ kind: 'switch', positions: openOf(state).rig.state.positions }) as const;

test('a drag is shown while it lasts and is one edit when it destinations', () => {
  const dragged = reduce(
    opened(),
    editorActions.previewed(setCableLength('l1', 7)),
    editorActions.previewed(setCableLength('l1', 8)),
  );
  expect(length(dragged)).toBe(6);
  expect(mainRow(shownRig(openOf(dragged))).cables[0]!.lengthM.value).toBe(8);
  const done = reduce(dragged, editorActions.edited(setCableLength('l1', 8)));
  expect(openOf(done).past).toHaveLength(1);
  expect(shownRig(openOf(done))).toBe(openOf(done).rig);
  expect(shownRig(openOf(reduce(dragged, editorActions.previewed(null))))).toBe(rig);
});

test('switches are undone like anything else', () => {
  const pedal = insertDevice(rig, 0, deviceOfClass('drive', ''));
  let state = reduce(opened(), editorActions.edited(pedal));
  state = reduce(state, editorActions.edited(toggleSwitch(openOf(state).rig, 'd1')));
  expect(openOf(state).rig.state.positions).toEqual({ d1: true });
  expect(openOf(reduce(state, editorActions.undone())).rig.state.positions).toEqual({});
});

describe('saving', () => {
  test('from waiting to saved', () => {
    const edited = reduce(opened(), longer);
    expect(openOf(edited).save.kind).toBe('waiting');
    expect(hasUnsaved(openOf(edited))).toBe(true);
    const saved = reduce(
      edited,
      editorActions.saveStarted(),
      editorActions.saveAcknowledged({ sent: openOf(edited).rig, revision: 2, state: rig.state }),
    );
    expect(openOf(saved)).toMatchObject({ save: { kind: 'saved' }, basedOn: 2 });
    expect(hasUnsaved(openOf(saved))).toBe(false);
  });

  test('an edit made while a save is on its way waits for the next one', () => {
    const sending = reduce(opened(), longer, editorActions.saveStarted());
    const sent = openOf(sending).rig;
    const state = reduce(
      sending,
      longest,
      editorActions.saveAcknowledged({ sent, revision: 2, state: rig.state }),
    );
    expect(openOf(state)).toMatchObject({
      save: { kind: 'waiting' },
      basedOn: 2,
      acknowledged: sent,
    });
  });

  test('while the server is away, edits do not hide it', () => {
    expect(openOf(reduce(opened(), longer, editorActions.serverAway(), longest)).save.kind).toBe(
      'away',
    );
  });
});

describe('changes from elsewhere', () => {
  const theirs = stored({ ...rig, texts: { ...rig.texts, name: 'theirs' } }, 5);

  test('a newer rig takes the place of one without unsaved edits, and undo brings it back', () => {
    const state = reduce(opened(), editorActions.newerArrived(theirs));
    expect(openOf(state)).toMatchObject({ rig: theirs.rig, basedOn: 5, save: { kind: 'saved' } });
    expect(openOf(reduce(state, editorActions.undone()))).toMatchObject({
      rig,
      save: { kind: 'waiting' },
    });
  });

  test('keep mine goes on from theirs; keep theirs can be undone to mine', () => {
    const conflict = reduce(opened(), longer, editorActions.conflictFound(theirs));
    const mine = openOf(conflict).rig;
    expect(openOf(reduce(conflict, editorActions.mineKept()))).toMatchObject({
      rig: mine,
      basedOn: 5,
      theirs: null,
      save: { kind: 'waiting' },
    });
    const kept = reduce(conflict, editorActions.theirsKept());
    expect(openOf(kept)).toMatchObject({
      rig: theirs.rig,
      basedOn: 5,
      theirs: null,
      save: { kind: 'saved' },
    });
    expect(openOf(reduce(kept, editorActions.undone())).rig).toBe(mine);
  });

  test('a kept rig opens as unsaved, on what it was made on', () => {
    const mine = { ...rig, texts: { ...rig.texts, name: 'kept here' } };
    expect(openOf(opened(mine, 1, 3))).toMatchObject({
      theirs: null,
      save: { kind: 'waiting' },
      rig: mine,
      basedOn: 1,
      acknowledged: rig,
    });
    expect(hasUnsaved(openOf(opened(mine, 1, 3)))).toBe(true);
  });

  test('other parts that others changed come along; steps of before can still be taken back', () => {
    const before = reduce(opened(), longer);
    const from = openOf(before).rig;
    const joined = { ...from, texts: { ...from.texts, name: 'theirs' } };
    const state = reduce(before, editorActions.merged({ from, rig: joined, theirs }));
    expect(openOf(state)).toMatchObject({ rig: joined, basedOn: 5, acknowledged: theirs.rig });
    expect(hasUnsaved(openOf(state))).toBe(true);
    expect(openOf(reduce(state, editorActions.undone())).rig).toEqual({
      ...rig,
      texts: { ...rig.texts, name: 'theirs' },
    });
  });

  test('what was changed here since comes along, too; where it is the same part, somebody decides', () => {
    const before = reduce(opened(), longer);
    const from = openOf(before).rig;
    const named = { ...from, texts: { ...from.texts, name: 'theirs' } };
    const merge = editorActions.merged({ from, rig: named, theirs });
    const both = openOf(reduce(before, longest, merge));
    expect([length({ open: both, refusal: null }), both.rig.texts.name]).toEqual([12, 'theirs']);
    const rename = editorActions.edited({ kind: 'rename', target: { of: 'rig' }, to: 'mine' });
    const clash = openOf(reduce(before, rename, merge));
    expect(clash.theirs).toBe(theirs);
    expect(clash.rig.texts.name).toBe('mine');
  });

  test('a whole rig that was put here before a merge is not brought back over it', () => {
    const whole = { ...rig, texts: { ...rig.texts, note: 'whole' } };
    const before = reduce(opened(), editorActions.replaced(whole), longer);
    const from = openOf(before).rig;
    const state = reduce(before, editorActions.merged({ from, rig: from, theirs }));
    expect(openOf(state).past.map(({ kind }) => kind)).toEqual(['edit']);
  });

  test('foot-switches that another hand was at meanwhile come with the answer', () => {
    const sending = reduce(opened(), longer, editorActions.saveStarted());
    const { rig: sent } = openOf(sending);
    const state = { ...sent.state, playing: null };
    const quiet = reduce(sending, editorActions.saveAcknowledged({ sent, revision: 2, state }));
    expect(openOf(quiet)).toMatchObject({ save: { kind: 'saved' }, rig: { ...sent, state } });
    expect(hasUnsaved(openOf(quiet))).toBe(false);
    // What was edited meanwhile stays, with them.
    const busy = reduce(
      sending,
      longest,
      editorActions.saveAcknowledged({ sent, revision: 2, state }),
    );
    expect(openOf(busy)).toMatchObject({ save: { kind: 'waiting' }, rig: { state } });
    expect(hasUnsaved(openOf(busy))).toBe(true);
    const arrived = openOf(reduce(opened(), editorActions.switchesArrived(state)));
    expect(arrived.rig).toEqual({ ...rig, state });
    expect(hasUnsaved(arrived)).toBe(false);
  });

  test('what could be undone before a reload can be undone after it', () => {
    const before = openOf(reduce(opened(), longer, longest, editorActions.undone()));
    const { past, future } = before;
    const again = reduce(
      { open: null, refusal: null },
      editorActions.rigOpened({
        stored: stored(before.rig),
        mine: null,
        history: { past, future },
      }),
    );
    expect(openOf(reduce(again, editorActions.undone())).rig).toEqual(rig);
    expect(openOf(reduce(again, editorActions.redone())).rig).toEqual(
      openOf(reduce(opened(), longer, longest)).rig,
    );
  });

  test('gone back to an earlier rig, ids that were given since are not given again', () => {
    const ahead = { ...rig, nextIds: { ...rig.nextIds, d: 7 } };
    const state = reduce(opened(), editorActions.replaced(ahead), editorActions.replaced(rig));
    expect(openOf(state).rig).toEqual(ahead);
    expect(openOf(reduce(opened(), editorActions.replaced(ahead))).rig).toBe(ahead);
  });

  test('a rig that was taken off the list is closed, another stays', () => {
    expect(reduce(opened(), editorActions.rigRemoved('other')).open).not.toBeNull();
    expect(reduce(opened(), editorActions.rigRemoved(openOf(opened()).id)).open).toBeNull();
  });
});

test('a rig that was opened as it was last seen says so until the server answers', () => {
  const from = { stored: stored(rig), mine: null, history: NONE };
  const kept = reduce(
    editorSlice.getInitialState(),
    editorActions.rigOpened({ ...from, isKept: true }),
  );
  expect(openOf(kept)).toMatchObject({ isKept: true, save: { kind: 'saved' } });
  // An edit is still to be sent, whatever was opened.
  expect(openOf(reduce(kept, longer)).save).toEqual({ kind: 'waiting' });
  expect(openOf(reduce(kept, editorActions.serverBack())).isKept).toBe(false);
  expect(openOf(opened()).isKept).toBe(false);
});
