import { placeEdit, rowOf, type Edit, type OnDeck, type Rig } from '../../rig';
import type { BoardPlan } from '../board';
import { turnedSize, type Standing } from '../standing';

/// Two things that change places: on the board, in the chain, or both.

export const SWAP_KINDS = ['places', 'order', 'both'] as const;
export type SwapKind = (typeof SWAP_KINDS)[number];

/** Which swaps two things allow: places where both stand on boards, the chain where both are in one row of it. */
export function swapsOf(rig: Rig, plan: BoardPlan, [a, b]: readonly [string, string]) {
  const stand = [a, b].every((id) => plan.standings.some(({ thing }) => thing.id === id));
  const [one, other] = [rowOf(rig, a), rowOf(rig, b)];
  const inRow = one !== undefined && one === other;
  return SWAP_KINDS.filter((kind) =>
    kind === 'places' ? stand : kind === 'order' ? inRow : stand && inRow,
  );
}

/** Exchanges two things; each keeps its turn, its front where that of the other was, and its middle. */
export function swapEdit(
  rig: Rig,
  plan: BoardPlan,
  [a, b]: readonly [string, string],
  kind: SwapKind,
): Edit {
  const edits: readonly Edit[] = [
    ...(kind === 'order' ? [] : places(plan, a, b)),
    ...(kind === 'places' ? [] : order(rig, a, b)),
  ];
  return { kind: 'group', edits };
}

function places({ standings }: BoardPlan, a: string, b: string): readonly Edit[] {
  const [one, other] = [a, b].map((id) => standings.find(({ thing }) => thing.id === id)!);
  return [placeEdit(a, inPlaceOf(one!, other!)), placeEdit(b, inPlaceOf(other!, one!))];
}

const tidy = (m: number): number => Math.round(m * 1000) / 1000;

function inPlaceOf({ thing, placement }: Standing, there: Standing): OnDeck {
  const [width] = turnedSize(thing.body, placement.turn);
  const [theirs] = turnedSize(there.thing.body, there.placement.turn);
  const { board, xM, yM, riserM, isUnder } = there.placement;
  return { ...placement, board, riserM, isUnder, xM: tidy(xM + (theirs - width) / 2), yM };
}

/** The one to the place of the other, and back: cables stay where they are in the chain. */
function order(rig: Rig, a: string, b: string): readonly Edit[] {
  const row = rowOf(rig, a)!;
  const at = (id: string) => row.devices.findIndex((device) => device.id === id);
  const [low, high] = [at(a), at(b)].sort((m, n) => m - n) as [number, number];
  return [
    { kind: 'move', row: row.id, from: high, to: low },
    ...(high - low > 1 ? [{ kind: 'move', row: row.id, from: low + 1, to: high } as const] : []),
  ];
}
