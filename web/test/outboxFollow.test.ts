import type { Asked, Operation } from '../src/app/outbox/operation';
import { args, AWAY, begin, no, ok, type Args } from './outboxWorld';

/// What waits follows the answers to what was sent before it, and what was kept by others.

test('what waits is told of the answer to the one before it', async () => {
  const { outbox, answer, sent } = begin();
  void outbox.ask('based', { ...args('one'), basedOn: 1 });
  void outbox.ask('based', { ...args('two'), basedOn: 1 });
  await answer(ok(2));
  expect((sent[1]!.args as Args).basedOn).toBe(2);
});

test('one that is asked while the answered one is being forgotten is told of the answer, too', async () => {
  const { outbox, answer, sent, stored, events, holdStore, settle } = begin();
  void outbox.ask('based', args('one'));
  const letGo = holdStore();
  await answer(ok(8));
  void outbox.ask('based', args('two'));
  void outbox.ask('based', args('three'));
  await settle();
  // A page that goes now leaves nothing behind that was made on what was there before.
  expect([...stored.values()].map((one) => (one.args as Args).basedOn)).toEqual([undefined, 8, 8]);
  letGo();
  await settle();
  expect(sent.map((one) => (one.args as Args).basedOn)).toEqual([undefined, 8]);
  expect([...stored.values()].map((one) => (one.args as Args).basedOn)).toEqual([8, 8]);
  // Nobody asks between the answer and what is told of it.
  expect(events.map(({ kind }) => kind).slice(-2)).toEqual(['done', 'sending']);
});

test('one that is asked while a refusal is being settled is made on what came of it', async () => {
  const { outbox, answer, kinds, holdStore, settle } = begin();
  void outbox.ask('joined', args('one'));
  const letGo = holdStore();
  await answer(no());
  expect(kinds()).toEqual(['kept', 'sending', 'resolved']);
  letGo();
  await settle();
  expect(kinds().at(-1)).toBe('sending');
});

test('a refusal that can be resolved goes on as another one, in the place of all that waited', async () => {
  const { outbox, answer, says, sent, events } = begin();
  void outbox.ask('joined', args('one'));
  await new Promise((resolve) => setTimeout(resolve, 0));
  void outbox.ask('joined', args('two'));
  await answer(no('stale'));
  expect(says()).toEqual(['one', 'two and theirs']);
  expect(sent[0]!.id).not.toBe(sent[1]!.id);
  expect(events.find(({ kind }) => kind === 'resolved')).toMatchObject({
    before: { args: { says: 'two' } },
    operation: { args: { says: 'two and theirs' } },
  });
  await answer(ok());
  expect(outbox.kept).toEqual([]);
});

test('one that somebody must decide is parked with the latest of what was made, over a reload, too', async () => {
  const first = begin();
  void first.outbox.ask('joined', args('one'));
  await first.settle();
  void first.outbox.ask('joined', args('two'));
  await first.answer(no('clash'));
  expect(first.outbox.of('a')).toMatchObject([{ state: 'parked', args: { says: 'two' } }]);
  const second = begin(first.stored);
  second.outbox.load([...first.stored.values()]);
  await second.settle();
  expect(second.sent).toEqual([]);
  // What is written now takes its place.
  void second.outbox.ask('joined', args('three'));
  await second.answer(ok());
  expect([second.stored.size, second.outbox.kept.length]).toEqual([0, 0]);
});

test('what was kept before is sent first, in its order, under its id', async () => {
  const first = begin();
  void first.outbox.ask('plain', args('one'));
  await first.answer(AWAY);
  void first.outbox.ask('plain', args('two'));
  await first.settle();
  const second = begin(first.stored);
  second.outbox.load([...first.stored.values()].reverse());
  void second.outbox.ask('plain', args('three'));
  for (let i = 0; i < 3; i++) await second.answer(ok());
  expect(second.says()).toEqual(['one', 'two', 'three']);
  expect(second.sent[0]!.id).toBe(first.sent[0]!.id);
  expect(second.stored.size).toBe(0);
});

test('what a window that is closed kept waits for what this one has of its subject, and is told of before it is sent', async () => {
  const { outbox, answer, says, stored, kinds, settle } = begin();
  void outbox.ask('based', args('mine'));
  await settle();
  const theirs: Operation = {
    ...{ id: 't', name: 'based', args: args('theirs'), subject: 'a', windowId: 'closed' },
    ...{ nth: 1, state: 'waiting' },
  };
  stored.set('t', theirs);
  const taken = outbox.takeUp([theirs], (one) => {
    stored.set(one.id, { ...one, windowId: 'w' });
    return Promise.resolve(one);
  });
  await settle();
  expect(outbox.kept).toHaveLength(1);
  await answer(ok(3));
  await taken;
  await settle();
  expect(kinds().slice(-3)).toEqual(['done', 'takenUp', 'sending']);
  expect(says()).toEqual(['mine', 'theirs']);
  // It was made on what that window knew: the server says whether that still holds.
  expect((outbox.kept[0]!.args as Args).basedOn).toBeUndefined();
  expect(stored.get('t')!.windowId).toBe('w');
  await answer(ok(4));
  expect(stored.size).toBe(0);
});

test('what was not sent can be dropped; what was is not taken back', async () => {
  const { outbox, answer, says, stored } = begin();
  void outbox.ask('whole', args('one'));
  await new Promise((resolve) => setTimeout(resolve, 0));
  const asked = outbox.ask('whole', args('two'));
  await new Promise((resolve) => setTimeout(resolve, 0));
  await outbox.dropUnsent('a');
  expect(await asked).toEqual<Asked>({ kind: 'kept' });
  expect(stored.size).toBe(1);
  await answer(ok());
  expect(says()).toEqual(['one']);
  expect(stored.size).toBe(0);
});

test('the list of what is kept is the same one until something changes', async () => {
  const { outbox, answer } = begin();
  let changes = 0;
  const stop = outbox.watch(() => changes++);
  void outbox.ask('plain', args('one'));
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(outbox.kept).toBe(outbox.kept);
  expect(outbox.kept).toHaveLength(1);
  await answer(ok());
  expect(changes).toBe(2);
  stop();
  void outbox.ask('plain', args('two'));
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(changes).toBe(2);
});
