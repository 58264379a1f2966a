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
