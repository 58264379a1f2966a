import { addElement, addSource, chooseLeadForm, LadderBuilder, type LeadElement } from '../circuit';
import type { DrivenPath, DrivenSection, Stop } from './drivenPath';
import type { Route } from './route';
import { addTreble, NO_TREBLE, subtractTreble, type Treble, TrebleMeter } from './trebleOf';

/** Where along the way a running level is taken: at a stop's input or output, or a way along a lead, 0–1. */
export interface RunPlace {
  readonly stop: number;
  readonly at: 'in' | 'out' | number;
}

/** "What you would have if it ended here": the rig cut at a place and plugged into the end there. */
export interface RunPoint {
  readonly place: RunPlace;
  /** Metres of lead from the source to here. */
  readonly atM: number;
  /** Against straight-in, dB. */
  readonly treble: Treble;
}

const PIECE_M = 1;
const MOST_PIECES = 12;

/**
 * Running level and treble along the whole way, source first, end last (or the input of the device
 * that mutes). Each section is walked once, every point being one prefix ended by the end's input.
 */
export function runningLevel(
  route: Route,
  path: DrivenPath,
  meter = new TrebleMeter(),
): readonly RunPoint[] {
  const reference = meter.measure(route.reference);
  const points: RunPoint[] = [];
  let before: Treble = NO_TREBLE;
  let atM = 0;
  for (const section of path.sections) {
    for (const mark of walkSection(path.stops, section, route, meter)) {
      const treble = subtractTreble(addTreble(before, mark.treble), reference);
      points.push({ place: mark.place, atM: atM + mark.atM, treble });
    }
    atM += section.leadM;
    before = addTreble(before, meter.measure(section.circuit));
  }
  return points;
}

interface Mark {
  readonly place: RunPlace;
  readonly atM: number;
  /** How many ladder operations lie before it. */
  readonly ops: number;
}

function walkSection(
  stops: readonly Stop[],
  section: DrivenSection,
  { end }: Route,
  meter: TrebleMeter,
) {
  const { ladder, marks } = layMarks(stops, section);
  meter.start();
  let done = 0;
  return marks.map((mark) => {
    meter.advance(ladder, done, mark.ops);
    done = mark.ops;
    return { ...mark, treble: meter.read(ladder.gain, end.load) };
  });
}

function layMarks(stops: readonly Stop[], section: DrivenSection) {
  const builder = new LadderBuilder();
  const form = chooseLeadForm(section.circuit);
  const marks: Mark[] = [];
  let atM = 0;
  const mark = (place: RunPlace) => marks.push({ place, atM, ops: builder.mark() });
  addSource(builder, section.circuit.source);
  mark({ stop: section.driver, at: 'out' });
  for (const hop of section.hops) {
    const isDevice = stops[hop]!.place.kind === 'device';
    if (isDevice) mark({ stop: hop, at: 'in' });
    for (const piece of pieces(stops[hop]!)) {
      piece.elements.forEach((element) => addElement(builder, element, form));
      atM += piece.lengthM;
      if (piece.fraction < 1) mark({ stop: hop, at: piece.fraction });
    }
    if (isDevice) mark({ stop: hop, at: 'out' });
  }
  mark({ stop: section.endsAt, at: 'in' });
  return { ladder: builder.build(), marks };
}

/** A hop's elements, a long lead cut into pieces with a place between each two. */
function pieces({ elements, leadM }: Stop) {
  const at = elements.findIndex(({ kind }) => kind === 'lead');
  const lead = elements[at];
  if (lead?.kind !== 'lead') return [{ elements, lengthM: leadM, fraction: 1 }];
  const count = Math.max(1, Math.min(MOST_PIECES, Math.ceil(lead.lengthM / PIECE_M)));
  return Array.from({ length: count }, (_, k) => ({
    elements: [
      ...(k === 0 ? elements.slice(0, at) : []),
      ...cutLead(lead, k, count),
      ...(k === count - 1 ? elements.slice(at + 1) : []),
    ],
    lengthM: lead.lengthM / count,
    fraction: (k + 1) / count,
  }));
}

/** Piece `k` of `count` of a lead: only the outer ends carry plugs. */
function cutLead(lead: LeadElement, k: number, count: number) {
  const plug = { kind: 'shunt', rOhm: null, cF: lead.plugsF / 2 } as const;
  const piece: LeadElement = { ...lead, lengthM: lead.lengthM / count, plugsF: 0 };
  return [...(k === 0 ? [plug] : []), piece, ...(k === count - 1 ? [plug] : [])];
}
