import { bisect } from '../circuit';
import type { Section } from '../circuit';
import type { Pot } from '../gear';
import { guitarSource, subtractTreble, TrebleMeter, type Route } from '../path';
import { playingGuitar, type Chain } from '../rig';

/** The tone setting of one pickup on the reference rig that gives the same treble: a picture players know. */
export type ToneEquivalent =
  { readonly kind: 'setting'; readonly travel: number } | { readonly kind: 'outOfReach' };

const STEPS = 40;
const EXACT_TRAVEL = 1e-8;
const NEAR_DB = 0.05;

/**
 * Looks from full up downwards for the first tone setting whose treble T crosses the wanted one, then
 * bisects. T against travel is not monotonic at the dark end, so the scan comes first.
 *
 * @param trebleDb T of the rig against straight-in
 */
export function toneEquivalent(
  rig: Chain,
  route: Route,
  trebleDb: number,
  meter = new TrebleMeter(),
): ToneEquivalent {
  if (route.source.circuit.kind !== 'pickup') return { kind: 'outOfReach' };
  const reference = meter.measure(route.reference);
  const excess = (travel: number) =>
    subtractTreble(meter.measure(referenceAt(rig, route, travel)), reference).trebleDb - trebleDb;
  let bright = 1;
  let atBright = excess(1);
  if (Math.abs(atBright) < NEAR_DB) return { kind: 'setting', travel: 1 };
  for (let k = STEPS - 1; k >= 0; k--) {
    const travel = k / STEPS;
    const here = excess(travel);
    if (here * atBright <= 0) {
      const isBefore = (at: number) => excess(at) * atBright > 0;
      return { kind: 'setting', travel: bisect(isBefore, bright, travel, EXACT_TRAVEL) };
    }
    bright = travel;
    atBright = here;
  }
  return { kind: 'outOfReach' };
}

function referenceAt(rig: Chain, route: Route, travel: number): Section {
  const guitar = playingGuitar(rig);
  const turned = (tone: Pot): Pot => ({ ...tone, travel: { ...tone.travel, value: travel } });
  const second = guitar.second && { ...guitar.second, tone: turned(guitar.second.tone) };
  const source = guitarSource({ ...guitar, tone: turned(guitar.tone), second });
  return { ...route.reference, source };
}
