/// How many bends a way takes at least where nothing is in its way: by where the goal lies, how the cable heads now, and how
/// it has to come in. Counted once for all of them, on a small plane.

/** Right, back, left, front; and free to turn. */
const HEADINGS = 5;
const FREE = 4;
const DX = [1, 0, -1, 0];
const DY = [0, 1, 0, -1];

const SIZE = 9;
const MIDDLE = 4;

const indexOf = (signX: number, signY: number, heading: number, arrives: number): number =>
  (((signX + 1) * 3 + signY + 1) * HEADINGS + heading) * 4 + arrives;

type Place = readonly [x: number, y: number, heading: number];

const isThere = ([x, y]: Place): boolean => x === MIDDLE && y === MIDDLE;
const isOnPlane = ([x, y]: Place): boolean => x >= 0 && y >= 0 && x < SIZE && y < SIZE;
const isBack = (from: number, to: number): boolean => from !== FREE && to === (from + 2) % 4;

/** Where it gets to straight on, and where with one bend: a bend may be the last thing, into the plug. */
function stepsFrom(place: Place, arrives: number): readonly [straight: Place[], bent: Place[]] {
  const [x, y, heading] = place;
  const ways = [0, 1, 2, 3].filter((way) => !isBack(heading, way));
  const isStraight = (way: number) => heading === FREE || way === heading;
  const step = (way: number): Place => [x + DX[way]!, y + DY[way]!, way];
  const bent = ways.filter((way) => !isStraight(way));
  const into = isThere(place) && bent.includes(arrives) ? [[x, y, arrives] as const] : [];
  return [ways.filter(isStraight).map(step), [...bent.map(step), ...into]];
}

/** Bends from a place and heading to the middle of the plane, coming in as asked. */
function count(start: Place, arrives: number): number {
  const seen = new Set<string>();
  let front: Place[] = [start];
  for (let bends = 0; ; bends++) {
    const bentHere: Place[] = [];
    while (front.length > 0) {
      const place = front.pop()!;
      if (!isOnPlane(place) || seen.has(place.join(' '))) continue;
      seen.add(place.join(' '));
      if (isThere(place) && (place[2] === arrives || place[2] === FREE)) return bends;
      const [straight, bent] = stepsFrom(place, arrives);
      front.push(...straight);
      bentHere.push(...bent);
    }
    front = bentHere;
  }
}

let table: Uint8Array | null = null;

function tableOf(): Uint8Array {
  if (table) return table;
  table = new Uint8Array(3 * 3 * HEADINGS * 4);
  for (const signX of [-1, 0, 1])
    for (const signY of [-1, 0, 1])
      for (let heading = 0; heading < HEADINGS; heading++)
        for (let arrives = 0; arrives < 4; arrives++)
          table[indexOf(signX, signY, heading, arrives)] = count(
            [MIDDLE - 2 * signX, MIDDLE - 2 * signY, heading],
            arrives,
          );
  return table;
}

/**
 * The least number of bends.
 *
 * @param signX of the way to go, −1, 0 or 1
 * @param heading 0 to 3 for right, back, left, front; 4 where it may turn freely
 * @param arrives the heading in which it comes straight into the plug
 */
export const leastBends = (
  signX: number,
  signY: number,
  heading: number,
  arrives: number,
): number => (table ?? tableOf())[indexOf(signX, signY, heading, arrives)]!;
