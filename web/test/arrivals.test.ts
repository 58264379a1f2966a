import type { RevisionListing, StoredRig } from '@gullwind/contract';
import { deviceOfClass, insertDevice, applyEdits, newRig, toggleSwitch } from '@gullwind/core';
import { sayRevision, sideOf, usualFrom } from '../src/features/book/model/sides';
import { arrivedFor } from '../src/features/editor/model/arrivals';
import { editorActions, editorSlice } from '../src/features/editor/model/editorSlice';

/// What comes from the server under an open rig, and which revisions are told apart.

const rig = applyEdits(newRig('open'), insertDevice(newRig('open'), 0, deviceOfClass('drive', '')));
const stored: StoredRig = { id: 'rig', revision: 4, lineage: 'line', updatedAt: '', rig };
const open = editorSlice.reducer(
  undefined,
  editorActions.rigOpened({ stored, mine: null, history: { past: [], future: [] } }),
).open!;
const switched = applyEdits(rig, toggleSwitch(rig, 'd1')!);

test('a later revision is newer, and so is another line whatever its number', () => {
  const later = { ...stored, revision: 5 };
  expect(arrivedFor(open, later)).toEqual({ kind: 'newer', stored: later });
  for (const revision of [1, 4, 9]) {
    const restored = { ...stored, revision, lineage: 'other' };
    expect(arrivedFor(open, restored)).toEqual({ kind: 'newer', stored: restored });
  }
  expect(arrivedFor(open, { ...stored, revision: 3 })).toBeNull();
  expect(arrivedFor(open, stored)).toBeNull();
});

test('switches that others were at come along at the same revision alone', () => {
  const same = { ...stored, rig: switched };
  expect(arrivedFor(open, same)).toEqual({ kind: 'switches', state: switched.state });
  expect(arrivedFor(open, { ...same, revision: 3 })).toBeNull();
});

test('nothing comes under a hand, nor into another rig', () => {
  const later = { ...stored, revision: 5 };
  expect(arrivedFor(null, later)).toBeNull();
  expect(arrivedFor(open, { ...later, id: 'another' })).toBeNull();
  expect(arrivedFor({ ...open, rig: switched }, later)).toBeNull();
  const preview = toggleSwitch(rig, 'd1');
  expect(arrivedFor({ ...open, preview }, later)).toBeNull();
});

describe('revisions beside each other', () => {
  const listing = (revision: number, name: string | null = null) =>
    ({ revision, name, savedAt: '2026-03-01T10:00:00.000Z' }) as RevisionListing;

  test('changes are told from the last one with a name, else from the one before', () => {
    expect(usualFrom([listing(5), listing(4), listing(3, 'named')], 5)).toBe(3);
    expect(usualFrom([listing(5, 'now'), listing(4), listing(3, 'named')], 5)).toBe(3);
    expect(usualFrom([listing(5), listing(4), listing(3)], 5)).toBe(4);
    expect(usualFrom([listing(5)], 5)).toBe('now');
    expect(usualFrom([], 5)).toBe('now');
  });

  test('a side is a revision, or the rig as it is now', () => {
    expect(['now', '12'].map(sideOf)).toEqual(['now', 12]);
    expect(sayRevision(listing(3, 'club'))).toMatch(/^club, /u);
    expect(sayRevision(listing(3))).toMatch(/^revision 3, .*2026/u);
  });
});
