import type { Load, PathElement, Section, Source } from '../circuit';
import type { Chain } from '../rig';
import { routeOf, type Route } from './route';
import type { MuteReason, Spot } from './step';

/** One thing on a way as its switches stand, in order from the source to the end. */
export interface Stop {
  readonly spot: Spot;
  readonly role: 'source' | 'wire' | 'driver' | 'mute' | 'gap' | 'destination';
  /** Of a driver: whether it acts engaged. */
  readonly engaged: boolean;
  readonly cableM: number;
  /** What it is as a wire. */
  readonly elements: readonly PathElement[];
  /** What it asks where a section ends in it. */
  readonly load: Load | null;
  /** What it gives where a section begins in it. */
  readonly source: Source | null;
  /** Why nothing comes through it; null where something does. */
  readonly why: MuteReason | null;
}

/** One driver and everything passive up to the next one. Numbers are places among the stops. */
export interface DrivenSection {
  readonly driver: number;
  readonly endsAt: number;
  /** Wires between, by place. */
  readonly connections: readonly number[];
  readonly circuit: Section;
  readonly cableM: number;
}

/** Why nothing arrives: something lets nothing through, or a cable is missing. */
export type Interruption =
  | { readonly kind: 'muted'; readonly stop: number; readonly why: MuteReason }
  | { readonly kind: 'gap'; readonly stop: number };

/** Driven sections from the source on. What interrupts the way ends the last one early. */
export interface DrivenPath {
  readonly stops: readonly Stop[];
  readonly sections: readonly DrivenSection[];
  readonly interrupted: Interruption | null;
}

const NOTHING = {
  engaged: false,
  cableM: 0,
  elements: [],
  load: null,
  source: null,
  why: null,
} as const;

/**
 * Cuts a route into driven sections.
 *
 * @throws Error where the route still leaves a switch open
 */
export function drivePath(route: Route): DrivenPath {
  const stops = layStops(route);
  const sections: DrivenSection[] = [];
  let driver = 0;
  let connections: number[] = [];
  for (let i = 1; i < stops.length; i++) {
    const { role, load, why } = stops[i]!;
    if (role === 'gap') return { stops, sections, interrupted: { kind: 'gap', stop: i } };
    if (load === null) {
      connections.push(i);
      continue;
    }
    sections.push(closeSection(stops, driver, i, connections, load));
    if (why !== null) return { stops, sections, interrupted: { kind: 'muted', stop: i, why } };
    driver = i;
    connections = [];
  }
  return { stops, sections, interrupted: null };
}

function layStops({ source, steps, destination }: Route): readonly Stop[] {
  const middle = steps.map((step): Stop => {
    switch (step.kind) {
      case 'wire': {
        const { spot, elements, cableM } = step;
        return { ...NOTHING, role: 'wire', spot, elements, cableM };
      }
      case 'driver': {
        const { spot, engaged, load, source: circuit } = step;
        return { ...NOTHING, role: 'driver', spot, engaged, load, source: circuit };
      }
      case 'mute':
        return { ...NOTHING, role: 'mute', spot: step.spot, load: step.load, why: step.why };
      case 'gap':
        return { ...NOTHING, role: 'gap', spot: step.spot };
      case 'choice':
        throw new Error(`switch ${step.switchId} is left open`);
    }
  });
  return [
    { ...NOTHING, role: 'source', spot: source.spot, source: source.circuit },
    ...middle,
    { ...NOTHING, role: 'destination', spot: destination.spot, load: destination.load },
  ];
}

function closeSection(
  stops: readonly Stop[],
  driver: number,
  endsAt: number,
  connections: readonly number[],
  load: Load,
): DrivenSection {
  const path = connections.flatMap((i) => stops[i]!.elements);
  const cableM = connections.reduce((sum, i) => sum + stops[i]!.cableM, 0);
  const source = stops[driver]!.source!;
  return { driver, endsAt, connections, cableM, circuit: { source, path, load } };
}

/** Where among the stops a thing of the rig stands first, or −1. */
export const stopOf = (stops: readonly Stop[], kind: Spot['kind'], id: string): number =>
  stops.findIndex(({ spot }) => spot.kind === kind && spot.id === id);

/** A way of a chain and its driven sections: the one place where a chain becomes something to measure. */
export interface DrivenWay {
  readonly route: Route;
  readonly path: DrivenPath;
}

/** @param rowId of the row that arrives at the destination; the main one unless named */
export function driveWay(chain: Chain, rowId?: string): DrivenWay {
  const route = routeOf(chain, rowId);
  return { route, path: drivePath(route) };
}
