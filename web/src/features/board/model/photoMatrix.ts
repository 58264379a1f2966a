import { homographyOf, type BoardPhoto, type PhotoPoints } from '@gullwind/core';
import type { Projection } from './projection';

/** From pixels of the picture to the page, as the sixteen numbers of a style; null where its points say nothing. */
export function photoMatrix(
  { width, height, points }: Pick<BoardPhoto, 'width' | 'height' | 'points'>,
  on: Projection,
): readonly number[] | null {
  const onPage = points.map(({ u, v, x, y }) => ({ u, v, ...on.toPage({ x, y }) }));
  const map = homographyOf(onPage as unknown as PhotoPoints);
  if (!map) return null;
  const [a, b, c, d, e, f, g, h] = map;
  const across = [a / width, d / width, 0, g / width];
  const down = [b / height, e / height, 0, h / height];
  return [...across, ...down, 0, 0, 1, 0, c, f, 0, 1];
}
