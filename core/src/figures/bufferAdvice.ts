import { wantsPickup } from '../gear';
import { drivePath, referenceCircuit, TrebleMeter, type Treble } from '../path';
import { applyEdit, insertBuffer, MOST_DEVICES, type Rig } from '../rig';

/** The one gap where a class-default buffer brings the rig nearest to straight-in. */
export interface BufferAdvice {
  /** Index of the lead behind which the buffer stands. */
  readonly gap: number;
  /** T against straight-in with it there, dB. */
  readonly trebleDb: number;
}

/** A buffer has to bring back at least this much to be worth a word, dB. */
const WORTH_DB = 0.5;

/**
 * Tries a buffer in every gap. Gaps in front of a low-impedance fuzz do not count: that box wants the
 * pickup itself. Null where no buffer brings back half a decibel.
 */
export function bufferAdvice(
  rig: Rig,
  trebleDb: number,
  meter = new TrebleMeter(),
): BufferAdvice | null {
  if (rig.devices.length >= MOST_DEVICES) return null;
  const reference = meter.measure(referenceCircuit(rig));
  const known = new Map<string, Treble>();
  let best: BufferAdvice | null = null;
  for (let gap = rig.devices.findLastIndex(wantsPickup) + 1; gap <= rig.devices.length; gap++) {
    const edited = applyEdit(rig, insertBuffer(rig, gap));
    if (edited.kind !== 'ok') continue;
    const reached = trebleOfRig(edited.rig, meter, known) - reference.trebleDb;
    if (best === null || Math.abs(reached) < Math.abs(best.trebleDb) - 0.01)
      best = { gap, trebleDb: reached };
  }
  return best !== null && Math.abs(trebleDb) - Math.abs(best.trebleDb) >= WORTH_DB ? best : null;
}

function trebleOfRig(rig: Rig, meter: TrebleMeter, known: Map<string, Treble>): number {
  let sum = 0;
  for (const { circuit } of drivePath(rig).sections) {
    const key = JSON.stringify(circuit);
    const treble = known.get(key) ?? meter.measure(circuit);
    known.set(key, treble);
    sum += treble.trebleDb;
  }
  return sum;
}
