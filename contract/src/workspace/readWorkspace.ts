import { saidTwice } from '../ids';
import type { Read, ValueProblem } from '../read';
import { linesOf, LONGEST_FIRST_LINE } from './linesOf';
import { readOlderWorkspace } from './older';
import { parseJson } from './parseJson';
import {
  HEADER_LINE,
  readPart,
  sayPart,
  WORKSPACE_FORMAT,
  WORKSPACE_KIND,
  type WorkspaceCounts,
  type WorkspacePart,
} from './parts';

/** What is no workspace, or not a whole one: where, and why. */
export class WorkspaceRefused extends Error {
  /** @param part which part of it that is, in words; null where it is the file as a whole */
  constructor(
    readonly problems: readonly ValueProblem[],
    readonly part: string | null = null,
  ) {
    super(problems[0] ? `${problems[0].path}: ${problems[0].message}` : 'It could not be read.');
    this.name = 'WorkspaceRefused';
  }
}

const refuse = (path: string, message: string): never => {
  throw new WorkspaceRefused([{ path, message }]);
};

/** What this reads in one piece: a file of an earlier format. */
const MOST_OLDER = LONGEST_FIRST_LINE;
const LONGEST_HEADER = 1000;
/** A document has 2 MiB. */
const MOST_VALUES_OF_PART = 2 ** 20;
const MOST_VALUES_OF_OLDER = 2 ** 22;

/**
 * The parts of a workspace, one after the other, in memory that does not grow with it (earlier formats up to
 * 32 MiB, in one piece).
 *
 * @param pieces its bytes in UTF-8, with or without a mark, cut anywhere
 * @throws WorkspaceRefused at the first thing that cannot be restored; what came before is not to be used
 */
export async function* readWorkspace(
  pieces: AsyncIterable<Uint8Array>,
): AsyncGenerator<WorkspacePart, WorkspaceCounts> {
  const lines = linesOf(pieces, refuse);
  const first = await lines.next();
  const head = first.done ? '' : first.value;
  if (!isHeader(head)) return yield* older(head, lines);
  const inventory = new Inventory();
  for await (const text of lines) {
    if (text.trim() === '') continue;
    const part = inventory.take(text);
    if (part) yield part;
  }
  return inventory.end();
}

/** The same of a file that was read to its end before: nothing is held against a schema again. */
export async function* rereadWorkspace(
  pieces: AsyncIterable<Uint8Array>,
): AsyncGenerator<WorkspacePart> {
  const lines = linesOf(pieces, refuse);
  const first = await lines.next();
  const head = first.done ? '' : first.value;
  if (!isHeader(head)) return void (yield* older(head, lines));
  for await (const text of lines) {
    if (text.trim() === '') continue;
    const part = JSON.parse(text) as WorkspacePart | { kind: 'end' };
    if (part.kind !== 'end') yield part;
  }
}

function isHeader(line: string): boolean {
  if (line.length > LONGEST_HEADER) return false;
  if (line.trim() === HEADER_LINE) return true;
  try {
    const { kind, format } = JSON.parse(line) as { kind?: unknown; format?: unknown };
    if (kind !== WORKSPACE_KIND || !(Number(format) > 2)) return false;
    if (Number(format) <= WORKSPACE_FORMAT) return true;
    return refuse(
      'format',
      `It is ${Number(format)}; this version reads format ${WORKSPACE_FORMAT} and those before it.`,
    );
  } catch (error) {
    if (error instanceof WorkspaceRefused) throw error;
    return false;
  }
}

/** A test has an id; a step is done once for its rig, and there is one photograph of it. */
const idOfDone = (part: Extract<WorkspacePart, { kind: 'test' | 'done' | 'photo' }>): string =>
  part.kind === 'test'
    ? part.test.id
    : part.kind === 'done'
      ? `${part.rig} ${part.done.step}`
      : part.rig;

/** Holds the parts of a workspace together: what belongs to what, and whether all of it is there. */
class Inventory {
  private readonly counts = { rigs: 0, revisions: 0, gear: 0, records: 0 };
  private readonly seen = new Set<string>();
  private rig: { readonly id: string; last: number } | null = null;
  private isEnded = false;
  private line = 1;

