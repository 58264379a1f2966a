import type { PathElement, Section } from '../circuit';
import { deviceOfClass, patchCable, wantsPickup } from '../gear';
import {
  inputLoad,
  cableElements,
  sideSource,
  TrebleMeter,
  type DrivenPath,
  type DrivenSection,
  type Route,
  type Stop,
} from '../path';
import { allDevices, findDevice, MOST_DEVICES, type Chain } from '../rig';

/** The one gap where a class-default buffer brings the rig nearest to straight-in. */
export interface BufferAdvice {
  /** Row and index of the cable after which the buffer stands. */
  readonly row: string;
  readonly gap: number;
  /** Place of that cable among the stops. */
  readonly stop: number;
  /** T against straight-in with it there, dB. */
  readonly trebleDb: number;
}

/** A buffer has to bring back at least this much to be worth a word, dB. */
const WORTH_DB = 0.5;

/**
 * Tries a buffer in every gap of a way. Gaps before a low-impedance fuzz do not count: that box wants
 * the pickup itself. Null where no buffer brings back half a decibel.
 *
 * A buffer cuts the one section it stands in; the others stay as they are and are measured once.
 */
export function bufferAdvice(
  rig: Chain,
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
    for (const [at, stop] of section.connections.entries()) {
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
const lastFuzz = (rig: Chain, stops: readonly Stop[]): number =>
  stops.findLastIndex(({ spot }) => {
    const device = spot.kind === 'device' ? findDevice(rig, spot.id) : undefined;
    return device !== undefined && wantsPickup(device);
  });

/** Where a cable lies in its row, and whether it is the long one out of a board. */
function gapOf(
  rig: Chain,
  { spot }: Stop,
): { readonly row: string; readonly gap: number; readonly isLast: boolean } | null {
  if (spot.kind !== 'cable') return null;
  for (const { id, cables, devices } of rig.electrical.rows) {
    const gap = cables.findIndex((cable) => cable?.id === spot.id);
    if (gap >= 0) return { row: id, gap, isLast: devices.length > 0 && gap === devices.length };
  }
  return null;
}

const BUFFER = deviceOfClass('buffer', 'buffer').on;
const PATCH = cableElements(patchCable('patch'));

/** The two sections that one becomes with a buffer at a gap, its patch as `insertBuffer` lays it. */
function cutByBuffer(
  stops: readonly Stop[],
  { circuit, connections }: DrivenSection,
  at: number,
  isLast: boolean,
): readonly [Section, Section] {
  const elements = connections.map(
    (connection): readonly PathElement[] => stops[connection]!.elements,
  );
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
