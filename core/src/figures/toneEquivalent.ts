import type { Section } from '../circuit';
import { guitarSource, referenceCircuit, subtractTreble, TrebleMeter } from '../path';
import type { Rig } from '../rig';

/** The tone setting on the reference rig that gives the same treble: a picture players know. */
export type ToneEquivalent =
  { readonly kind: 'setting'; readonly travel: number } | { readonly kind: 'outOfReach' };

const STEPS = 40;
const BISECTIONS = 20;
const NEAR_DB = 0.05;

/**
 * Looks from full up downwards for the first tone setting whose treble T crosses the wanted one, then
 * bisects. T against travel is not monotonic at the dark end, so the scan comes first.
 *
 * @param trebleDb T of the rig against straight-in
 */
export function toneEquivalent(
  rig: Rig,
  trebleDb: number,
  meter = new TrebleMeter(),
): ToneEquivalent {
  const reference = meter.measure(referenceCircuit(rig));
  const excess = (travel: number) =>
    subtractTreble(meter.measure(referenceAt(rig, travel)), reference).trebleDb - trebleDb;
  let bright = 1;
  let atBright = excess(1);
  if (Math.abs(atBright) < NEAR_DB) return { kind: 'setting', travel: 1 };
  for (let k = STEPS - 1; k >= 0; k--) {
    const travel = k / STEPS;
    const here = excess(travel);
    if (here * atBright <= 0) return { kind: 'setting', travel: bisect(excess, bright, travel) };
    bright = travel;
    atBright = here;
  }
  return { kind: 'outOfReach' };
}

function referenceAt(rig: Rig, travel: number): Section {
  const tone = { ...rig.guitar.tone, travel: { ...rig.guitar.tone.travel, value: travel } };
  return { ...referenceCircuit(rig), source: guitarSource({ ...rig.guitar, tone }) };
}

function bisect(excess: (travel: number) => number, from: number, to: number): number {
  const sign = Math.sign(excess(from));
  for (let k = 0; k < BISECTIONS; k++) {
    const middle = (from + to) / 2;
    if (Math.sign(excess(middle)) === sign) from = middle;
    else to = middle;
  }
  return (from + to) / 2;
}
