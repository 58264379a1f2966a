import type { PathElement, Section } from '../circuit';
import { deviceOfClass, patchLead, wantsPickup } from '../gear';
import {
  inputLoad,
  leadElements,
  sideSource,
  TrebleMeter,
  type DrivenPath,
  type DrivenSection,
  type Route,
  type Stop,
} from '../path';
import { allDevices, findDevice, MOST_DEVICES, type Rig } from '../rig';

/** The one gap where a class-default buffer brings the rig nearest to straight-in. */
export interface BufferAdvice {
  /** Row and index of the lead behind which the buffer stands. */
  readonly row: string;
  readonly gap: number;
  /** Place of that lead among the stops. */
  readonly stop: number;
  /** T against straight-in with it there, dB. */
  readonly trebleDb: number;
}

/** A buffer has to bring back at least this much to be worth a word, dB. */
const WORTH_DB = 0.5;

/**
 * Tries a buffer in every gap of a way. Gaps in front of a low-impedance fuzz do not count: that box wants
 * the pickup itself. Null where no buffer brings back half a decibel.
 *
 * A buffer cuts the one section it stands in; the others stay as they are and are measured once.
 */
export function bufferAdvice(
  rig: Rig,
  route: Route,
  { stops, sections }: DrivenPath,
  trebleDb: number,
  meter = new TrebleMeter(),
): BufferAdvice | null {
  if (allDevices(rig).length >= MOST_DEVICES) return null;
  const reference = meter.measure(route.reference).trebleDb;
  const now = sections.map(({ circuit }) => meter.measure(circuit).trebleDb);
  const total = now.reduce((sum, db) => sum + db, -reference);
  const firstStop = lastFuzz(rig, stops) + 1;
  let best: BufferAdvice | null = null;
  for (const [i, section] of sections.entries()) {
    for (const [at, stop] of section.hops.entries()) {
      const gap = stop >= firstStop ? gapOf(rig, stops[stop]!) : null;
      if (!gap) continue;
      const halves = cutByBuffer(stops, section, at, gap.isLast).map(
        (half) => meter.measure(half).trebleDb,
      );
      const reached = total - now[i]! + halves[0]! + halves[1]!;
      if (best === null || Math.abs(reached) < Math.abs(best.trebleDb) - 0.01)
        best = { row: gap.row, gap: gap.gap, stop, trebleDb: reached };
    }
  }
  return best !== null && Math.abs(trebleDb) - Math.abs(best.trebleDb) >= WORTH_DB ? best : null;
}

/** The last low-impedance fuzz on the way, or −1. */
const lastFuzz = (rig: Rig, stops: readonly Stop[]): number =>
  stops.findLastIndex(({ place }) => {
    const device = place.kind === 'device' ? findDevice(rig, place.id) : undefined;
    return device !== undefined && wantsPickup(device);
  });

/** Where a lead lies in its row, and whether it is the long one out of a board. */
function gapOf(
  rig: Rig,
  { place }: Stop,
): { readonly row: string; readonly gap: number; readonly isLast: boolean } | null {
  if (place.kind !== 'lead') return null;
  for (const { id, leads, devices } of rig.rows) {
    const gap = leads.findIndex((lead) => lead?.id === place.id);
    if (gap >= 0) return { row: id, gap, isLast: devices.length > 0 && gap === devices.length };
  }
  return null;
}

const BUFFER = deviceOfClass('buffer', 'buffer').on;
const PATCH = leadElements(patchLead('patch'));

/** The two sections that one becomes with a buffer at a gap, its patch as `insertBuffer` lays it. */
function cutByBuffer(
  stops: readonly Stop[],
  { circuit, hops }: DrivenSection,
  at: number,
  isLast: boolean,
): readonly [Section, Section] {
  const elements = hops.map((hop): readonly PathElement[] => stops[hop]!.elements);
  const own = elements[at]!;
  return [
    {
      source: circuit.source,
      path: [...elements.slice(0, at).flat(), ...(isLast ? PATCH : own)],
      load: inputLoad(BUFFER),
    },
    {
      source: sideSource(BUFFER),
      path: [...(isLast ? own : PATCH), ...elements.slice(at + 1).flat()],
      load: circuit.load,
    },
  ];
}
