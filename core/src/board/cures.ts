import { plugOfShape } from '../gear';
import { formatQuantity, type UnitSystem } from '../quantity';
import { applyEdit, type Edit, type OnDeck, type Rig } from '../rig';
import { riserFor } from './arrange';
import { layBoard, roomOn, type BoardPlan } from './board';
import type { Conflict, Solid } from './conflict';
import { endEdit } from './endEdit';
import { applyFollowing, followAgain } from './follow';
import type { Standing } from './standing';

/// What would settle a conflict. Everything offered has been tried: it cures, and nothing new is in the way afterwards.

export interface Cure {
  readonly says: string;
  /** Cures about the same part are alike: one of them is enough. */
  readonly about: string;
  readonly edit: Edit;
}

const MOST_CURES = 2;
const WAYS = [
  ['to the left', -1, 0],
  ['to the right', 1, 0],
  ['to the front', 0, -1],
  ['to the back', 0, 1],
] as const;

const inMillimetres = (m: number): number => Math.ceil(m * 1000 - 1e-6) / 1000;

interface Asked {
  readonly rig: Rig;
  readonly plan: BoardPlan;
  readonly units: UnitSystem;
}

const sizeOf = (m: number, { units }: Asked): string => formatQuantity(m, 'size', units);
/** A thing some way on its deck. */
export const moveBy = ({ thing, placement }: Standing, dx: number, dy: number): Edit => ({
  kind: 'place',
  id: thing.id,
  to: { ...placement, xM: rounded(placement.xM + dx), yM: rounded(placement.yM + dy) },
});

const rounded = (m: number): number => Math.round(m * 1e6) / 1e6;

/** Moves of a thing in every direction, the shortest first; `leastM` is what is missing. */
function* moves(asked: Asked, id: string, leastM: number): Generator<Cure> {
  const standing = asked.plan.standings.find(({ thing }) => thing.id === id);
  if (!standing) return;
  for (const more of [0, 0.005, 0.012, 0.025, 0.045, 0.08]) {
    const m = inMillimetres(leastM + more);
    for (const [way, x, y] of WAYS)
      yield {
        about: id,
        says: `move ${standing.thing.name} ${sizeOf(m, asked)} ${way}`,
        edit: moveBy(standing, x * m, y * m),
      };
  }
}

const OPPOSITE = { left: 'right', right: 'left', front: 'back', back: 'front' } as const;

/** The plug of a cable turned to its other side, or a flatter one. */
function* otherPlug({ rig, plan }: Asked, plug: Solid['plug']): Generator<Cure> {
  if (!plug) return;
  const at = plan.plugs.find(({ cable, end }) => cable === plug.cable && end === plug.end);
  if (!at) return;
  if (at.side) {
    const leaves = OPPOSITE[at.side];
    yield {
      about: plug.cable,
      says: `turn the plug to the ${leaves}`,
      edit: endEdit(rig, plug.cable, [plug.end], { leaves }),
    };
  }
  const isAudio = plan.wires.some(
    ({ connection: { id, carries } }) => id === plug.cable && carries === 'audio',
  );
  const { id: _, ...pancake } = plugOfShape('pancake', 'pancake plug');
  if (isAudio && at.plug.shape !== 'pancake')
    yield {
      about: 'plug',
      says: 'a pancake plug there',
      edit: endEdit(rig, plug.cable, [plug.end], { plug: pancake }),
    };
}

const placed = ({ thing, placement }: Standing, change: Partial<OnDeck>): Edit => ({
  kind: 'place',
  id: thing.id,
  to: { ...placement, ...change },
});

function* lifted(asked: Asked, conflict: Extract<Conflict, { kind: 'stepOver' }>): Generator<Cure> {
  const own = asked.plan.standings.find(({ thing }) => thing.id === conflict.thing)!;
  const riserM = riserFor(asked.plan.standings, conflict, own.placement.riserM);
  if (riserM === null || riserM > 0.15) return;
  yield {
    about: 'riser',
    says: `a riser of ${sizeOf(riserM, asked)} under ${own.thing.name}`,
    edit: placed(own, { riserM }),
  };
}

/** A cable that was fixed goes by the board again. */
function* made(asked: Asked, cable: string): Generator<Cure> {
  const edit = followAgain(asked.rig, asked.plan, cable);
  const wire = asked.plan.wires.find(({ connection }) => connection.id === cable);
  const madeM = wire?.madeM ?? null;
  if (edit && madeM !== null)
    yield { about: 'made', says: `make it ${sizeOf(madeM, asked)}`, edit };
}

