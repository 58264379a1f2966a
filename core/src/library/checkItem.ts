import {
  checkPlaces,
  GEAR_ID,
  HIGHEST_PRICE,
  LONGEST_SOURCE,
  MOST_ID,
  type GearItem,
  LONGEST_NOTE,
} from '../gear';
import { checkName, checkNumbers, type RigProblem } from '../rig';

/** What is wrong with an entry of the gear list beyond its shape. */
export function* checkItem({ id, kind, thing, note, qualities }: GearItem): Generator<RigProblem> {
  if (!GEAR_ID.test(id)) {
    const message = `Id “${id.slice(0, MOST_ID)}”: it must be 2 to ${MOST_ID} small letters, digits and hyphens, a letter first.`;
    yield { path: 'id', message };
  }
  yield* checkName(thing.name, 'thing.name');
  yield* checkNumbers(kind, thing, 'thing');
  yield* checkPlaces(kind, thing, 'thing');
  if (note.length > LONGEST_NOTE) {
    const message = `Note: ${note.length} characters, at most ${LONGEST_NOTE}.`;
    yield { path: 'note', message };
  }
  const { price, supplier } = qualities;
  if (price !== null && !(price >= 0 && price <= HIGHEST_PRICE)) {
    const message = `Price: ${price} is not between 0 and ${HIGHEST_PRICE}.`;
    yield { path: 'qualities.price', message };
  }
  if (supplier.length > LONGEST_SOURCE) {
    const message = `Supplier: ${supplier.length} characters, at most ${LONGEST_SOURCE}.`;
    yield { path: 'qualities.supplier', message };
  }
}
