import { MOST_KEPT_BYTES, MOST_PIXELS_ACROSS } from '@gullwind/contract';
import sharp from 'sharp';
import { KnownError } from '../errors';

/// Pictures as they are kept: JPEG, upright, no larger than a screen needs, without metadata.

export interface Picture {
  readonly bytes: Buffer;
  readonly width: number;
  readonly height: number;
}

/** Longest side of what is kept, pixels. */
const LONGEST = 3200;
const QUALITIES = [84, 70, 55, 35] as const;

/** By their first bytes; whatever else a picture may be is not opened at all. */
const isPhotograph = (bytes: Uint8Array): boolean => {
  const text = (from: number, to: number) => String.fromCharCode(...bytes.subarray(from, to));
  const isJpeg = bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
  const isPng = bytes[0] === 0x89 && text(1, 4) === 'PNG';
  const isWebp = text(0, 4) === 'RIFF' && text(8, 12) === 'WEBP';
  return isJpeg || isPng || isWebp;
};

const refuse = (detail: string): never => {
  throw new KnownError('picture-not-kept', detail);
};

/** As high as what a lie may span, for a board that is as wide as it usually is. */
const MOST_TIMES_AS_LONG = 20;

/** @throws KnownError where it is so long and narrow that it is no photograph of a board */
export function demandShape({ width, height }: Picture): void {
  const times = Math.max(width, height) / Math.min(width, height);
  if (times > MOST_TIMES_AS_LONG)
    refuse(
      `Picture: ${width.toLocaleString('en')} × ${height.toLocaleString('en')} pixels; the long side may be ${MOST_TIMES_AS_LONG} times the short one at most.`,
    );
}

/** True where a picture is one that was made here: kept again as it is, it loses nothing. */
async function isMadeHere(bytes: Uint8Array): Promise<boolean> {
  if (bytes.length > MOST_KEPT_BYTES) return false;
  const { format, width, height, orientation, ...more } = await sharp(bytes).metadata();
  const hasMore = [more.exif, more.icc, more.iptc, more.xmp, more.comments, orientation];
  if (format !== 'jpeg' || hasMore.some((one) => one !== undefined)) return false;
  if (Math.max(width, height) > LONGEST) return false;
  const end = Buffer.from(bytes).indexOf(END_OF_IMAGE);
  await sharp(bytes, { failOn: 'error' }).stats();
  return end === bytes.length - END_OF_IMAGE.length;
}

/** Inside of the picture no such pair of bytes can be. */
const END_OF_IMAGE = Buffer.from([0xff, 0xd9]);

/** A picture from a backup: as it is where it was made here, else anew. @throws KnownError where it is none */
export async function broughtBack(bytes: Uint8Array): Promise<Picture> {
  const isSame = isPhotograph(bytes) && (await isMadeHere(bytes).catch(() => false));
  if (!isSame) return reencoded(bytes);
  const { width, height } = await sharp(bytes).metadata();
  return { bytes: Buffer.from(bytes), width, height };
}

/** Only what is in the picture, anew. @throws KnownError where it is none, or too large */
export async function reencoded(bytes: Uint8Array): Promise<Picture> {
  if (!isPhotograph(bytes))
    refuse('Picture: this is no photograph; it must be a JPEG, PNG or WebP file.');
  const { width = 0, height = 0 } = await sharp(bytes)
    .metadata()
    .catch(() => refuse('Picture: it cannot be read; the file may be cut short.'));
  const across = Math.max(width, height);
  if (across > MOST_PIXELS_ACROSS)
    refuse(
      `Picture: ${across.toLocaleString('en')} pixels across, at most ${MOST_PIXELS_ACROSS.toLocaleString('en')}.`,
    );
  for (const quality of QUALITIES) {
    const { data, info } = await sharp(bytes, { failOn: 'error' })
      .rotate()
      .resize(LONGEST, LONGEST, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality })
      .toBuffer({ resolveWithObject: true })
      .catch(() => refuse('Picture: it cannot be read; the file may be cut short.'));
    if (data.length <= MOST_KEPT_BYTES)
      return { bytes: data, width: info.width, height: info.height };
  }
  return refuse('Picture: it stays larger than 4 MiB however it is kept.');
}
