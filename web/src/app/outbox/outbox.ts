import type { Problem } from '@gullwind/contract';
import type { Answer } from '../http';
import { absenceOf, FAILS, INTERNAL, refusedWith } from './answers';
import type { Absence, Asked, Operation, OutboxEvent, Resolved, Write } from './operation';

/// Everything that the page writes goes through here: kept first, then sent, one after the other for each subject,
/// until the server has answered. An absence is waited for; a refusal ends it.

export interface OutboxWorld {
  readonly writes: Readonly<Record<string, Write<unknown, unknown>>>;
  readonly windowId: () => Promise<string>;
  readonly newId: () => string;
  readonly keep: (operation: Operation) => Promise<void>;
  readonly forget: (id: string) => Promise<void>;
  readonly send: (operation: Operation) => Promise<Answer<unknown>>;
  /** Milliseconds that only grow, from one window to the next, too. */
  readonly now: () => number;
  /** Waits; ends early when the network or the server is back. */
  readonly pause: (ms: number) => Promise<void>;
}

const FIRST_PAUSE_MS = 1000;
const LONGEST_PAUSE_MS = 15_000;
const GROWTH = 1.6;
/** Whoever asked goes on after so long: it is kept, and will be sent. */
const KEPT_AFTER_MS = 2500;
/** A server that fails so often at the same thing will not take it. */
const MOST_FAILURES = 5;

interface Waiting {
  operation: Operation;
  /** It may have reached the server: nothing may be put in its place. */
  isSent: boolean;
  dueAt: number;
  /** Whoever asked and has not gone on. */
  asker: ((asked: Asked) => void) | null;
  /** Of one that was answered and is going out of the store. */
  answer: { readonly data: unknown; readonly told: Set<Waiting> } | null;
}

export class Outbox {
  private readonly queues = new Map<string, Waiting[]>();
  private readonly aside = new Map<string, Operation>();
  private readonly running = new Set<string>();
  private readonly listeners = new Set<(event: OutboxEvent) => void>();
  private readonly watchers = new Set<() => void>();
  private last = 0;
  private shown: readonly Operation[] = [];
  private absent: Absence | null = null;

  constructor(private readonly world: OutboxWorld) {}

  /** Takes up what was kept before, the earliest first. */
  load(operations: readonly Operation[]): void {
    for (const operation of operations.toSorted((a, b) => a.nth - b.nth)) {
      this.last = Math.max(this.last, operation.nth);
      const queue = this.queueOf(operation.subject);
      if (operation.state !== 'waiting') this.aside.set(operation.id, operation);
      // The first of a subject may have been sent; those behind it waited for its answer.
      else queue.push(waitingFrom(operation, queue.length === 0));
    }
    this.changed();
    for (const subject of this.queues.keys()) void this.run(subject);
  }

  /**
   * Takes up what another window kept of one subject, once nothing of this window's own waits there: what is edited
   * from then on knows of it.
   *
   * @param takeOver keeps one as this window's
   */
  async takeUp(
    operations: readonly Operation[],
    takeOver: (operation: Operation) => Promise<Operation>,
  ): Promise<void> {
    const subject = operations[0]!.subject;
    while (this.of(subject).length > 0) await this.nextChange();
    for (const operation of operations) this.tell({ kind: 'takenUp', operation });
    this.load(operations);
    await Promise.all(operations.map(takeOver));
  }

  /** Resolves when something is another, and everybody has been told of it. */
  private nextChange(): Promise<void> {
    return new Promise((resolve) => {
      const stop = this.watch(() => {
        stop();
        setTimeout(resolve, 0);
      });
    });
  }

  /** Calls back on everything that happens; returns what stops it. */
  listen(listener: (event: OutboxEvent) => void): () => void {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  }

