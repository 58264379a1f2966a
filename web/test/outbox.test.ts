import type { Problem } from '@gullwind/contract';
import type { Answer } from '../src/app/http';
import type { Asked, Operation, OutboxEvent, Write } from '../src/app/outbox/operation';
import { Outbox } from '../src/app/outbox/outbox';

/// What is written is kept first, sent in order, and never lost or done twice.

interface Args {
  readonly of: string;
  readonly says: string;
  readonly basedOn?: number;
}

const plain: Write<Args, unknown> = {
  subject: ({ of }) => of,
  question: () => ({ path: '/' }),
  says: ({ says }) => says,
};

const WRITES: Readonly<Record<string, Write<unknown, unknown>>> = {
  plain: plain as Write<unknown, unknown>,
  whole: { ...plain, replaces: true } as Write<unknown, unknown>,
  based: {
    ...plain,
    follow: (args: Args, _: unknown, data: unknown) => ({ ...args, basedOn: data as number }),
  } as Write<unknown, unknown>,
  joined: {
    ...plain,
    replaces: true,
    resolve: (_: Args, { detail }: Problem, latest: Args) =>
      Promise.resolve(
        detail === 'clash'
          ? { kind: 'parked' }
          : { kind: 'again', args: { ...latest, says: `${latest.says} and theirs` } },
      ),
  } as Write<unknown, unknown>,
};

const AWAY: Answer<unknown> = { kind: 'away' };
const ok = (data: unknown = null): Answer<unknown> => ({ kind: 'ok', data });
const no = (detail = 'no'): Answer<unknown> => ({
  kind: 'refused',
  problem: { detail } as Problem,
});

/** An outbox whose server answers when it is told to. */
function begin(stored = new Map<string, Operation>()) {
  const sent: Operation[] = [];
  const events: OutboxEvent[] = [];
  const answers: ((answer: Answer<unknown>) => void)[] = [];
  const sleepers: { readonly ms: number; readonly wake: () => void }[] = [];
  let [ids, time] = [stored.size, 1000];
  /** What the store of the browser waits for before it lets go of anything. */
  const held = { store: Promise.resolve() };
  const outbox = new Outbox({
    writes: WRITES,
    windowId: () => Promise.resolve('w'),
    newId: () => `o${++ids}`,
    keep: (operation) => Promise.resolve(void stored.set(operation.id, operation)),
    forget: async (id) => {
      await held.store;
      stored.delete(id);
    },
    now: () => time,
    send: (operation) => {
      // Nothing is sent that is not kept.
      expect(stored.get(operation.id)?.args).toEqual(operation.args);
      sent.push(operation);
      return new Promise((resolve) => answers.push(resolve));
    },
    pause: (ms) => new Promise((wake) => sleepers.push({ ms, wake })),
  });
  outbox.listen((event) => events.push(event));
  const settle = () => new Promise((resolve) => setTimeout(resolve, 0));
  return {
    outbox,
    sent,
    events,
    stored,
    sleepers,
    kinds: () => events.map(({ kind }) => kind),
    says: () => sent.map(({ args }) => (args as Args).says),
    /** The store lets go of nothing until what this returns is called. */
    holdStore: () => {
      let letGo: () => void = () => undefined;
      held.store = new Promise((resolve) => (letGo = resolve));
      return letGo;
    },
    answer: async (answer: Answer<unknown>) => {
      await settle();
      answers.shift()!(answer);
      await settle();
    },
    /** Everybody who waits goes on. */
    wake: async (byMs = 20_000) => {
      await settle();
      time += byMs;
      for (const { wake } of sleepers.splice(0)) wake();
      await settle();
    },
    settle,
  };
}

const args = (says: string, of = 'a'): Args => ({ of, says });

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
