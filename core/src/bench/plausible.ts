import { conductorM } from '../gear';
import { expectedReading, type Connected } from './connected';
import type { MeterQuantity } from './meter';

/** What a reading looks like, beside what was to be expected. */
export interface Plausibility {
  readonly expected: number;
  /** Measured over expected, less one. */
  readonly share: number;
  /** "fits" says nothing; anything else is worth a look before it is taken. */
  readonly looksLike:
    'fits' | 'open' | 'short' | 'anotherKind' | 'farTooLittle' | 'farTooMuch' | 'parallelMode';
  /** A sentence for whoever holds the clips; empty where it fits. */
  readonly words: string;
}

/** What cables of any kind have a metre, and what two plugs have (model §13). */
const LEAST_PER_M = 50e-12;
const MOST_PER_M = 180e-12;
const LEAST_PLUGS = 10e-12;
const MOST_PLUGS = 50e-12;
/** A kind differs from what is in the list by more than this. */
const ANOTHER_KIND = 0.2;
const FAR = 2;
const SHORT_OHM = 5;
const OPEN_OHM = 1e6;

const WORDS: Readonly<Record<Plausibility['looksLike'], string>> = {
  fits: '',
  open: 'This reads like an open cable: one plug and hardly any cable after it. Look at the solder of the near plug.',
  short: 'This reads like a short: tip on sleeve. Look for a whisker of shield in a plug.',
  anotherKind: 'Another kind of cable, or another length, than the list says.',
  farTooLittle: 'Far less than is to be expected. Are the clips on the right contacts?',
  farTooMuch: 'Far more than is to be expected. Is something else still connected?',
  parallelMode:
    'Several times too high: the meter reads side by side (parallel), where the resistance rules. Set it to series.',
};

/** Holds a reading against what it should be. */
export function plausibilityOf(
  connected: Connected,
  quantity: MeterQuantity,
  frequencyHz: number,
  reading: number,
): Plausibility {
  const expected = expectedReading(connected, quantity, frequencyHz);
  const looksLike = looksOf(connected, quantity, reading, expected);
  return { expected, share: reading / expected - 1, looksLike, words: WORDS[looksLike] };
}

function looksOf(
  connected: Connected,
  quantity: MeterQuantity,
  reading: number,
  expected: number,
): Plausibility['looksLike'] {
  if (connected.kind === 'cable' && quantity === 'Cp')
    return cableLooks(connected, reading, expected);
  if (quantity === 'R') return resistanceLooks(reading, expected);
  if (quantity === 'Lp' && connected.kind === 'guitar') {
    const series = expectedReading(connected, 'Ls', 1000);
    if (reading > FAR * series) return 'parallelMode';
  }
  return sizeLooks(reading, expected);
}

function resistanceLooks(reading: number, expected: number): Plausibility['looksLike'] {
  if (reading > OPEN_OHM && expected < OPEN_OHM) return 'open';
  if (reading < SHORT_OHM && expected > FAR * SHORT_OHM) return 'short';
  return sizeLooks(reading, expected);
}

function sizeLooks(reading: number, expected: number): Plausibility['looksLike'] {
  if (!Number.isFinite(reading) || reading > FAR * expected) return 'farTooMuch';
  return reading < expected / FAR ? 'farTooLittle' : 'fits';
}

function cableLooks(
  { cable }: Extract<Connected, { kind: 'cable' }>,
  reading: number,
  expected: number,
): Plausibility['looksLike'] {
  const lengthM = conductorM(cable);
  const least = LEAST_PER_M * lengthM + LEAST_PLUGS;
  const most = MOST_PER_M * lengthM + MOST_PLUGS + (cable.added ? cable.addedF.value : 0);
  // A short has no capacitance to read: what is shown is below nought or beyond all cables.
  if (!(reading > 0) || reading > 100 * most) return 'short';
  if (reading < least / FAR) return 'open';
  if (reading > FAR * most) return 'farTooMuch';
  return Math.abs(reading / expected - 1) > ANOTHER_KIND ? 'anotherKind' : 'fits';
}
