import type { Problem } from '@gullwind/contract';
import type { Answer } from '../src/app/http';
import type { Operation, OutboxEvent, Write } from '../src/app/outbox/operation';
import { Outbox } from '../src/app/outbox/outbox';

/// An outbox with a store and a server that do what a test tells them.

export interface Args {
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

export const AWAY: Answer<unknown> = { kind: 'away' };
export const ok = (data: unknown = null): Answer<unknown> => ({ kind: 'ok', data });
export const no = (detail = 'no'): Answer<unknown> => ({
  kind: 'refused',
  problem: { detail } as Problem,
});

/** An outbox whose server answers when it is told to. */
export function begin(stored = new Map<string, Operation>()) {
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

export const args = (says: string, of = 'a'): Args => ({ of, says });
