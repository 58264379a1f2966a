import type { Section } from '../circuit';
import { ResponseMeter } from '../path';
import { binsAt } from './impulse';

/// Responses of voices at the bins of a sample rate.

/** A difference that would lift more than this is capped, dB. */
export const MOST_BOOST_DB = 18;

const meters = new Map<number, ResponseMeter>();

function meterAt(rate: number): ResponseMeter {
  let known = meters.get(rate);
  if (!known) meters.set(rate, (known = new ResponseMeter(binsAt(rate))));
  return known;
}

/** Of driven sections, one after the other: interleaved re, im. */
export const responseOf = (sections: readonly Section[], rate: number): Float64Array =>
  meterAt(rate).response(sections);

export interface DifferenceResponse {
  readonly response: Float64Array;
  /** From where on it would have lifted more than is allowed, Hz; null where nothing was capped. */
  readonly cappedFromHz: number | null;
}

/** What leads from one chain to another: the other's response over the one's, its lift capped, its phase kept. */
export function differenceOf(
  from: readonly Section[],
  to: readonly Section[],
  rate: number,
): DifferenceResponse {
  const [before, after] = [responseOf(from, rate), responseOf(to, rate)];
  const response = new Float64Array(before.length);
  const most = 10 ** (MOST_BOOST_DB / 20);
  let cappedFromHz: number | null = null;
  for (let i = 0; i < before.length; i += 2) {
    const [a, b, c, d] = [before[i]!, before[i + 1]!, after[i]!, after[i + 1]!];
    const square = a * a + b * b;
    let [re, im] = square > 0 ? [(c * a + d * b) / square, (d * a - c * b) / square] : [most, 0];
    const size = Math.hypot(re, im);
    if (size > most) {
      [re, im] = [(re * most) / size, (im * most) / size];
      cappedFromHz ??= binsAt(rate).frequencyHz[i / 2]!;
    }
    response[i] = re;
    response[i + 1] = im;
  }
  return { response, cappedFromHz };
}

/** The shelf that stands for a treble loss: nothing below 1 kHz, all of it from 4 kHz on. */
const SHELF_FROM_HZ = 1000;
const SHELF_TO_HZ = 4000;
/** Mean of the shelf over 2–8 kHz, evenly in log f: three quarters of one octave, on average, and all of the other. */
const SHELF_MEAN = 0.5 + 0.5 * (0.5 + 1 / Math.PI);

/** A response that takes away treble alone: T falls by so many dB, 400 Hz stays. Its phase is 0. */
export function trebleLossResponse(lossDb: number, rate: number): Float64Array {
  const { frequencyHz } = binsAt(rate);
  const out = new Float64Array(2 * frequencyHz.length);
  const most = lossDb / SHELF_MEAN;
  const octaves = Math.log2(SHELF_TO_HZ / SHELF_FROM_HZ);
  frequencyHz.forEach((hz, k) => {
    const share = Math.min(1, Math.max(0, Math.log2(hz / SHELF_FROM_HZ) / octaves));
    out[2 * k] = 10 ** ((-most * 0.5 * (1 - Math.cos(Math.PI * share))) / 20);
  });
  return out;
}

/** A plain guitar loudspeaker, after no particular one: 75 Hz to 4.8 kHz with a rise before it falls. */
export function speakerResponse(rate: number): Float64Array {
  const { frequencyHz } = binsAt(rate);
  const out = new Float64Array(2 * frequencyHz.length);
  frequencyHz.forEach((hz, k) => {
    const [re, im] = [highPass(hz, 75, 0.8), lowPass(hz, 3200, 1.3), lowPass(hz, 4800, 0.6)].reduce(
      ([a, b], [c, d]) => [a! * c! - b! * d!, a! * d! + b! * c!],
      [1, 0],
    );
    out[2 * k] = re!;
    out[2 * k + 1] = im!;
  });
  return out;
}

/** 1 / (1 + s/(Qω₀) + s²/ω₀²) */
function lowPass(hz: number, atHz: number, q: number): number[] {
  const x = hz / atHz;
  const [re, im] = [1 - x * x, x / q];
  const square = re * re + im * im;
  return [re / square, -im / square];
}

function highPass(hz: number, atHz: number, q: number): number[] {
  const [re, im] = lowPass(hz, atHz, q);
  const square = (hz / atHz) ** 2;
  return [-square * re!, -square * im!];
}
