import {
  addElement,
  addSource,
  chooseCableForm,
  LadderBuilder,
  type CableElement,
} from '../circuit';
import type { DrivenPath, DrivenSection, Stop } from './drivenPath';
import type { Route } from './route';
import { addTreble, NO_TREBLE, subtractTreble, type Treble, TrebleMeter } from './trebleOf';

/** Where along the way a running level is taken: at a stop's input or output, or a way along a cable, 0–1. */
export interface RunSpot {
  readonly stop: number;
  readonly at: 'in' | 'out' | number;
}

/** "What you would have if it ended here": the rig cut at a place and plugged into the end there. */
export interface RunPoint {
  readonly spot: RunSpot;
  /** Metres of cable from the source to here. */
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
      points.push({ spot: mark.spot, atM: atM + mark.atM, treble });
    }
    atM += section.cableM;
    before = addTreble(before, meter.measure(section.circuit));
  }
  return points;
}

interface Mark {
  readonly spot: RunSpot;
  readonly atM: number;
  /** How many ladder operations lie before it. */
  readonly ops: number;
}

function walkSection(
  stops: readonly Stop[],
  section: DrivenSection,
  { destination }: Route,
  meter: TrebleMeter,
) {
  const { ladder, marks } = layMarks(stops, section);
  meter.start();
  let done = 0;
  return marks.map((mark) => {
    meter.advance(ladder, done, mark.ops);
    done = mark.ops;
    return { ...mark, treble: meter.read(ladder.gain, destination.load) };
  });
}

function layMarks(stops: readonly Stop[], section: DrivenSection) {
  const builder = new LadderBuilder();
  const form = chooseCableForm(section.circuit);
  const marks: Mark[] = [];
  let atM = 0;
  const mark = (spot: RunSpot) => marks.push({ spot, atM, ops: builder.mark() });
  addSource(builder, section.circuit.source);
  mark({ stop: section.driver, at: 'out' });
  for (const connection of section.connections) {
    const isDevice = stops[connection]!.spot.kind === 'device';
    if (isDevice) mark({ stop: connection, at: 'in' });
    for (const piece of pieces(stops[connection]!)) {
      piece.elements.forEach((element) => addElement(builder, element, form));
      atM += piece.lengthM;
      if (piece.fraction < 1) mark({ stop: connection, at: piece.fraction });
    }
    if (isDevice) mark({ stop: connection, at: 'out' });
  }
  mark({ stop: section.endsAt, at: 'in' });
  return { ladder: builder.build(), marks };
}

/** A connection's elements, a long cable cut into pieces with a place between each two. */
function pieces({ elements, cableM }: Stop) {
  const at = elements.findIndex(({ kind }) => kind === 'cable');
  const cable = elements[at];
  if (cable?.kind !== 'cable') return [{ elements, lengthM: cableM, fraction: 1 }];
  const count = Math.max(1, Math.min(MOST_PIECES, Math.ceil(cable.lengthM / PIECE_M)));
  return Array.from({ length: count }, (_, k) => ({
    elements: [
      ...(k === 0 ? elements.slice(0, at) : []),
      ...cutCable(cable, k, count),
      ...(k === count - 1 ? elements.slice(at + 1) : []),
    ],
    lengthM: cable.lengthM / count,
    fraction: (k + 1) / count,
  }));
}

/** Piece `k` of `count` of a cable: only the outer ends carry plugs. */
function cutCable(cable: CableElement, k: number, count: number) {
  const plug = { kind: 'shunt', rOhm: null, cF: cable.plugsF / 2 } as const;
  const piece: CableElement = { ...cable, lengthM: cable.lengthM / count, plugsF: 0 };
  return [...(k === 0 ? [plug] : []), piece, ...(k === count - 1 ? [plug] : [])];
}
