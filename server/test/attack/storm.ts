import { request } from 'node:http';
import { connect } from 'node:net';
import { isDeepStrictEqual } from 'node:util';
import type { StoredRig } from '@gullwind/contract';
import { applyEdits, newRig, setCableLength, type Rig } from '@gullwind/core';
import { VICTIMS } from './routes';
import { drawShapes, type Shape } from './shapes';
import type { Target } from './target';

const AT_ONCE = 8;
/** After so many hostile requests somebody saves, and looks whether it is there. */
const WORK_EVERY = 10;
const ANSWER_WITHIN_MS = 60_000;

export interface StormCounts {
  requests: number;
  /** By the first figure of their status. */
  answers: Record<string, number>;
  /** Connections that ended without an answer, where one was owed. */
  unanswered: string[];
  /** Answers of 500 and above. */
  failures: string[];
  saves: number;
  /** Acknowledged saves that were not there afterwards. */
  lost: number;
  deaths: number;
  complaints: readonly string[];
}

/** The status of the answer; 0 where there was none. */
export function send(url: URL, shape: Shape): Promise<number> {
  const { method, path, headers, body, cut } = shape;
  if (cut === 'silent' || cut === 'half a head') return cutOff(url, cut);
  const sent = method === 'GET' || method === 'HEAD' || body === null ? '' : body;
  return new Promise((resolve) => {
    const asked = request({
      host: url.hostname,
      port: url.port,
      method,
      path: path.replaceAll(/[^\x21-\x7e]/gu, (one) => encodeURIComponent(one)),
      headers: {
        ...headers,
        // Half of what was promised, or all of it.
        'Content-Length': cut === 'half a body' ? 100_000 : Buffer.byteLength(sent),
      },
      timeout: ANSWER_WITHIN_MS,
    });
    asked.on('response', (answer) => {
      answer.resume();
      answer.on('end', () => resolve(answer.statusCode!));
      answer.on('error', () => resolve(0));
    });
    asked.on('timeout', () => asked.destroy());
    asked.on('error', (error: NodeJS.ErrnoException) => {
      // The server had just ended a connection that nobody had used for a while: browsers ask again, too.
      const isIdleEnded = asked.reusedSocket && error.code === 'ECONNRESET' && cut === null;
      resolve(isIdleEnded ? send(url, shape) : 0);
    });
    if (cut === 'half a body') {
      asked.write('{"half":');
      setTimeout(() => asked.destroy(), 50);
    } else asked.end(sent);
  });
}

function cutOff(url: URL, cut: 'silent' | 'half a head'): Promise<number> {
  return new Promise((resolve) => {
    const socket = connect(Number(url.port), url.hostname, () => {
      if (cut === 'half a head') socket.write('POST /api/rigs HTTP/1.1\r\nHost: 127.0');
      setTimeout(() => socket.destroy(), 50);
    });
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(0));
  });
}

interface Kept {
  readonly revision: number;
  readonly rig: Rig;
}

/** Somebody at work in the middle of it: what was acknowledged has to be there. */
export class Worker {
  private readonly known = new Map<string, Kept>();
  /** Sent without an answer: it may be there or not. */
  private readonly pending = new Map<string, Rig>();
  private turns = 0;
  saves = 0;
  lost = 0;

  constructor(
    private readonly target: Target,
    private readonly ids: readonly string[],
  ) {}

  /** Makes or saves the next of its rigs. */
  async work(): Promise<void> {
    const id = this.ids[this.turns++ % this.ids.length]!;
    const known = this.known.get(id);
    const rig = applyEdits(newRig('at work'), setCableLength('l1', 1 + (this.turns % 900) / 10));
    this.pending.set(id, rig);
    const revision = known
      ? await this.ask('PUT', `api/rigs/${id}`, { basedOn: known.revision, rig })
      : await this.ask('POST', 'api/rigs', { id, rig });
    if (revision === null) return this.look(id);
    this.pending.delete(id);
    this.known.set(id, { revision, rig });
    this.saves++;
  }

