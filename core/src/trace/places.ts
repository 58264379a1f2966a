import type { FaultPlace } from './faultKinds';
import { allParts, type TracePart, type TraceWay } from './way';

/// Where faults may sit.

/** Why a weight is more or less than usual. */
export interface Reason {
  readonly says: string;
  readonly factor: number;
}

/** Where a fault may sit. */
export interface Place {
  readonly on: FaultPlace;
  readonly part: string;
  readonly name: string;
  readonly feeds: readonly string[];
  readonly at: TracePart | null;
}

const ON_PART = {
  guitar: 'guitar',
  cable: 'cable',
  device: 'device',
  destination: 'destination',
} as const;

/** Every part of a way, its power, its grounds and the room. */
export function* placesIn(way: TraceWay): Generator<Place> {
  for (const at of allParts(way))
    yield { on: ON_PART[at.kind], part: at.id, name: at.name, feeds: [], at };
  for (const { id, name, feeds } of way.supplies) {
    for (const feed of feeds)
      yield {
        on: 'feed',
        part: feed.id,
        name: `the power of ${feed.name}`,
        feeds: [feed.device],
        at: null,
      };
    if (feeds.length > 0)
      yield { on: 'supply', part: id, name, feeds: feeds.map(({ device }) => device), at: null };
  }
  const grounded = way.supplies.filter(({ isMains, feeds }) => isMains && feeds.length > 0);
  const devices = grounded.flatMap(({ feeds }) => feeds.map(({ device }) => device));
  const second = way.side.length > 0;
  if (devices.length > 0 || second)
    yield { on: 'ground', part: 'ground', name: 'two grounds', feeds: devices, at: null };
  yield { on: 'room', part: 'room', name: 'the room', feeds: [], at: null };
}
