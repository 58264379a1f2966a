import type { Choice, Link } from './choices';

/// How full the outlets get, and how much DC cable that takes.

/** Of the outlet, or of the smaller one of two in series. */
export const shareOfChoice = ({ amps, on, second }: Choice): number =>
  amps / Math.min(on.amps, second?.amps ?? Infinity);

/** With its head alone. */
export function shareOfLink({ head, amps, on }: Link, choices: readonly Choice[]): number {
  if (typeof head === 'object') return (head.state.amps + amps) / on.amps;
  const first = choices.find((one) => one.consumer === head && one.on === on);
  return (amps + (first?.amps ?? 0)) / on.amps;
}

/** The share of the fullest outlet of those that something was assigned to. */
export function fullestOf(choices: readonly Choice[], links: readonly Link[]): number {
  const behind = (i: number): number =>
    links.filter(({ head }) => head === i).reduce((sum, { amps }) => sum + amps, 0);
  const own = choices.map((one) =>
    shareOfChoice({ ...one, amps: one.amps + behind(one.consumer) }),
  );
  const fixed = new Set(links.map(({ head }) => head));
  const kept = [...fixed].flatMap((head) => {
    if (typeof head !== 'object') return [];
    const added = links.filter((one) => one.head === head).reduce((sum, { amps }) => sum + amps, 0);
    return [(head.state.amps + added) / head.on.amps];
  });
  return Math.max(0, ...own, ...kept);
}

export const cableOf = (choices: readonly Choice[], links: readonly Link[]): number =>
  [...choices, ...links].reduce((sum, { lengthM }) => sum + lengthM, 0);
