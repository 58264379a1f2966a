import { jest } from '@jest/globals';
import type { StoredRig } from '@gullwind/contract';
import { newRig } from '@gullwind/core';

/// What this browser kept of a rig, when it is opened again.

let kept: object[] = [];
const dropUnsent = jest.fn(() => Promise.resolve());
jest.unstable_mockModule('../src/app/outbox', () => ({
  outbox: { ready: Promise.resolve(), of: () => kept, dropUnsent, again: jest.fn() },
  wakeOutbox: jest.fn(),
}));
const { joinKept, madeHere } = await import('../src/features/editor/rigClient');

const [rig, other] = [newRig('as it is'), newRig('edited')];
const stored: StoredRig = { id: 'r', revision: 4, lineage: 'l', updatedAt: '', rig };
const save = (of: object) => ({
  ...{ id: 'o', name: 'saveRig', state: 'waiting' },
  args: { id: 'r', rig: of, basedOn: 4, lineage: 'l', base: rig },
});
beforeEach(() => dropUnsent.mockClear());

test('what is the same as the server has is let go of', async () => {
  kept = [save(rig)];
  expect((await joinKept(stored)).mine).toBeNull();
  expect(dropUnsent).toHaveBeenCalledTimes(1);
});

test('what was taken back stays to be sent while what it takes back may still arrive', async () => {
  kept = [save(other), save(rig)];
  expect((await joinKept(stored)).mine).toMatchObject({ rig, basedOn: 4 });
  expect(dropUnsent).not.toHaveBeenCalled();
});

test('a rig that is made here is there with what was edited since; of others nothing is known', async () => {
  const made = {
    ...{ id: 'c', name: 'createRig', state: 'waiting', nth: 0 },
    args: { id: 'r', rig },
  };
  kept = [made];
  expect(await madeHere('r')).toMatchObject({ stored: { id: 'r', rig, revision: 1 }, mine: null });
  kept = [made, save(other)];
  expect((await madeHere('r'))!.mine).toMatchObject({ rig: other, basedOn: 4, base: rig });
  kept = [save(other)];
  expect(await madeHere('r')).toBeNull();
});