  /** Looks for everything that was acknowledged; what was restored has other revisions. */
  async check(how: 'saved' | 'restored' = 'saved'): Promise<void> {
    for (const id of this.ids) await this.look(id, how === 'restored');
  }

  /** Everything was replaced by what somebody else had. */
  forget(): void {
    this.known.clear();
    this.pending.clear();
  }

  /** What is there is what was acknowledged, or what was sent after it without an answer. */
  private async look(id: string, isRestored = false): Promise<void> {
    const found = await this.get(id);
    const pending = this.pending.get(id);
    const before = this.known.get(id);
    const known = before && isRestored && found ? { ...before, revision: found.revision } : before;
    const isKnown = known && found && isSame(found, known);
    const next = pending && {
      revision: (known?.revision ?? found?.revision ?? 0) + 1,
      rig: pending,
    };
    const isNext = next && found && (isSame(found, next) || !known);
    if (known && !isKnown && !isNext) this.lost++;
    this.pending.delete(id);
    if (found) this.known.set(id, found);
    else this.known.delete(id);
  }

  private async get(id: string): Promise<Kept | null> {
    const answer = await fetch(new URL(`api/rigs/${id}`, this.target.url));
    if (!answer.ok) return null;
    const { revision, rig } = (await answer.json()) as StoredRig;
    return { revision, rig };
  }

  /** The revision that was acknowledged. */
  private async ask(method: string, path: string, body: unknown): Promise<number | null> {
    try {
      const answer = await fetch(new URL(path, this.target.url), {
        method,
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      });
      return answer.ok ? ((await answer.json()) as { revision: number }).revision : null;
    } catch {
      return null;
    }
  }
}

/** As it goes over the wire, and of one realm. */
const plain = (rig: Rig): unknown => JSON.parse(JSON.stringify(rig));

const isSame = (one: Kept, other: Kept): boolean =>
  one.revision === other.revision && isDeepStrictEqual(plain(one.rig), plain(other.rig));

/** What belongs to somebody at work is no other request's to touch. */
const isRestore = ({ method, path }: Shape) =>
  method === 'POST' && path.startsWith('/api/workspace');

/** Sends hostile requests, several at once, to a server that somebody works with. */
export async function storm(target: Target, count: number, seed: number): Promise<StormCounts> {
  const counts: StormCounts = {
    ...{ requests: 0, answers: {}, unanswered: [], failures: [], saves: 0, lost: 0, deaths: 0 },
    complaints: [],
  };
  const shapes = drawShapes(count, seed);
  const worker = new Worker(target, workingIds());
  const take = async (shape: Shape) => {
    const status = await send(target.url, shape);
    const said = `${shape.method} ${shape.path.slice(0, 80)}: ${String(shape.body).slice(0, 120)}`;
    counts.requests++;
    const family = status === 0 ? 'none' : `${Math.floor(status / 100)}xx`;
    counts.answers[family] = (counts.answers[family] ?? 0) + 1;
    if (status >= 500) counts.failures.push(`${status} ${said}`);
    if (status === 0 && shape.cut === null) counts.unanswered.push(said);
  };
  for (let at = 0; at < shapes.length; at += AT_ONCE) {
    // A restore that is taken replaces everything: nobody works meanwhile, and all is looked at before.
    const some = shapes.slice(at, at + AT_ONCE);
    await Promise.all(some.filter((shape) => !isRestore(shape)).map(take));
    for (const shape of some.filter(isRestore)) {
      await worker.check();
      const before = counts.answers['2xx'] ?? 0;
      await take(shape);
      if ((counts.answers['2xx'] ?? 0) > before) worker.forget();
    }
    if (at % WORK_EVERY < AT_ONCE) await worker.work();
  }
  await worker.check();
  const { saves, lost } = worker;
  return { ...counts, saves, lost, deaths: target.deaths, complaints: target.complaints };
}

export const workingIds = (count = 5): readonly string[] =>
  Array.from({ length: count }, (_, i) => `${VICTIMS[0]!.slice(0, -2)}f${i}`);
