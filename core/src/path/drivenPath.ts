import type { Load, PathElement, Section, Source } from '../circuit';
import type { Route } from './route';
import type { Place } from './step';

/** One thing on a way as its switches stand, in order from the source to the end. */
export interface Stop {
  readonly place: Place;
  readonly role: 'source' | 'wire' | 'driver' | 'mute' | 'gap' | 'end';
  /** Of a driver: whether it acts engaged. */
  readonly engaged: boolean;
  readonly leadM: number;
  /** What it is as a wire. */
  readonly elements: readonly PathElement[];
  /** What it asks where a section ends in it. */
  readonly load: Load | null;
  /** What it gives where a section begins in it. */
  readonly source: Source | null;
}

/** One driver and everything passive up to the next one. Numbers are places among the stops. */
export interface DrivenSection {
  readonly driver: number;
  readonly endsAt: number;
  /** Wires between, by place. */
  readonly hops: readonly number[];
  readonly circuit: Section;
  readonly leadM: number;
}

/** Why nothing arrives: an engaged device lets nothing through, or a lead is missing. */
export interface Interruption {
  readonly kind: 'muted' | 'gap';
  readonly stop: number;
}

/** Driven sections from the source on. What interrupts the way ends the last one early. */
export interface DrivenPath {
  readonly stops: readonly Stop[];
  readonly sections: readonly DrivenSection[];
  readonly interrupted: Interruption | null;
}

const NOTHING = { engaged: false, leadM: 0, elements: [], load: null, source: null } as const;

/**
 * Cuts a route into driven sections.
 *
 * @throws Error where the route still leaves a switch open
 */
export function drivePath(route: Route): DrivenPath {
  const stops = layStops(route);
  const sections: DrivenSection[] = [];
  let driver = 0;
  let hops: number[] = [];
  for (let i = 1; i < stops.length; i++) {
    const { role, load } = stops[i]!;
    if (role === 'gap') return { stops, sections, interrupted: { kind: 'gap', stop: i } };
    if (load === null) {
      hops.push(i);
      continue;
    }
    sections.push(closeSection(stops, driver, i, hops, load));
    if (role === 'mute') return { stops, sections, interrupted: { kind: 'muted', stop: i } };
    driver = i;
    hops = [];
  }
  return { stops, sections, interrupted: null };
}

function layStops({ source, steps, end }: Route): readonly Stop[] {
  const middle = steps.map((step): Stop => {
    switch (step.kind) {
      case 'wire': {
        const { place, elements, leadM } = step;
        return { ...NOTHING, role: 'wire', place, elements, leadM };
      }
      case 'driver': {
        const { place, engaged, load, source: circuit } = step;
        return { ...NOTHING, role: 'driver', place, engaged, load, source: circuit };
      }
      case 'mute':
        return { ...NOTHING, role: 'mute', place: step.place, load: step.load };
      case 'gap':
        return { ...NOTHING, role: 'gap', place: step.place };
      case 'choice':
        throw new Error(`switch ${step.switchId} is left open`);
    }
  });
  return [
    { ...NOTHING, role: 'source', place: source.place, source: source.circuit },
    ...middle,
    { ...NOTHING, role: 'end', place: end.place, load: end.load },
  ];
}

function closeSection(
  stops: readonly Stop[],
  driver: number,
  endsAt: number,
  hops: readonly number[],
  load: Load,
): DrivenSection {
  const path = hops.flatMap((i) => stops[i]!.elements);
  const leadM = hops.reduce((sum, i) => sum + stops[i]!.leadM, 0);
  const source = stops[driver]!.source!;
  return { driver, endsAt, hops, leadM, circuit: { source, path, load } };
}

/** Where among the stops a thing of the rig stands first, or −1. */
export const stopOf = (stops: readonly Stop[], kind: Place['kind'], id: string): number =>
  stops.findIndex(({ place }) => place.kind === kind && place.id === id);
