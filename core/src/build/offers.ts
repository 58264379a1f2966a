import {
  applyFollowing,
  arrangedEdit,
  bestArrangement,
  isHung,
  layBoard,
  swapEdit,
  thingsOf,
  willItFit,
  type ArrangeQuestion,
  type BoardThing,
  type Conflict,
  type Freedom,
  type Judged,
  type SwapKind,
  type Wishes,
} from '../board';
import { laidOf, type Edit, type Rig } from '../rig';
import { reworkOf, type Building, type Rework } from './rework';

/// Changes of a board with all that they cost: arrangements that differ in kind, and two things that change places.

/** What a change does, with its figures. */
export interface Offered {
  readonly edit: Edit;
  readonly rework: Rework;
  /** Audio as laid, and all else on the boards, m. */
  readonly laidM: number;
  readonly otherM: number;
  /** Switches, by how a foot gets to them. */
  readonly feet: Readonly<Record<Freedom, number>>;
  /** What is in the way then, and was not before. */
  readonly conflicts: readonly Conflict[];
  /** What stands nowhere then, by id. */
  readonly leftOver: readonly string[];
}

/** An edit of a board with its figures; null where it is refused or changes nothing. */
export function offered(rig: Rig, edit: Edit, building: Building): Offered | null {
  const followed = applyFollowing(rig, edit);
  if (followed.kind === 'refused' || followed.rig === rig) return null;
  const before = new Set(layBoard(rig).conflicts.map(({ key }) => key));
  const plan = layBoard(followed.rig);
  const count = (freedom: Freedom) => plan.feet.filter((foot) => foot.freedom === freedom).length;
  return {
    edit,
    rework: reworkOf(rig, followed.rig, building),
    laidM: laidOf(followed.rig),
    otherM: plan.wires.reduce(
      (sum, { connection, madeM }) => sum + (connection.carries === 'audio' ? 0 : (madeM ?? 0)),
      0,
    ),
    feet: { free: count('free'), careful: count('careful'), hit: count('hit') },
    conflicts: plan.conflicts.filter(({ key, weight }) => weight !== 'note' && !before.has(key)),
    leftOver: plan.things
      .filter(({ id }) => !followed.rig.layout.placements[id])
      .map(({ id }) => id),
  };
}

/** What two things cost that change places. */
export const swapCost = (
  rig: Rig,
  pair: readonly [string, string],
  kind: SwapKind,
  building: Building,
): Offered | null => offered(rig, swapEdit(rig, layBoard(rig), pair, kind), building);

export type ArrangementKind = 'wished' | 'nearNow' | 'feet' | 'short';

export interface Arranged extends Offered {
  readonly kind: ArrangementKind;
}

export interface ArrangeOffersQuestion extends ArrangeQuestion {
  readonly building: Building;
}

export interface ArrangeOffersProgress {
  readonly done: number;
  readonly of: number;
  readonly best: readonly Arranged[];
}

/** What counts more in which kind of arrangement. */
const KINDS: Readonly<Record<ArrangementKind, (wishes: Wishes) => Wishes>> = {
  wished: (wishes) => wishes,
  nearNow: (wishes) => ({ ...wishes, perMove: 0.5 }),
  feet: (wishes) => ({ ...wishes, feet: 5 * wishes.feet }),
  short: (wishes) => ({ ...wishes, feet: wishes.feet / 4 }),
};

/** As asked; little moved, or where nothing stands yet, little cable; and feet before all. */
const kindsFor = ({ layout }: Rig): readonly ArrangementKind[] =>
  Object.values(layout.placements).some(({ at }) => at === 'deck')
    ? ['wished', 'nearNow', 'feet']
    : ['wished', 'short', 'feet'];

/** What usually hangs below and stands nowhere yet, where it fits: before all else, for it is in nobody's way there. */
function* hangLoose({ rig }: ArrangeQuestion, budget: number) {
  let now = rig;
  const edits: Edit[] = [];
  const isLoose = (thing: BoardThing) => !rig.layout.placements[thing.id] && isHung(rig, thing);
  for (const { id } of thingsOf(rig).filter(isLoose)) {
    const work = willItFit({ rig: now, id, pinned: thingsOf(now).map((one) => one.id) });
    let step = work.next();
    for (; !step.done; step = work.next()) yield { done: 0, of: budget, best: [] };
    if (step.value.kind !== 'fits') continue;
    const placed = applyFollowing(now, step.value.edit);
    if (placed.kind !== 'ok') continue;
    edits.push(step.value.edit);
    now = placed.rig;
  }
  return { rig: now, edits };
}

/** Up to three arrangements that differ in kind, the one as asked first. */
export function* arrangeOffers({
  building,
  ...question
}: ArrangeOffersQuestion): Generator<ArrangeOffersProgress, readonly Arranged[]> {
  const { wishes, budget } = question;
  const { rig, edits } = yield* hangLoose(question, budget);
  const kinds = kindsFor(rig);
  const share = Math.floor(budget / kinds.length);
  const found: Arranged[] = [];
  const seen = new Set<string>();
  const offerOf = (kind: ArrangementKind, judged: Judged | null): Arranged | null => {
    const arranged = judged && arrangedEdit(rig, judged);
    const edit: Edit | null = arranged && { kind: 'group', edits: [...edits, arranged] };
    const one = edit && offered(question.rig, edit, building);
    return one && { ...one, kind };
  };
  for (const [i, kind] of kinds.entries()) {
    const asked = { ...question, rig, wishes: KINDS[kind](wishes), budget: share };
    const work = bestArrangement(asked);
    let step = work.next();
    let [last, soFar]: [Judged | null, readonly Arranged[]] = [null, found];
    for (; !step.done; step = work.next()) {
      const { done, of, best } = step.value;
      if (best && best !== last) {
        const offer = offerOf(kind, best);
        [last, soFar] = [best, offer ? [...found, offer] : found];
      }
      const looked = i * share + Math.round((done / Math.max(1, of)) * share);
      yield { done: looked, of: budget, best: soFar };
    }
    const offer = offerOf(kind, step.value);
    const isNew = offer && !seen.has(JSON.stringify(offer.edit));
    if (!isNew) continue;
    seen.add(JSON.stringify(offer.edit));
    found.push(offer);
  }
  return found;
}
