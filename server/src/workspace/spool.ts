import { randomUUID } from 'node:crypto';
import { mkdir, open, unlink, type FileHandle } from 'node:fs/promises';
import { join } from 'node:path';
import { demandRoom, type FreeBytes } from '../db/room';
import { KnownError } from '../errors';

/// Large texts on their way go through a file, so that nothing waits for whoever reads or sends them.

const PIECE = 2 ** 20;

/** Where it passes through. */
export interface SpoolPlace {
  /** Made where it is not there. */
  readonly folder: string;
  /** The room there; null where nothing else needs it. */
  readonly free: FreeBytes | null;
}

/** Gathers text and writes it in large pieces, as long as there is room for more than that. */
export class Writing {
  private waiting: string[] = [];
  private length = 0;

  constructor(
    private readonly file: FileHandle,
    private readonly free: FreeBytes | null = null,
  ) {}

  async write(text: string): Promise<void> {
    this.waiting.push(text);
    this.length += text.length;
    if (this.length >= PIECE) await this.flush();
  }

  async flush(): Promise<void> {
    await demandRoom(this.free);
    const text = this.waiting.join('');
    this.waiting = [];
    this.length = 0;
    await this.file.appendFile(text);
  }
}

/**
 * Opens a file that nobody else sees and that nothing is left of, however this ends.
 *
 * @throws KnownError "no-room" where the disk is full
 */
export async function withSpool<T>(
  { folder }: SpoolPlace,
  work: (file: FileHandle) => Promise<T>,
): Promise<T> {
  await mkdir(folder, { recursive: true });
  const path = join(folder, `passing-${randomUUID()}`);
  const file = await open(path, 'wx+');
  try {
    await unlink(path);
    return await work(file);
  } catch (error) {
    throw isFull(error)
      ? new KnownError('no-room', 'The disk of the server is full. Nothing was changed.')
      : error;
  } finally {
    await file.close();
  }
}

export const isFull = (error: unknown): boolean =>
  ['ENOSPC', 'EDQUOT', 'EFBIG'].includes((error as NodeJS.ErrnoException).code ?? '');

/** The bytes of a file from its beginning. */
export async function* bytesOf(file: FileHandle): AsyncGenerator<Uint8Array> {
  for (let at = 0; ;) {
    const { bytesRead, buffer } = await file.read(Buffer.allocUnsafe(PIECE), 0, PIECE, at);
    if (bytesRead === 0) return;
    at += bytesRead;
    yield buffer.subarray(0, bytesRead);
  }
}