function* cableCures(asked: Asked, cable: string, leastM: number): Generator<Cure> {
  const wire = asked.plan.wires.find(({ connection }) => connection.id === cable);
  for (const plug of [wire?.from, wire?.to])
    if (plug) yield* otherPlug(asked, { cable, end: plug.end });
  for (const plug of [wire?.from, wire?.to]) if (plug) yield* moves(asked, plug.thing, leastM);
}

function* ideas(asked: Asked, conflict: Conflict): Generator<Cure> {
  switch (conflict.kind) {
    case 'overlap':
      yield* otherPlug(asked, conflict.one.plug);
      yield* otherPlug(asked, conflict.other.plug);
      yield* bothMoved(asked, conflict.one.thing, conflict.other.thing, conflict.missingM);
      return;
    case 'overhang':
    case 'support':
      return yield* moves(asked, conflict.thing, conflict.missingM);
    case 'stepOver':
      yield* lifted(asked, conflict);
      return yield* bothMoved(asked, conflict.thing, conflict.other, 0.02);
    case 'foot': {
      const { thing, other, wantedM, freeM } = conflict;
      return yield* bothMoved(asked, thing, other, wantedM - freeM);
    }
    case 'tooShort':
      yield* made(asked, conflict.cable);
      return yield* cableCures(asked, conflict.cable, conflict.missingM);
    case 'tooLong':
      return yield* made(asked, conflict.cable);
    case 'noWay':
      return yield* cableCures(asked, conflict.cable, 0.006);
    case 'below':
      return yield* onTop(asked, conflict.thing);
    case 'coupler':
      return yield* patched(asked, conflict.cable);
    case 'noJack':
  }
}

/** A patch where a coupler does not reach. */
function* patched({ rig }: Asked, cable: string): Generator<Cure> {
  const edit = endEdit(rig, cable, ['from', 'to'], { plug: null });
  yield { about: 'patch', says: 'a patch in its place', edit };
}

/** What is too high to hang below may stand on top, where it was. */
function* onTop({ plan }: Asked, id: string): Generator<Cure> {
  const standing = plan.standings.find(({ thing }) => thing.id === id)!;
  if (standing.placement.riserM > 0)
    yield { about: 'riser', says: 'without its riser', edit: placed(standing, { riserM: 0 }) };
  yield {
    about: 'top',
    says: 'stand it on top',
    edit: placed(standing, { isUnder: false, riserM: 0 }),
  };
}

/** The shorter moves of either first. */
function* bothMoved(asked: Asked, one: string, other: string, leastM: number): Generator<Cure> {
  const [first, second] = [[...moves(asked, one, leastM)], [...moves(asked, other, leastM)]];
  for (let i = 0; i < Math.max(first.length, second.length); i += WAYS.length) {
    yield* first.slice(i, i + WAYS.length);
    yield* second.slice(i, i + WAYS.length);
  }
}

/** Whether an edit takes a conflict away and brings none. */
function cures({ rig, plan }: Asked, { key }: Conflict, edit: Edit): boolean {
  const before = new Set(plan.conflicts.map((one) => one.key));
  const isBetter = (after: readonly Conflict[]) =>
    after.every((one) => one.key !== key && before.has(one.key));
  // Room first: it takes no cables to see that another case is in the way.
  const stands = applyEdit(rig, edit);
  if (stands.kind === 'refused' || !isBetter(roomOn(stands.rig).conflicts)) return false;
  const result = applyFollowing(rig, edit);
  return result.kind === 'ok' && result.rig !== rig && isBetter(layBoard(result.rig).conflicts);
}

/** Up to two things that would settle a conflict, the smallest first; none where nothing simple does. */
export function curesOf(
  rig: Rig,
  plan: BoardPlan,
  conflict: Conflict,
  units: UnitSystem,
): readonly Cure[] {
  const asked: Asked = { rig, plan, units };
  const found: Cure[] = [];
  for (const cure of ideas(asked, conflict)) {
    if (found.some(({ about }) => about === cure.about) || !cures(asked, conflict, cure.edit))
      continue;
    found.push(cure);
    if (found.length === MOST_CURES) break;
  }
  return found;
}
