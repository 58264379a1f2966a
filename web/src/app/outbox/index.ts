import { OPERATION_HEADER, WINDOW_HEADER } from '@gullwind/contract';
import {
  forgetOperation,
  keepOperation,
  operationsOf,
  takeOperations,
  takeOver,
  writeDownUnkept,
} from '../browserStore';
import { ask, type Answer } from '../http';
import { newId } from '../newId';
import { hearClosed, windowId } from '../openWindows';
import type { Operation } from './operation';
import { Outbox, type OutboxWorld } from './outbox';
import { WRITES, type ArgsOf, type WriteName } from './writes';
import { pause } from './pause';

export type { Absence, Operation, OutboxEvent } from './operation';
export { isShown, withPending, type ShownName } from './pending';
export type { RigSave } from './unsavedRig';
export type { ArgsOf, DataOf, WriteName } from './writes';
export { wakeOutbox } from './pause';

const ANSWER_WITHIN_MS = 15_000;
/** A photograph of 24 MiB, on a slow network. */
const FILE_WITHIN_MS = 180_000;

async function send({ id, name, args, windowId: by }: Operation): Promise<Answer<unknown>> {
  const question = WRITES[name as WriteName].question(args as never);
  const within = question.body instanceof Blob ? FILE_WITHIN_MS : ANSWER_WITHIN_MS;
  return ask({
    ...question,
    signal: AbortSignal.timeout(within),
    headers: { [OPERATION_HEADER]: id, [WINDOW_HEADER]: by },
  });
}

const WORLD: OutboxWorld = {
  writes: WRITES,
  windowId,
  newId,
  keep: keepOperation,
  forget: forgetOperation,
  send,
  now: () => Date.now(),
  pause,
};

/** The outbox of this window, which knows all kinds of writes. */
class PageOutbox extends Outbox {
  /** Resolves when what was kept before is in it. */
  readonly ready: Promise<void>;

  constructor() {
    super(WORLD);
    this.ready = takeOperations<Operation>().then((operations) => this.load(operations));
    void this.ready.then(() => hearClosed((id) => this.goOnFor(id)));
  }

  /** What a window that is closed has kept goes on here. */
  private async goOnFor(closed: string): Promise<void> {
    const operations = await operationsOf<Operation>(closed);
    const subjects = [...new Set(operations.map(({ subject }) => subject))];
    const ofSubject = (of: string) => operations.filter(({ subject }) => subject === of);
    await Promise.all(subjects.map((subject) => this.takeUp(ofSubject(subject), takeOver)));
  }

  override ask<Name extends WriteName>(name: Name, args: ArgsOf<Name>, restMs?: number) {
    return this.ready.then(() => super.ask(name, args, restMs));
  }
}

export const outbox = new PageOutbox();
writeDownUnkept();

/** A write in a few words. */
export const sayOperation = ({ name, args }: Operation): string =>
  WRITES[name as WriteName].says(args as never);
