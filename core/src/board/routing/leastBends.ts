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

/** Bends from a place and heading to the middle of the plane, coming in as asked. */
function count(x: number, y: number, heading: number, arrives: number): number {
  const seen = new Set<string>();
  let front = [[x, y, heading] as const];
  for (let bends = 0; ; bends++) {
    const bent: (readonly [number, number, number])[] = [];
    for (let i = 0; i < front.length; i++) {
      const [px, py, way] = front[i]!;
      if (px < 0 || py < 0 || px >= SIZE || py >= SIZE || seen.has(`${px} ${py} ${way}`)) continue;
      seen.add(`${px} ${py} ${way}`);
      const isThere = px === MIDDLE && py === MIDDLE;
      if (isThere && (way === arrives || way === FREE)) return bends;
      for (let next = 0; next < 4; next++) {
        if (way !== FREE && next === (way + 2) % 4) continue;
        const step = [px + DX[next]!, py + DY[next]!, next] as const;
        if (way === FREE || next === way) front.push(step);
        else {
          bent.push(step);
          // It may turn where it is, into the plug.
          if (isThere && next === arrives) bent.push([px, py, next]);
        }
      }
    }
    front = bent;
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
            MIDDLE - 2 * signX,
            MIDDLE - 2 * signY,
            heading,
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
