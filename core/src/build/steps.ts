import type { GearItem } from '../gear';
import type { UnitSystem } from '../quantity';
import type { Rig } from '../rig';
import { beginning } from './beginning';
import { cableList } from './cableList';
import { ending } from './ending';
import { laid, stepsOf } from './making';
import type { Step } from './step';

/// The order of work: what cannot be reached later comes first, DC before audio, from the edges inward, tested before it is
/// laid, played before it is tied.

/** Every step in an order in which it can be done. */
export function workPlan(
  rig: Rig,
  gear: readonly GearItem[] = [],
  units: UnitSystem = 'metric',
): readonly Step[] {
  const cables = cableList(rig, gear);
  const before = beginning(rig);
  const ready = before.map(({ id }) => id);
  const dc = cables
    .filter(({ kind }) => kind === 'dc')
    .flatMap((cable) => stepsOf(rig, cable, ready, units));
  const dcLaid = dc.filter(({ kind }) => kind === 'lay').map(({ id }) => id);
  const audio = inward(cables.filter(({ kind }) => kind === 'audio')).flatMap((cable) =>
    stepsOf(rig, cable, [...ready, ...dcLaid], units),
  );
  const control = cables
    .filter(({ kind }) => kind === 'control')
    .map((cable) => laid(cable, ready, units));
  const all = [...before, ...dc, ...audio, ...control];
  return [...all, ...ending(rig, all, units)];
}

/** From both ends of the chain to its middle: what lies outermost is reached last by other hands. */
export function inward<T>(list: readonly T[]): readonly T[] {
  const last = list.length - 1;
  return list
    .map((one, i) => ({ one, depth: Math.min(i, last - i), i }))
    .sort((a, b) => a.depth - b.depth || a.i - b.i)
    .map(({ one }) => one);
}
