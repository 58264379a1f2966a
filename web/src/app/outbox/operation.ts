import type { Problem } from '@gullwind/contract';
import type { Answer, Question } from '../http';

/// What the outbox knows of a write, whatever it writes.

/** A write that this browser keeps until the server has answered it. */
export interface Operation<Args = unknown> {
  /** Known to the server: sent twice it is done once. */
  readonly id: string;
  /** Which of the writes it is. */
  readonly name: string;
  readonly args: Args;
  /** What it is about: writes of one subject are sent in their order. */
  readonly subject: string;
  readonly windowId: string;
  /** Grows from one to the next. */
  readonly nth: number;
  /** Parked: it goes on when somebody has decided. Refused: the server said no when nobody was waiting for it any more. */
  readonly state: 'waiting' | 'parked' | 'refused';
  /** Why it was refused. */
  readonly message?: string;
}

/** What becomes of a write that the server refused: sent as another one, or kept until somebody has decided. */
export type Resolved<Args> =
  { readonly kind: 'again'; readonly args: Args } | { readonly kind: 'parked' };

/** One kind of write: what is sent, and what its answer is. */
export interface Write<Args, _Data> {
  subject(args: Args): string;
  question(args: Args): Pick<Question, 'path' | 'method' | 'body'>;
  /** In a few words, for the list of what waits. */
  says(args: Args): string;
  /** A later one of a subject takes the place of an earlier one that was not sent yet. */
  readonly replaces?: boolean;
  /** What the answer to an earlier one of its subject makes of it. */
  follow?(args: Args, before: Pick<Operation, 'name' | 'args'>, data: unknown): Args;
  /**
   * What a refusal makes of it; null where it stays refused.
   *
   * @param args of the one that was refused
   * @param latest of the last one of its subject, in whose place the result comes
   */
  resolve?(args: Args, problem: Problem, latest: Args): Promise<Resolved<Args> | null>;
}

/** The server does not answer, or its disk is full: what is kept waits until that is over. */
export type Absence = 'away' | 'noRoom';

/** How far a write is when whoever asked goes on. */
export type Asked<Data = unknown> =
  | { readonly kind: 'done'; readonly data: Data }
  /** In this browser, to be sent when the server answers. */
  | { readonly kind: 'kept' }
  | { readonly kind: 'refused'; readonly failure: Extract<Answer<never>, { kind: 'refused' }> };

/** What happens to writes. */
export type OutboxEvent =
  /** Taken up: another window had kept it, which is closed. */
  | { readonly kind: 'kept' | 'takenUp' | 'sending' | 'dropped'; readonly operation: Operation }
  | { readonly kind: 'away'; readonly operation: Operation; readonly signInNeeded: boolean }
  | { readonly kind: 'done'; readonly operation: Operation; readonly data: unknown }
  | {
      readonly kind: 'refused' | 'parked';
      readonly operation: Operation;
      readonly problem: Problem;
    }
  /** It was put together with what the server has, and goes on as another one. */
  | {
      readonly kind: 'resolved';
      readonly before: Operation;
      readonly operation: Operation;
      readonly problem: Problem;
    };
