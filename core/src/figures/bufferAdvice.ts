import type { PathElement, Section } from '../circuit';
import { deviceOfClass, patchLead, wantsPickup } from '../gear';
import {
  drivePath,
  hopElements,
  inputLoad,
  leadElement,
  referenceCircuit,
  sideSource,
  TrebleMeter,
  type DrivenSection,
} from '../path';
import { MOST_DEVICES, type Rig } from '../rig';

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
 *
 * A buffer cuts the one section it stands in; the others stay as they are and are measured once.
 */
export function bufferAdvice(
  rig: Rig,
  trebleDb: number,
  meter = new TrebleMeter(),
): BufferAdvice | null {
  if (rig.devices.length >= MOST_DEVICES) return null;
  const reference = meter.measure(referenceCircuit(rig)).trebleDb;
  const { sections } = drivePath(rig);
  const now = sections.map(({ circuit }) => meter.measure(circuit).trebleDb);
  const total = now.reduce((sum, db) => sum + db, -reference);
  const firstGap = rig.devices.findLastIndex(wantsPickup) + 1;
  let best: BufferAdvice | null = null;
  for (const [i, section] of sections.entries()) {
    const elements = section.hops.map((hop) => hopElements(rig, hop));
    for (const [at, { kind, index }] of section.hops.entries()) {
      if (kind !== 'lead' || index < firstGap) continue;
      const halves = cutByBuffer(rig, section, elements, at).map(
        (half) => meter.measure(half).trebleDb,
      );
      const reached = total - now[i]! + halves[0]! + halves[1]!;
      if (best === null || Math.abs(reached) < Math.abs(best.trebleDb) - 0.01)
        best = { gap: index, trebleDb: reached };
    }
  }
  return best !== null && Math.abs(trebleDb) - Math.abs(best.trebleDb) >= WORTH_DB ? best : null;
}

const BUFFER = deviceOfClass('buffer', 'buffer').on;
const PATCH = leadElement(patchLead('patch'));

/** The two sections that one becomes with a buffer at a gap, its patch as `insertBuffer` lays it. */
function cutByBuffer(
  rig: Rig,
  { circuit, hops }: DrivenSection,
  elements: readonly (readonly PathElement[])[],
  at: number,
): readonly [Section, Section] {
  const gap = hops[at]!.index;
  const own = leadElement(rig.leads[gap]!);
  const count = rig.devices.length;
  const before = count > 0 && gap === count ? PATCH : own;
  const behind = gap === count ? own : PATCH;
  return [
    {
      source: circuit.source,
      path: [...elements.slice(0, at).flat(), before],
      load: inputLoad(BUFFER),
    },
    {
      source: sideSource(BUFFER),
      path: [behind, ...elements.slice(at + 1).flat()],
      load: circuit.load,
    },
  ];
}
