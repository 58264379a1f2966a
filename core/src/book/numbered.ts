import { thingsOf, type Drawing, type DrawnShape } from '../board';
import type { Rig } from '../rig';

/// A board made small enough for a page of a book: names that would not be read there give way to numbers.

/** What a page of a book has between its margins, mm. */
export const BOOK_WIDTH_MM = 180;
/** How high numbers are on paper, mm. */
const NUMBER_MM = 2.8;

/** The same drawing with numbers in the place of names, and which is which. */
export function numbered(
  drawing: Drawing,
  rig: Rig,
): { readonly drawing: Drawing; readonly legend: string } {
  const names = [...new Set(thingsOf(rig).map(({ name }) => name))];
  const drawn = new Set<string>();
  const size = NUMBER_MM / Math.min(1, BOOK_WIDTH_MM / drawing.width);
  const shapes = drawing.shapes.map((shape): DrawnShape => {
    const at = shape.kind === 'text' ? names.indexOf(shape.text) : -1;
    if (shape.kind !== 'text' || at < 0) return shape;
    drawn.add(shape.text);
    return { ...shape, size, y: shape.y + size / 3, text: String(at + 1) };
  });
  const legend = names
    .flatMap((name, i) => (drawn.has(name) ? [`${i + 1} ${name}`] : []))
    .join(', ');
  return { drawing: { ...drawing, shapes }, legend: `${legend}.` };
}
