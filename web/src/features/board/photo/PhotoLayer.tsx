import type { BoardPhoto } from '@gullwind/core';
import { photoMatrix } from '../model/photoMatrix';
import type { Projection } from '../model/projection';

interface Props {
  readonly photo: BoardPhoto;
  readonly url: string;
  readonly on: Projection;
}

/** The photograph below the drawing, its four points where they are on the boards: straightened as it is shown. */
export function PhotoLayer({ photo, url, on }: Props) {
  const { width, height, brightness } = photo;
  const matrix = photoMatrix(photo, on);
  if (!matrix) return null;
  return (
    <img
      src={url}
      alt="The board as it was photographed"
      width={width}
      height={height}
      draggable={false}
      style={{
        ...LYING,
        transform: `matrix3d(${matrix.join(',')})`,
        filter: `brightness(${brightness})`,
      }}
    />
  );
}

const LYING = {
  position: 'absolute',
  left: 0,
  top: 0,
  maxWidth: 'none',
  transformOrigin: '0 0',
  pointerEvents: 'none',
} as const;
