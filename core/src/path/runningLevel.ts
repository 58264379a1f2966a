import {
  addElement,
  addSource,
  chooseLeadForm,
  LadderBuilder,
  type LeadElement,
  type Load,
} from '../circuit';
import type { Rig } from '../rig';
import {
  ampLoad,
  driverSource,
  hopElements,
  referenceCircuit,
  type DrivenPath,
  type DrivenSection,
  type Hop,
} from './drivenPath';
import { addTreble, NO_TREBLE, subtractTreble, type Treble, TrebleMeter } from './trebleOf';

/** Where along the way a running level is taken. */
export type RunPlace =
  | { readonly kind: 'guitar' | 'amp' }
  /** A way along `leads[index]`, 0–1. */
  | { readonly kind: 'lead'; readonly index: number; readonly fraction: number }
  /** At the input or behind the output of `devices[index]`. */
  | { readonly kind: 'input' | 'output'; readonly index: number };

/** "What you would have if it ended here": the rig cut at a place and plugged into the amp there. */
export interface RunPoint {
  readonly place: RunPlace;
  /** Metres of lead from the guitar to here. */
  readonly atM: number;
  /** Against straight-in, dB. */
  readonly treble: Treble;
}

const PIECE_M = 1;
const MOST_PIECES = 12;

/**
 * Running level and treble along the whole way, guitar first, amp last (or the input of the device
 * that mutes). Each section is walked once, every point being one prefix ended by the amp's input.
 */
export function runningLevel(
  rig: Rig,
  path: DrivenPath,
  meter = new TrebleMeter(),
): readonly RunPoint[] {
  const load = ampLoad(rig.amp);
  const reference = meter.measure(referenceCircuit(rig));
  const points: RunPoint[] = [];
  let before: Treble = NO_TREBLE;
  let atM = 0;
  for (const section of path.sections) {
    for (const stop of walkSection(rig, section, load, meter)) {
      const treble = subtractTreble(addTreble(before, stop.treble), reference);
      points.push({ place: stop.place, atM: atM + stop.atM, treble });
    }
    atM += section.leadM;
    before = addTreble(before, meter.measure(section.circuit));
  }
  return points;
}

interface Stop {
  readonly place: RunPlace;
  readonly atM: number;
  /** How many ladder operations lie before it. */
  readonly ops: number;
}

function walkSection(rig: Rig, section: DrivenSection, load: Load, meter: TrebleMeter) {
  const { ladder, stops } = layStops(rig, section);
  meter.start();
  let done = 0;
  return stops.map((stop) => {
    meter.advance(ladder, done, stop.ops);
    done = stop.ops;
    return { ...stop, treble: meter.read(ladder.gain, load) };
  });
}

function layStops(rig: Rig, section: DrivenSection) {
  const builder = new LadderBuilder();
  const form = chooseLeadForm(section.circuit);
  const stops: Stop[] = [];
  let atM = 0;
  const stop = (place: RunPlace) => stops.push({ place, atM, ops: builder.mark() });
  addSource(builder, driverSource(rig, section.driver));
  stop(section.driver < 0 ? { kind: 'guitar' } : { kind: 'output', index: section.driver });
  for (const hop of section.hops) {
    if (hop.kind === 'device') stop({ kind: 'input', index: hop.index });
    for (const piece of pieces(rig, hop)) {
      piece.elements.forEach((element) => addElement(builder, element, form));
      atM += piece.lengthM;
      if (piece.place) stop(piece.place);
    }
    if (hop.kind === 'device') stop({ kind: 'output', index: hop.index });
  }
  const end = section.endsAt;
  stop(end === rig.devices.length ? { kind: 'amp' } : { kind: 'input', index: end });
  return { ladder: builder.build(), stops };
}

/** A hop's elements, a long lead cut into pieces with a place between each two. */
function pieces(rig: Rig, hop: Hop) {
  const elements = hopElements(rig, hop);
  const [lead] = elements;
  if (hop.kind === 'device' || lead?.kind !== 'lead')
    return [{ elements, lengthM: 0, place: null }];
  const count = Math.max(1, Math.min(MOST_PIECES, Math.ceil(lead.lengthM / PIECE_M)));
  return Array.from({ length: count }, (_, k) => ({
    elements: cutLead(lead, k, count),
    lengthM: lead.lengthM / count,
    place:
      k < count - 1
        ? ({ kind: 'lead', index: hop.index, fraction: (k + 1) / count } as const)
        : null,
  }));
}

/** Piece `k` of `count` of a lead: only the outer ends carry plugs. */
function cutLead(lead: LeadElement, k: number, count: number) {
  const plug = { kind: 'shunt', rOhm: null, cF: lead.plugsF / 2 } as const;
  const piece: LeadElement = { ...lead, lengthM: lead.lengthM / count, plugsF: 0 };
  return [...(k === 0 ? [plug] : []), piece, ...(k === count - 1 ? [plug] : [])];
}
