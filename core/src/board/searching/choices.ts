import type { Turn } from '../../rig';
import { mix } from '../../tolerance';
import type { Choice, Packing } from './packing';

/// What an arrangement can choose: all of it, a first one, and small changes of one.

/** All orders of so many things in so many rows. */
export function* allRows(count: number, rows: number): Generator<readonly (readonly number[])[]> {
  const start: readonly (readonly number[])[] = Array.from({ length: rows }, () => []);
  yield* insertFrom(start, 0, count);
}

function* insertFrom(
  rows: readonly (readonly number[])[],
  next: number,
  count: number,
): Generator<readonly (readonly number[])[]> {
  if (next === count) {
    yield rows;
    return;
  }
  for (const [r, row] of rows.entries())
    for (let at = 0; at <= row.length; at++)
      yield* insertFrom(rows.with(r, row.toSpliced(at, 0, next)), next + 1, count);
}

/** All ways to give each of so many one of some values. */
export function* allOf<T>(values: readonly T[], count: number): Generator<readonly T[]> {
  if (count === 0) {
    yield [];
    return;
  }
  for (const rest of allOf(values, count - 1)) for (const value of values) yield [...rest, value];
}

/** Every choice there is. Of an empty row it does not matter to which side it is packed. */
export function* allChoices(packing: Packing, turns: readonly Turn[]): Generator<Choice> {
  const { length } = packing.items;
  for (const rows of allRows(length, packing.rows.length))
    for (const fromRight of allOf([true, false], rows.length)) {
      if (fromRight.some((right, r) => !right && rows[r]!.length === 0)) continue;
      for (const chosen of allOf(turns, length))
        for (const isWide of [false, true]) yield { rows, fromRight, turns: chosen, isWide };
    }
}

/** Whole numbers by a seed: the same ones everywhere. */
export class Dice {
  #count = 0;
  constructor(readonly seed: number) {}

  below(limit: number): number {
    return mix(mix(this.seed) + Math.imul(++this.#count, 0x9e3779b1)) % limit;
  }
}

/** The chain cut into rows, one after the other, each in its order or the other way round: where a search begins. */
export function cutChain(packing: Packing, turns: readonly Turn[], dice: Dice): Choice {
  const { items, rows } = packing;
  const cuts = rows.map(() => dice.below(items.length + 1)).sort((a, b) => a - b);
  const order = shuffled(
    rows.map((_, r) => r),
    dice,
  );
  const pieces = rows.map((_, r) => {
    const from = r === 0 ? 0 : cuts[r]!;
    const to = r === rows.length - 1 ? items.length : cuts[r + 1]!;
    const piece = items.flatMap((__, i) => (i >= from && i < to ? [i] : []));
    return dice.below(2) === 0 ? piece : piece.toReversed();
  });
  return {
    rows: order.map((r) => pieces[r]!),
    fromRight: rows.map(() => dice.below(3) > 0),
    turns: items.map(() => turns[0]!),
    isWide: dice.below(2) === 0,
  };
}

function shuffled<T>(all: readonly T[], dice: Dice): readonly T[] {
  const now = [...all];
  for (let i = now.length - 1; i > 0; i--) {
    const other = dice.below(i + 1);
    [now[i], now[other]] = [now[other]!, now[i]!];
  }
  return now;
}

/** One small change of a choice. */
export function changed(choice: Choice, dice: Dice, turns: readonly Turn[]): Choice {
  const { rows, fromRight } = choice;
  const count = choice.turns.length;
  const kind = dice.below(turns.length > 1 ? 14 : 12);
  if (kind < 4) return moveSome(choice, dice, 1);
  if (kind < 7) return moveSome(choice, dice, 2 + dice.below(4));
  if (kind < 10) return swapTwo(choice, dice.below(count), dice.below(count));
  if (kind === 10) return { ...choice, fromRight: flipped(fromRight, dice.below(rows.length)) };
  if (kind === 11) return { ...choice, isWide: !choice.isWide };
  return {
    ...choice,
    turns: choice.turns.with(dice.below(count), turns[dice.below(turns.length)]!),
  };
}

const flipped = (sides: readonly boolean[], at: number): readonly boolean[] =>
  sides.with(at, !sides[at]!);

/** So many that stand side by side go elsewhere, in the same order or the other way round. */
function moveSome({ rows, ...choice }: Choice, dice: Dice, most: number): Choice {
  const from = dice.below(rows.length);
  const row = rows[from]!;
  const first = dice.below(Math.max(1, row.length));
  const some = row.slice(first, first + most);
  const taken = dice.below(2) === 0 ? some : some.toReversed();
  const without = rows.with(from, row.toSpliced(first, some.length));
  const to = dice.below(rows.length);
  const at = dice.below(without[to]!.length + 1);
  return { ...choice, rows: without.with(to, without[to]!.toSpliced(at, 0, ...taken)) };
}

const swapTwo = (choice: Choice, a: number, b: number): Choice => ({
  ...choice,
  rows: choice.rows.map((row) => row.map((one) => (one === a ? b : one === b ? a : one))),
});

export const keyOf = ({ rows, fromRight, turns, isWide }: Choice): string =>
  JSON.stringify([rows, fromRight, turns, isWide]);

/** Everything that one small change makes of a choice. */
export function* neighbours(choice: Choice, turns: readonly Turn[]): Generator<Choice> {
  const { rows, fromRight } = choice;
  yield { ...choice, isWide: !choice.isWide };
  for (const r of rows.keys()) yield { ...choice, fromRight: flipped(fromRight, r) };
  for (const item of choice.turns.keys()) {
    const without = rows.map((row) => row.filter((one) => one !== item));
    for (const [r, row] of without.entries())
      for (let at = 0; at <= row.length; at++)
        yield { ...choice, rows: without.with(r, row.toSpliced(at, 0, item)) };
    for (let other = item + 1; other < choice.turns.length; other++)
      yield swapTwo(choice, item, other);
    for (const turn of turns)
      if (turn !== choice.turns[item]) yield { ...choice, turns: choice.turns.with(item, turn) };
  }
}
