import { randomUUID } from 'node:crypto';
import type { KeptPicture } from '@gullwind/contract';
import type { BoardPhoto, PhotoLie } from '@gullwind/core';
import type { Queryable } from '../db/database';
import type { Picture } from './picture';

interface Row {
  readonly width: number;
  readonly height: number;
  readonly lie: PhotoLie;
  readonly version: string;
}

/** How the photograph of a rig lies; null where it has none. */
export async function findPhoto(db: Queryable, rig: string): Promise<BoardPhoto | null> {
  const [row] = await db.query<Row>(
    'select width, height, lie, version::text as version from board_photos where rig_id = $1',
    [rig],
  );
  return row ? { ...row.lie, width: row.width, height: row.height, version: row.version } : null;
}

/** The picture itself, as base64. */
export async function findPicture(db: Queryable, rig: string): Promise<string | null> {
  const [row] = await db.query<{ picture: string }>(
    `select encode(picture, 'base64') as picture from board_photos where rig_id = $1`,
    [rig],
  );
  return row ? row.picture.replaceAll('\n', '') : null;
}

/** A picture in the place of the one before. */
export async function putPhoto(
  db: Queryable,
  rig: string,
  { bytes, width, height }: Picture,
  lie: PhotoLie,
): Promise<void> {
  await db.query(
    `insert into board_photos (rig_id, picture, width, height, lie, version)
     values ($1, decode($2, 'base64'), $3, $4, $5::jsonb, $6)
     on conflict (rig_id) do update set picture = excluded.picture, width = excluded.width,
       height = excluded.height, lie = excluded.lie, version = excluded.version`,
    [rig, bytes.toString('base64'), width, height, JSON.stringify(lie), randomUUID()],
  );
}

/** @returns false where there is no photograph */
export async function layPhoto(db: Queryable, rig: string, lie: PhotoLie): Promise<boolean> {
  const rows = await db.query(
    'update board_photos set lie = $2::jsonb where rig_id = $1 returning rig_id',
    [rig, JSON.stringify(lie)],
  );
  return rows.length > 0;
}

export async function removePhoto(db: Queryable, rig: string): Promise<void> {
  await db.query('delete from board_photos where rig_id = $1', [rig]);
}

/** For a backup. */
export async function keptPicture(db: Queryable, rig: string): Promise<KeptPicture | null> {
  const [photo, picture] = [await findPhoto(db, rig), await findPicture(db, rig)];
  return photo && picture ? { points: photo.points, brightness: photo.brightness, picture } : null;
}