  /** Calls back whenever what is kept, or why it waits, is another; returns what stops it. */
  watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => void this.watchers.delete(watcher);
  };

  /** All that is kept, the earliest first; the same list until something changes. */
  get kept(): readonly Operation[] {
    return this.shown;
  }

  /** Why the server took nothing when it was asked last; null where it did. */
  get absence(): Absence | null {
    return this.absent;
  }

  /** What is kept of a subject and not refused, the earliest first. */
  of(subject: string): readonly Operation[] {
    return this.shown.filter((one) => one.subject === subject && one.state !== 'refused');
  }

  /**
   * Keeps a write and sends it.
   *
   * @param restMs it may wait so long for a later one that takes its place
   * @returns when the server has answered, or soon after it was kept
   */
  async ask(name: string, args: unknown, restMs = 0): Promise<Asked> {
    const windowId = await this.world.windowId();
    const subject = this.writeOf(name).subject(args);
    const queue = this.queueOf(subject);
    const waiting = waitingFrom(
      { id: this.world.newId(), name, args, subject, windowId, nth: this.next(), state: 'waiting' },
      false,
      this.world.now() + restMs,
    );
    const replaced = this.writeOf(name).replaces ? this.takeReplaced(queue, waiting.operation) : [];
    queue.push(waiting);
    // Kept as it follows from what was answered: the store never has it without both.
    const [head] = queue;
    if (head?.answer) this.follow(head.operation, head.answer.data, head.answer.told);
    this.changed();
    await this.world.keep(waiting.operation);
    for (const one of replaced) await this.forget(one);
    this.tell({ kind: 'kept', operation: waiting.operation });
    const asked = this.whenAsked(waiting, restMs);
    void this.run(subject);
    return asked;
  }

  /** What a later one takes the place of: the last one, where it was not sent, and those that were put aside. */
  private takeReplaced(queue: Waiting[], { name, subject }: Operation): readonly Operation[] {
    const last = queue.at(-1);
    const isReplaced = last !== undefined && !last.isSent && last.operation.name === name;
    if (isReplaced) queue.pop();
    const aside = [...this.aside.values()].filter(
      (one) => one.subject === subject && one.name === name,
    );
    for (const { id } of aside) this.aside.delete(id);
    return [...(isReplaced ? [last.operation] : []), ...aside];
  }

  /** Sends one that was parked or refused again, as another operation. */
  async again(id: string): Promise<void> {
    const operation = this.aside.get(id);
    if (!operation) return;
    const { message: _, ...rest } = operation;
    const next: Operation = { ...rest, id: this.world.newId(), state: 'waiting' };
    this.aside.delete(id);
    this.queueOf(next.subject).push(waitingFrom(next, false));
    this.changed();
    await this.world.keep(next);
    await this.world.forget(id);
    void this.run(next.subject);
  }

  /** Lets go of one that is parked or refused, for good. */
  async putAside(id: string): Promise<void> {
    const operation = this.aside.get(id);
    if (!operation) return;
    this.aside.delete(id);
    await this.drop(operation);
  }

  /** Lets go of what was not sent yet, and of what is parked, of a subject. */
  async dropUnsent(subject: string): Promise<void> {
    const queue = this.queueOf(subject);
    const parked = [...this.aside.values()].filter(
      (one) => one.subject === subject && one.state === 'parked',
    );
    const unsent = queue.filter(({ isSent }) => !isSent);
    this.queues.set(
      subject,
      queue.filter(({ isSent }) => isSent),
    );
    for (const { id } of parked) this.aside.delete(id);
    for (const one of unsent) one.asker?.({ kind: 'kept' });
    for (const one of [...unsent.map(({ operation }) => operation), ...parked])
      await this.drop(one);
  }

  private async drop(operation: Operation): Promise<void> {
    this.changed();
    await this.world.forget(operation.id);
    this.tell({ kind: 'dropped', operation });
  }

  private forget = ({ id }: Operation): Promise<void> => this.world.forget(id);

  private queueOf(subject: string): Waiting[] {
    const queue = this.queues.get(subject) ?? [];
    this.queues.set(subject, queue);
    return queue;
  }

  private writeOf(name: string): Write<unknown, unknown> {
    return this.world.writes[name]!;
  }

  private next(): number {
    return (this.last = Math.max(this.last + 1, this.world.now()));
  }

  private changed(): void {
    const waiting = [...this.queues.values()].flat().map(({ operation }) => operation);
    this.shown = [...waiting, ...this.aside.values()].sort((a, b) => a.nth - b.nth);
    for (const watcher of [...this.watchers]) watcher();
  }

  private tell(event: OutboxEvent): void {
    for (const listener of [...this.listeners]) listener(event);
  }

  private whenAsked(waiting: Waiting, restMs: number): Promise<Asked> {
    return new Promise((resolve) => {
      waiting.asker = (asked) => {
        waiting.asker = null;
        resolve(asked);
      };
      void this.world.pause(restMs + KEPT_AFTER_MS).then(() => waiting.asker?.({ kind: 'kept' }));
    });
  }

  /** Sends what a subject has, in order, until nothing waits. */
  private async run(subject: string): Promise<void> {
    if (this.running.has(subject)) return;
    this.running.add(subject);
    let pauseMs = FIRST_PAUSE_MS;
    let failures = 0;
    for (;;) {
      const [head] = this.queueOf(subject);
      if (!head) break;
      const restMs = head.dueAt - this.world.now();
      if (restMs > 0) {
        await this.world.pause(restMs);
        continue;
      }
      const answer = await this.sendHead(head);
      failures = answer.kind === 'away' && answer.status === INTERNAL ? failures + 1 : 0;
      if (absenceOf(answer) && failures < MOST_FAILURES) {
        for (const one of this.queueOf(subject)) one.asker?.({ kind: 'kept' });
        await this.world.pause(pauseMs);
        pauseMs = Math.min(pauseMs * GROWTH, LONGEST_PAUSE_MS);
        continue;
      }
      [pauseMs, failures] = [FIRST_PAUSE_MS, 0];
      await this.finish(head, answer);
    }
    this.running.delete(subject);
  }

  private async sendHead(head: Waiting): Promise<Answer<unknown>> {
    head.isSent = true;
    const { operation } = head;
    this.tell({ kind: 'sending', operation });
    const answer = await this.world.send(operation);
    const absence = absenceOf(answer);
    if (this.absent !== absence) {
      this.absent = absence;
      this.changed();
    }
    if (absence)
      this.tell({ kind: 'away', operation, signInNeeded: answer.kind === 'signInNeeded' });
    return answer;
  }

  private async finish(head: Waiting, answer: Answer<unknown>): Promise<void> {
    if (answer.kind === 'ok') return this.answered(head, answer.data);
    const problem = answer.kind === 'refused' ? answer.problem : FAILS;
    const resolved = await this.resolved(head, problem);
    if (resolved) return this.resolve(head, problem, resolved);
    this.take(head);
    await this.refuse(head, problem);
  }

  private take(head: Waiting): void {
    const queue = this.queueOf(head.operation.subject);
    queue.splice(queue.indexOf(head), 1);
  }

  /**
   * One that the server has taken goes out of the store first, then out of the queue. What is asked until then was
   * made without knowing of the answer, and is told of it before it is kept.
   */
  private async answered(head: Waiting, data: unknown): Promise<void> {
    const { operation } = head;
    const told = new Set<Waiting>([head]);
    head.answer = { data, told };
    for (const one of this.follow(operation, data, told)) await this.world.keep(one.operation);
    await this.forget(operation);
    this.take(head);
    this.changed();
    this.tell({ kind: 'done', operation, data });
    head.asker?.({ kind: 'done', data });
  }

  /** Tells what waits behind a write that was answered of the answer, each once; returns what became another by it. */
  private follow(before: Operation, data: unknown, told: Set<Waiting>): readonly Waiting[] {
    const untold = this.queueOf(before.subject).filter((one) => !told.has(one));
    return untold.filter((one) => {
      told.add(one);
      const { follow } = this.writeOf(one.operation.name);
      const args = follow?.(one.operation.args, before, data) ?? one.operation.args;
      if (args === one.operation.args) return false;
      one.operation = { ...one.operation, args };
      return true;
    });
  }

  /** What a refusal comes to, for the latest of its subject, whatever comes while it is being found out. */
  private async resolved(
    { operation }: Waiting,
    problem: Problem,
  ): Promise<Resolved<unknown> | null> {
    const write = this.writeOf(operation.name);
    if (!write.resolve) return null;
    for (;;) {
      const latest = this.queueOf(operation.subject).at(-1)!;
      const { args } = latest.operation;
      const resolved = await write.resolve(operation.args, problem, args);
      if (this.queueOf(operation.subject).at(-1)!.operation.args === args) return resolved;
    }
  }

  /** One in the place of all that wait of its subject: they were all made on what it was made on. */
  private async resolve(
    head: Waiting,
    problem: Problem,
    resolved: Resolved<unknown>,
  ): Promise<void> {
    const queue = this.queueOf(head.operation.subject);
    const all = [...queue];
    const before = all.at(-1)!.operation;
    const isParked = resolved.kind === 'parked';
    const operation: Operation = {
      ...before,
      id: this.world.newId(),
      ...(isParked ? { state: 'parked' } : { args: resolved.args }),
    };
    queue.length = 0;
    if (isParked) this.aside.set(operation.id, operation);
    else queue.push(waitingFrom(operation, false));
    this.changed();
    // At once: what is edited from now on is edited from this.
    this.tell(
      isParked
        ? { kind: 'parked', operation, problem }
        : { kind: 'resolved', before, operation, problem },
    );
    await this.world.keep(operation);
    for (const one of all) await this.forget(one.operation);
    for (const { asker } of all) asker?.(isParked ? refusedWith(problem) : { kind: 'kept' });
  }

  /** Whoever still waits for it is told; where nobody does, it stays in the list until it is put aside. */
  private async refuse(head: Waiting, problem: Problem): Promise<void> {
    const { operation, asker } = head;
    const refused: Operation = { ...operation, state: 'refused', message: problem.detail };
    if (!asker) this.aside.set(refused.id, refused);
    this.changed();
    await (asker ? this.forget(operation) : this.world.keep(refused));
    this.tell({ kind: 'refused', operation: refused, problem });
    asker?.(refusedWith(problem));
  }
}

const waitingFrom = (operation: Operation, isSent: boolean, dueAt = 0): Waiting => ({
  operation,
  isSent,
  dueAt,
  asker: null,
  answer: null,
});
