import { analyseRig } from '../figures';
import { formatQuantity, formatSignedDb, type UnitSystem } from '../quantity';
import { allCables, allDevices, findCable, type Edit, type Rig } from '../rig';
import { layBoard } from './board';
import { applyFollowing } from './follow';
import { sayThing, sayWire } from './words';

/// What a change of the chain does to cables that lie on a board, and what that does to the treble.

const MOST_NAMED = 4;

interface Changed {
  readonly id: string;
  readonly beforeM: number | null;
  readonly afterM: number | null;
}

/** Laid cables that become longer or shorter, come to lie on the board, or leave it. */
function changedCables(before: Rig, after: Rig): readonly Changed[] {
  const laidIn = (rig: Rig, id: string): number | null => {
    const length = findCable(rig, id)?.lengthM;
    return length?.from === 'laid' ? length.value : null;
  };
  const ids = new Set([...allCables(before), ...allCables(after)].map(({ id }) => id));
  return [...ids].flatMap((id) => {
    const [beforeM, afterM] = [laidIn(before, id), laidIn(after, id)];
    return beforeM === afterM ? [] : [{ id, beforeM, afterM }];
  });
}

const trebleOf = (rig: Rig): number | null => {
  const analysis = analyseRig(rig);
  return analysis.kind === 'sounding' ? analysis.figures.trebleDb : null;
};

/** What an edit of a laid-out rig means on its board, in sentences; none where nothing lies there or nothing changes. */
export function sayOnBoard(rig: Rig, edit: Edit, units: UnitSystem): readonly string[] {
  if (rig.layout.boards.length === 0) return [];
  const followed = applyFollowing(rig, edit);
  if (followed.kind === 'refused') return [];
  const after = followed.rig;
  const plan = layBoard(after);
  const changed = changedCables(rig, after);
  const made = changed.filter(({ afterM }) => afterM !== null);
  const size = (m: number) => formatQuantity(m, 'size', units);
  const said: string[] = [];
  if (made.length > 0) {
    const named = made
      .slice(0, MOST_NAMED)
      .map(({ id, beforeM, afterM }) =>
        beforeM === null
          ? `${sayWire(plan, id)} ${size(afterM!)}`
          : `${sayWire(plan, id)} ${size(beforeM)} → ${size(afterM!)}`,
      );
    const rest = made.length - named.length;
    said.push(
      `${made.length === 1 ? 'One cable is' : `${made.length} cables are`} made anew: ${named.join(', ')}${rest > 0 ? `, and ${rest} more` : ''}.`,
    );
  }
  const known = new Set(allDevices(rig).map(({ id }) => id));
  for (const { id } of allDevices(after))
    if (!known.has(id))
      said.push(
        `${sayThing(plan, id)} has no place on the board yet: until it stands there, its cables are as long as is usual.`,
      );
  return [...said, ...sayTreble(rig, edit, after)];
}

/** What the lengths do that follow, beside the change itself. */
function sayTreble(rig: Rig, edit: Edit, after: Rig): readonly string[] {
  const plain = applyFollowing(
    { ...rig, layout: { ...rig.layout, boards: [], placements: {} } },
    edit,
  );
  const [without, withThem] = [plain.kind === 'ok' ? trebleOf(plain.rig) : null, trebleOf(after)];
  if (without === null || withThem === null || Math.abs(withThem - without) < 0.005) return [];
  return [
    `With these lengths the treble is ${formatSignedDb(withThem, 2)} dB, ${formatSignedDb(withThem - without, 2)} dB against the lengths as they were.`,
  ];
}
