import { homographyOf, type BoardPhoto, type PhotoPoints } from '@gullwind/core';
import type { Projection } from '../chart/projection';

interface Props {
  readonly photo: BoardPhoto;
  readonly url: string;
  readonly on: Projection;
}

/** The photograph below the drawing, its four points where they are on the boards: straightened as it is shown. */
export function PhotoLayer({ photo, url, on }: Props) {
  const { width, height, brightness } = photo;
  const matrix = matrixOf(photo, on);
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

/** From pixels of the picture to the page, as the sixteen numbers of a style. */
function matrixOf({ width, height, points }: BoardPhoto, on: Projection): readonly number[] | null {
  const onPage = points.map(({ u, v, x, y }) => ({ u, v, ...on.toPage({ x, y }) }));
  const map = homographyOf(onPage as unknown as PhotoPoints);
  if (!map) return null;
  const [a, b, c, d, e, f, g, h] = map;
  const across = [a / width, d / width, 0, g / width];
  const down = [b / height, e / height, 0, h / height];
  return [...across, ...down, 0, 0, 1, 0, c, f, 0, 1];
}
