import { statfs } from 'node:fs/promises';
import type { RequestHandler } from 'express';
import { KnownError } from '../errors';

/// The embedded engine cannot go on when its disk is full: its log grows by files of 16 MiB, and it ends where there is no
/// room for the next one. Before it comes to that nothing is written any more; reading goes on.

const MIB = 2 ** 20;
/** One file of the log, the next, and what a checkpoint writes. */
export const LEAST_ROOM_BYTES = 48 * MIB;
/** A new database takes so much by itself. */
const NEW_DATABASE_BYTES = 48 * MIB;
/** What is written goes into the log and into a table. */
const TIMES_WRITTEN = 2;

/** Bytes that are free where something is kept. */
export type FreeBytes = () => Promise<number>;

/** @param folder one that is there */
export const freeBytesIn = (folder: string): FreeBytes => {
  return async () => {
    const { bavail, bsize } = await statfs(folder);
    return bavail * bsize;
  };
};

/** Whether there is room enough to write something. */
export const hasRoom = async (free: FreeBytes | null, bytes = 0): Promise<boolean> =>
  free === null || (await free()) >= LEAST_ROOM_BYTES + TIMES_WRITTEN * bytes;

/** @throws KnownError "no-room" where there is too little to write so many bytes */
export async function demandRoom(free: FreeBytes | null, bytes = 0): Promise<void> {
  if (await hasRoom(free, bytes)) return;
  const [there, least] = [await free!(), LEAST_ROOM_BYTES + TIMES_WRITTEN * bytes];
  throw new KnownError(
    'no-room',
    `The disk of the server has only ${inMib(there)} left, and ${inMib(least)} must be free to save this. Nothing was changed.`,
  );
}

/** Refuses to write where there is too little room; what only reads passes. */
export const demandRoomToWrite =
  (free: FreeBytes): RequestHandler =>
  async (request, _response, next) => {
    const isRead = request.method === 'GET' || request.method === 'HEAD';
    if (!isRead) await demandRoom(free, Number(request.headers['content-length'] ?? 0));
    next();
  };

const inMib = (bytes: number): string => `${Math.floor(bytes / MIB)} MiB`;

/**
 * Looks at the room before the engine is started.
 *
 * @param isThere whether the folder holds a database already
 * @throws Error with a sentence for the person who started the server
 */
export async function demandRoomToStart(folder: string, isThere: boolean): Promise<void> {
  const bytes = await freeBytesIn(folder)();
  const least = LEAST_ROOM_BYTES + (isThere ? 0 : NEW_DATABASE_BYTES);
  if (bytes < least)
    throw new Error(
      `The disk that ${folder} is on has only ${inMib(bytes)} left. Make room: ${inMib(least)} must be free to start.`,
    );
}