  /** Null for the end. */
  take(text: string): WorkspacePart | null {
    const at = `line ${++this.line}`;
    if (this.isEnded) return refuse(at, 'There is something behind its end.');
    const value = parseJson(text, MOST_VALUES_OF_PART, (message) => refuse(at, message));
    try {
      return this.read(value, at);
    } catch (error) {
      if (!(error instanceof WorkspaceRefused)) throw error;
      throw new WorkspaceRefused(error.problems, sayPart(value));
    }
  }

  private read(value: unknown, at: string): WorkspacePart | null {
    const read = readPart(value);
    if (read.kind === 'refused')
      throw new WorkspaceRefused(
        read.problems.map(({ path, message }) => ({ path: `${at}, ${path}`, message })),
      );
    if (read.value.kind === 'end') this.close(read.value, at);
    else this.enter(read.value, at);
    return read.value.kind === 'end' ? null : read.value;
  }

  end(): WorkspaceCounts {
    if (!this.isEnded) return refuse('file', 'It was cut short: its end is missing.');
    return this.counts;
  }

  private enter(part: WorkspacePart, at: string): void {
    switch (part.kind) {
      case 'rig':
        this.once('rig', part.id, at);
        this.rig = { id: part.id, last: 0 };
        this.counts.rigs++;
        break;
      case 'revision':
        if (this.rig?.id !== part.rig) refuse(at, 'A revision stands behind its rig.');
        else if (part.revision <= this.rig.last)
          refuse(at, `Revision ${part.revision} stands behind revision ${this.rig.last}.`);
        else this.rig.last = part.revision;
        this.counts.revisions++;
        break;
      case 'test':
      case 'done':
      case 'photo':
        if (this.rig?.id !== part.rig) refuse(at, 'What was done stands behind its rig.');
        return this.record(part.kind, idOfDone(part), at);
      case 'offCut':
        return this.record('offCut', part.offCut.id, at);
      case 'measurement':
        return this.record('measurement', part.measurement.id, at);
      case 'hearing':
        return this.record('hearing', part.hearing.id, at);
      case 'hunt':
        for (const { id } of part.hunt.answers) this.once('answer', id, at);
        return this.record('hunt', part.hunt.id, at);
      case 'gear':
        this.once('gear', part.item.id, at);
        this.counts.gear++;
        break;
      case 'settings':
        this.once('settings', 'settings', at);
    }
  }

  private record(kind: WorkspacePart['kind'], id: string, at: string): void {
    this.once(kind, id, at);
    this.counts.records++;
  }

  /** Each kind has ids of its own: a rig and a test may have the same one. */
  private once(kind: WorkspacePart['kind'] | 'answer', id: string, at: string): void {
    const name = `${kind} ${id}`;
    if (this.seen.has(name)) refuse(at, saidTwice(id));
    this.seen.add(name);
  }

  private close(said: WorkspaceCounts, at: string): void {
    this.isEnded = true;
    for (const what of ['rigs', 'revisions', 'gear', 'records'] as const)
      if (said[what] !== this.counts[what])
        refuse(at, `It ends with ${said[what]} ${what}; there are ${this.counts[what]}.`);
  }
}

async function* older(
  head: string,
  lines: AsyncGenerator<string>,
): AsyncGenerator<WorkspacePart, WorkspaceCounts> {
  let length = head.length;
  const all = [head];
  for await (const line of lines) {
    length += line.length;
    if (length > MOST_OLDER)
      refuse('file', `It is too large: at most ${MOST_OLDER / 2 ** 20} MiB.`);
    all.push(line);
  }
  const value = parseJson(all.join('\n'), MOST_VALUES_OF_OLDER, (message) =>
    refuse('file', message),
  );
  const read: Read<readonly WorkspacePart[]> = readOlderWorkspace(value);
  if (read.kind === 'refused') throw new WorkspaceRefused(read.problems);
  yield* read.value;
  const countOf = (kind: WorkspacePart['kind']) =>
    read.value.filter((part) => part.kind === kind).length;
  return {
    rigs: countOf('rig'),
    revisions: countOf('revision'),
    gear: countOf('gear'),
    records: 0,
  };
}
