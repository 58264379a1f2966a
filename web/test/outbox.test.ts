import type { Problem } from '@gullwind/contract';
import type { Asked, Operation } from '../src/app/outbox/operation';
import { args, AWAY, begin, no, ok } from './outboxWorld';

/// What is written is kept first, sent in order, and never lost or done twice.

test('one that is answered is done, and nothing of it is kept', async () => {
  const { outbox, answer, stored, kinds, sent } = begin();
  const asked = outbox.ask('plain', args('one'));
  await answer(ok(7));
  expect(await asked).toEqual<Asked>({ kind: 'done', data: 7 });
  expect([...stored.values(), ...outbox.kept]).toEqual([]);
  expect(kinds()).toEqual(['kept', 'sending', 'done']);
  expect(sent).toHaveLength(1);
});

test('of one subject they go in their order, each when the one before it was answered', async () => {
  const { outbox, answer, says } = begin();
  void outbox.ask('plain', args('one'));
  void outbox.ask('plain', args('two'));
  void outbox.ask('plain', args('elsewhere', 'b'));
  await answer(ok());
  expect(says()).toEqual(['one', 'elsewhere', 'two']);
});

test('while the server is away whoever asked goes on; it is sent again under the same id, with growing pauses', async () => {
  const { outbox, answer, sent, stored, sleepers, wake } = begin();
  const asked = outbox.ask('plain', args('one'));
  await answer(AWAY);
  expect(await asked).toEqual<Asked>({ kind: 'kept' });
  expect(outbox.absence).toBe('away');
  expect(stored.size).toBe(1);
  const pauses: number[] = [];
  for (let i = 0; i < 8; i++) {
    pauses.push(Math.min(...sleepers.map(({ ms }) => ms)));
    await wake();
    await answer(AWAY);
  }
  expect(pauses).toEqual([...pauses].sort((a, b) => a - b));
  expect(pauses[0]).toBeGreaterThanOrEqual(1000);
  expect(pauses.at(-1)).toBe(15_000);
  expect(new Set(sent.map(({ id }) => id)).size).toBe(1);
  await wake();
  await answer(ok());
  expect([outbox.absence, stored.size, outbox.kept.length]).toEqual([null, 0, 0]);
});

test('a later one takes the place of what was put aside of its own subject and name, and of nothing else', async () => {
  const again = begin(
    new Map<string, Operation>(
      ['whole a', 'whole b', 'plain a'].map((one, i) => {
        const [name, of] = one.split(' ') as [string, string];
        return [
          one,
          {
            ...{ id: one, name, args: args('x', of), subject: of, windowId: 'w' },
            nth: i,
            state: 'refused',
          },
        ] as const;
      }),
    ),
  );
  again.outbox.load([...again.stored.values()]);
  void again.outbox.ask('whole', args('new', 'a'));
  await again.answer(ok());
  expect(again.outbox.kept.map(({ id }) => id)).toEqual(['whole b', 'plain a']);
});

test('while the disk of the server is full it waits as if the server were away, and is no refusal', async () => {
  const { outbox, answer, kinds, wake } = begin();
  const asked = outbox.ask('joined', args('one'));
  await answer({ kind: 'refused', problem: { code: 'no-room' } as Problem });
  expect(await asked).toEqual<Asked>({ kind: 'kept' });
  expect([outbox.absence, outbox.kept[0]!.state]).toEqual(['noRoom', 'waiting']);
  await wake();
  await answer(AWAY);
  expect(outbox.absence).toBe('away');
  await wake();
  await answer(ok());
  expect(outbox.absence).toBeNull();
  expect(kinds()).not.toContain('refused');
});

test('who asks of a server that says nothing goes on after a moment', async () => {
  const { outbox, wake } = begin();
  const asked = outbox.ask('plain', args('one'));
  await wake();
  expect(await asked).toEqual<Asked>({ kind: 'kept' });
});

test('a refusal goes to whoever asked, and nothing is kept of it', async () => {
  const { outbox, answer, stored, kinds } = begin();
  const asked = outbox.ask('plain', args('one'));
  await answer(no('too long'));
  expect(await asked).toMatchObject({
    kind: 'refused',
    failure: { problem: { detail: 'too long' } },
  });
  expect([stored.size, outbox.kept.length]).toEqual([0, 0]);
  expect(kinds().at(-1)).toBe('refused');
});

test('a refusal that nobody waits for stays until it is sent again or dropped, and holds nothing up', async () => {
  const { outbox, answer, stored, sent, wake } = begin();
  void outbox.ask('plain', args('one'));
  void outbox.ask('plain', args('two'));
  await answer(AWAY);
  await wake();
  await answer(no('full'));
  await answer(ok());
  expect(outbox.kept).toMatchObject([{ state: 'refused', message: 'full', args: { says: 'one' } }]);
  expect(stored.size).toBe(1);
  await outbox.again(outbox.kept[0]!.id);
  await answer(no('full'));
  // It was another operation that time: the server had said its word to the first.
  expect(sent.at(-1)!.id).not.toBe(sent[0]!.id);
  await outbox.putAside(outbox.kept[0]!.id);
  expect([stored.size, outbox.kept.length]).toEqual([0, 0]);
});

test('a server that fails again and again at the same thing is not asked for ever', async () => {
  const { outbox, answer, wake } = begin();
  void outbox.ask('plain', args('one'));
  for (let i = 0; i < 5; i++) {
    await answer({ kind: 'away', status: 500 });
    await wake();
  }
  expect(outbox.kept).toMatchObject([{ state: 'refused' }]);
});

test('what takes the place of an earlier one does so until that was sent', async () => {
  const { outbox, answer, says, stored } = begin();
  void outbox.ask('whole', args('one'), 400);
  void outbox.ask('whole', args('two'), 400);
  void outbox.ask('whole', args('three'));
  await answer(ok());
  expect(says()).toEqual(['three']);
  void outbox.ask('whole', args('four'));
  await new Promise((resolve) => setTimeout(resolve, 0));
  void outbox.ask('whole', args('five'));
  void outbox.ask('whole', args('six'));
  await answer(AWAY);
  expect(stored.size).toBe(2);
  expect(says()).toEqual(['three', 'four']);
});

test('one that rests is sent when nothing took its place for so long', async () => {
  const { outbox, says, sleepers, wake } = begin();
  void outbox.ask('whole', args('one'), 400);
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(says()).toEqual([]);
  expect(sleepers.some(({ ms }) => ms === 400)).toBe(true);
  await wake(100);
  expect(says()).toEqual([]);
  await wake(400);
  expect(says()).toEqual(['one']);
});
