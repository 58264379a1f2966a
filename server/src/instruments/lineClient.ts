import { connect, type Socket } from 'node:net';

/** Where an instrument listens: only ever what the command line named. */
export interface InstrumentAddress {
  readonly host: string;
  readonly port: number;
}

/** What came of asking an instrument. */
export class InstrumentFailure extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'InstrumentFailure';
  }
}

export interface LineLimits {
  readonly connectMs: number;
  readonly answerMs: number;
  /** Of a whole conversation: slow in each answer, it would hold up whoever comes next for minutes. */
  readonly wholeMs: number;
  /** Of one line. A sweep of 400 points takes 8 KiB. */
  readonly lineBytes: number;
}

export const LINE_LIMITS: LineLimits = {
  connectMs: 2000,
  answerMs: 5000,
  wholeMs: 30_000,
  lineBytes: 64 * 1024,
};

/** Printable ASCII and tabs: anything else is no answer of an instrument. */
const PRINTABLE = /^[\t\x20-\x7e]*$/u;

/**
 * A conversation with an instrument that answers in lines over a socket. Whatever it does, an answer comes in time
 * or a failure in words, and no more than one line is ever held.
 */
export class LineClient {
  private buffer = Buffer.alloc(0);
  private waiting: ((line: string | InstrumentFailure) => void) | null = null;
  private failure: InstrumentFailure | null = null;
  private readonly over: NodeJS.Timeout;

  private constructor(
    private readonly socket: Socket,
    private readonly limits: LineLimits,
  ) {
    const { wholeMs } = limits;
    this.over = setTimeout(
      () => this.fail(`It was not through within ${wholeMs / 1000} s.`),
      wholeMs,
    );
    socket.on('data', (data) => this.take(data));
    socket.on('error', ({ message }) => this.fail(`It broke off: ${message}.`));
    socket.on('close', () => this.fail('It closed the connection.'));
  }

  /** @throws InstrumentFailure */
  static open({ host, port }: InstrumentAddress, limits = LINE_LIMITS): Promise<LineClient> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host, port });
      const fail = (why: string) => {
        socket.destroy();
        reject(new InstrumentFailure(why));
      };
      const late = setTimeout(() => fail('It does not take connections.'), limits.connectMs);
      socket.once('error', (error: NodeJS.ErrnoException) => {
        clearTimeout(late);
        fail(`It is not there (${error.code ?? error.message}).`);
      });
      socket.once('connect', () => {
        clearTimeout(late);
        socket.removeAllListeners('error');
        resolve(new LineClient(socket, limits));
      });
    });
  }

  /** Sends a command that is not answered. */
  tell(command: string): void {
    this.socket.write(`${command}\n`);
  }

  /** @returns the line that it answers; @throws InstrumentFailure */
  ask(query: string): Promise<string> {
    if (this.failure) return Promise.reject(this.failure);
    this.tell(query);
    return new Promise((resolve, reject) => {
      const late = setTimeout(
        () => this.fail(`No answer to ${query} within ${this.limits.answerMs / 1000} s.`),
        this.limits.answerMs,
      );
      this.waiting = (line) => {
        clearTimeout(late);
        this.waiting = null;
        if (typeof line === 'string') resolve(line);
        else reject(line);
      };
      this.look();
    });
  }

  close(): void {
    clearTimeout(this.over);
    this.failure ??= new InstrumentFailure('The conversation is over.');
    this.socket.destroy();
  }

  private take(data: Buffer): void {
    if (this.failure) return;
    // Whoever waits takes one line: more than that was not asked for, and is not kept.
    if (this.buffer.length + data.length > 2 * this.limits.lineBytes) {
      this.fail(`It sends more than ${this.limits.lineBytes / 1024} KiB that nobody asked for.`);
      return;
    }
    this.buffer = Buffer.concat([this.buffer, data]);
    this.look();
  }

  /** Hands the next whole line to who waits for it. */
  private look(): void {
    const end = this.buffer.indexOf(0x0a);
    if ((end < 0 ? this.buffer.length : end) > this.limits.lineBytes) {
      this.fail(`It sends a line of more than ${this.limits.lineBytes / 1024} KiB.`);
      return;
    }
    if (end < 0 || !this.waiting) return;
    const line = this.buffer.subarray(0, end).toString('latin1').replace(/\r$/u, '');
    this.buffer = this.buffer.subarray(end + 1);
    if (PRINTABLE.test(line)) this.waiting(line);
    else this.fail('It answers what is no text.');
  }

  private fail(why: string): void {
    if (this.failure) return;
    this.failure = new InstrumentFailure(why);
    this.buffer = Buffer.alloc(0);
    this.socket.destroy();
    this.waiting?.(this.failure);
  }
}
